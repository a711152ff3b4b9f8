import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { format, parseISO } from 'date-fns';
import { Bar, CartesianGrid, ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';

type Months = ResponseOf<typeof contract.getMoney>['months'];

/** What came in each of the last twelve months, against what was invoiced. */
export function MonthsPicture({ months, currency }: { months: Months; currency: string }) {
  const data = months.map(({ month, invoiced, came }) => ({
    month: format(parseISO(`${month}-01`), 'MMM'),
    invoiced: Number(invoiced),
    came: Number(came),
  }));
  return (
    <figure className="flex flex-col gap-2">
      <div className="h-44" role="img" aria-label="What was invoiced and what came, by month">
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={data} margin={{ top: 8, right: 8, bottom: 0, left: 0 }}>
            <CartesianGrid vertical={false} stroke="var(--color-seam)" />
            <XAxis dataKey="month" tick={{ fill: 'var(--color-reed)', fontSize: 12 }} stroke="var(--color-seam)" />
            <YAxis tick={{ fill: 'var(--color-reed)', fontSize: 12 }} stroke="var(--color-seam)" width={44} />
            <Bar dataKey="came" fill="var(--color-pine)" barSize={22} isAnimationActive={false} />
            <Line dataKey="invoiced" type="step" stroke="var(--color-brass)" strokeWidth={2} dot={false} isAnimationActive={false} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <figcaption className="text-small text-reed">Bars: what came, in {currency}. Line: what was invoiced.</figcaption>
      <table className="sr-only">
        <tbody>
          {months.map(({ month, invoiced, came }) => (
            <tr key={month}>
              <th scope="row">{month}</th>
              <td>{came} came</td>
              <td>{invoiced} invoiced</td>
            </tr>
          ))}
        </tbody>
      </table>
    </figure>
  );
}
