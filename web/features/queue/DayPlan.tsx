import type * as contract from '@lean-mentor/contract';
import type { ResponseOf } from '@lean-mentor/contract';
import { format } from 'date-fns';
import { Link } from 'react-router';
import { dayAndHour, dayWords } from '../../shared/time/dayWords.ts';

export type Today = ResponseOf<typeof contract.getToday>;

/** Windows shown even when nothing lies in them yet. */
const leastWindows = 3;

/** The days ahead as working windows with the reviews laid into them and the promise each must meet. */
export function DayPlan({ today: { windows, plan, rows }, now }: { today: Today; now: Date }) {
  const rowOf = new Map(rows.map((r) => [r.id, r]));
  const used = windows.filter((w, i) => i < leastWindows || plan.some((p) => p.startAt < w.toAt && p.endAt > w.fromAt));
  return (
    <ol className="flex flex-col gap-5">
      {used.map((window) => {
        const inside = plan.filter((p) => p.startAt >= window.fromAt && p.startAt < window.toAt);
        return (
          <li key={window.fromAt}>
            <p className="flex justify-between border-b border-ink pb-1">
              <span className="font-semibold first-letter:uppercase">{dayWords(window.fromAt, now)}</span>
              <span className="time text-reed">
                {format(window.fromAt, 'H:mm')}–{format(window.toAt, 'H:mm')}
              </span>
            </p>
            {inside.length === 0 && <p className="border-l border-seam py-2 pl-3 text-small text-reed">Free</p>}
            <ol>
              {inside.map((p) => {
                const row = rowOf.get(p.requestId);
                return (
                  <li key={p.requestId} className="border-b border-l border-seam border-l-pine">
                    <Link to={`/requests/${p.requestId}/desk`} className="grid grid-cols-[3.4rem_1fr] gap-x-2 py-2 pl-3 hover:bg-linen">
                      <span className="time pt-0.5">{format(p.startAt, 'H:mm')}</span>
                      <span>
                        <span className="block font-semibold">{row?.clientName}</span>
                        <span className={`block text-small ${p.late ? 'font-semibold text-brick' : 'text-reed'}`}>
                          {p.late ? 'Misses its promise, ' : 'Promised for '}
                          {row && dayAndHour(row.dueAt, now)}
                        </span>
                      </span>
                    </Link>
                  </li>
                );
              })}
            </ol>
          </li>
        );
      })}
    </ol>
  );
}
