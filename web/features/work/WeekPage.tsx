import { countedWords } from '@lean-mentor/core/work';
import type { WorkWeekRow } from '@lean-mentor/contract';
import { daysAfter } from '@lean-mentor/core/queue';
import { eachDayOfInterval, format, parseISO } from 'date-fns';
import { Check, Circle } from 'lucide-react';
import { Link, useSearchParams } from 'react-router';
import { Fetched } from '../../shared/fetched/index.ts';
import { Empty, TableHead } from '../../shared/primitives/index.ts';
import { useGetWorkWeekQuery } from './api.ts';
import { feltWords, verdictWords } from './words.ts';

const weekDays = 7;

/** One page a week: who works on what, what was done and how it felt, and who is stuck. */
export function WeekPage() {
  const [search] = useSearchParams();
  const onDay = search.get('on') ?? format(new Date(), 'yyyy-MM-dd');
  const fetched = useGetWorkWeekQuery(onDay, { refetchOnMountOrArgChange: true, pollingInterval: 120_000 });
  return (
    <main className="flex flex-col gap-6 py-8">
      <Fetched of={fetched}>
        {({ fromOn, untilOn, rows }) => (
          <>
            <header className="flex items-end justify-between gap-6">
              <div>
                <h1 className="text-banner">Work this week</h1>
                <p className="text-reed">{weekLine(rows, fromOn, untilOn)}</p>
              </div>
              <nav aria-label="Weeks" className="not-printed flex gap-4">
                <Link className="linked" to={`?on=${daysAfter(fromOn, -weekDays)}`}>
                  The week before
                </Link>
                <Link className="linked" to={`?on=${untilOn}`}>
                  The week after
                </Link>
              </nav>
            </header>
            {rows.length === 0 ? (
              <Empty>Nobody has work in this week. It is given on a client’s page, or from the wrap-up.</Empty>
            ) : (
              <table className="w-full text-left">
                <TableHead columns={['Client', 'Work', ...dayColumns(fromOn, untilOn), 'Felt', 'Retests', '']} />
                <tbody>
                  {rows.map((row) => (
                    <WeekRow key={row.workId} row={row} fromOn={fromOn} untilOn={untilOn} />
                  ))}
                </tbody>
              </table>
            )}
          </>
        )}
      </Fetched>
    </main>
  );
}

const daysOf = (fromOn: string, untilOn: string): Date[] =>
  eachDayOfInterval({ start: parseISO(fromOn), end: parseISO(daysAfter(untilOn, -1)) });
const dayColumns = (fromOn: string, untilOn: string): string[] => daysOf(fromOn, untilOn).map((day) => format(day, 'EEE d'));

function weekLine(rows: readonly WorkWeekRow[], fromOn: string, untilOn: string): string {
  const clients = new Set(rows.map(({ clientId }) => clientId)).size;
  const times = rows.reduce((sum, { done }) => sum + done.length, 0);
  const stuck = rows.filter((row) => row.stuck !== '').length;
  const when = `${format(parseISO(fromOn), 'd MMMM')} to ${format(parseISO(daysAfter(untilOn, -1)), 'd MMMM')}`;
  return `${when}: ${clients} ${clients === 1 ? 'client' : 'clients'}, done ${times} ${times === 1 ? 'time' : 'times'}, ${stuck === 0 ? 'nobody is stuck' : `${stuck} to look at`}.`;
}

function WeekRow({ row, fromOn, untilOn }: { row: WorkWeekRow; fromOn: string; untilOn: string }) {
  const { clientId, clientName, name, principleName, done, due, times, verdict, stuck } = row;
  const felt = done.flatMap((one) => (one.felt === null ? [] : one.felt));
  const lines = done.filter(({ line }) => line !== '');
  return (
    <tr className="border-t border-seam align-top">
      <th scope="row" className="py-2 pr-4 font-semibold">
        <Link className="hover:underline" to={`/clients/${clientId}/work`}>
          {clientName}
        </Link>
      </th>
      <td className="max-w-72 py-2 pr-4">
        {name}
        {principleName && principleName !== name && <span className="block text-small text-reed">{principleName}</span>}
        {stuck && <span className="block border-l-4 border-brick pl-2 text-small">{stuck}</span>}
        {lines.map(({ id, line }) => (
          <span key={id} className="block text-small">
            “{line}”
          </span>
        ))}
      </td>
      {daysOf(fromOn, untilOn).map((day) => {
        const key = format(day, 'yyyy-MM-dd');
        return <DayCell key={key} day={key} done={done.filter(({ doneOn }) => doneOn === key)} due={due.includes(key)} />;
      })}
      <td className="py-2 pr-4 text-small">
        {felt.length > 0 && feltWords[Math.round(felt.reduce((sum, one) => sum + one, 0) / felt.length)]}
      </td>
      <td className="py-2 pr-4 text-small">{verdict ? verdictWords[verdict] : times === 0 ? 'not done yet' : 'nothing to compare yet'}</td>
      <td className="time py-2 text-small text-reed">{times}×</td>
    </tr>
  );
}

/** A day: done, with what was counted; to be done; or nothing. */
function DayCell({ day, done, due }: { day: string; done: WorkWeekRow['done']; due: boolean }) {
  return (
    <td className="w-16 py-2 pr-2 text-small" data-day={day}>
      {done.length > 0 ? (
        <>
          <Check size={16} aria-label="done" className="text-pine" />
          {done.flatMap(({ id, counted }) =>
            counted.map((one, i) => (
              <span key={`${id} ${i}`} className="time block text-tiny">
                {countedWords(one)}
              </span>
            )),
          )}
        </>
      ) : (
        due && <Circle size={14} aria-label="to be done" className="text-reed" />
      )}
    </td>
  );
}
