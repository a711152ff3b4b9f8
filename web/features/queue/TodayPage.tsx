import { durationText } from '@lean-mentor/core/footage';
import { planSummary } from '@lean-mentor/core/queue';
import { endOfDay, format } from 'date-fns';
import { Fetched } from '../../shared/fetched/index.ts';
import { Empty } from '../../shared/primitives/index.ts';
import { dayWords } from '../../shared/time/dayWords.ts';
import { OpenQuestions } from '../critique/index.ts';
import { useGetTodayQuery } from './api.ts';
import { DayPlan, type Today } from './DayPlan.tsx';
import { RequestRow } from './RequestRow.tsx';

function todayLine({ plan, rows }: Today, now: Date): string {
  const minutes = new Map(rows.map((r) => [r.id, r.estimatedDeskMinutes]));
  const reviews = plan.map((p) => ({ id: p.requestId, startAt: Date.parse(p.startAt), endAt: Date.parse(p.endAt), late: p.late }));
  const { reviewsToday, minutesToday, firstLateAt } = planSummary(reviews, (id) => minutes.get(id) ?? 0, endOfDay(now).getTime());
  const many =
    reviewsToday === 0
      ? 'No reviews today'
      : `${reviewsToday} ${reviewsToday === 1 ? 'review' : 'reviews'} today, ${durationText(Math.max(minutesToday, 1) * 60)}`;
  return `${many}, ${firstLateAt === null ? 'nothing late' : `late from ${dayWords(firstLateAt, now)}`}.`;
}

/** The coach's first screen: the day as it will go, and what waits, in order. */
export function TodayPage() {
  // Progress of footage arrives by itself; the plan drifts with the clock.
  const fetched = useGetTodayQuery(undefined, { pollingInterval: 60_000, refetchOnMountOrArgChange: true });
  const { data } = fetched;
  const now = new Date();
  return (
    <main className="py-8">
      <p className="text-small text-reed">{format(now, 'EEEE d MMMM')}</p>
      <h1 className="mb-8 text-banner">{data ? todayLine(data, now) : 'Today'}</h1>
      <div className="grid grid-cols-[290px_1fr] gap-12">
        <section aria-label="The plan">{data && <DayPlan today={data} now={now} />}</section>
        <section aria-label="Requests, due first">
          <OpenQuestions now={now} />
          <Fetched of={fetched} />
          {data?.rows.length === 0 && <Empty>Nothing waits. A request appears here as soon as a client sends footage.</Empty>}
          <ol className="divide-y divide-seam border-y border-seam empty:hidden">
            {data?.rows.map((row) => (
              <RequestRow key={row.id} row={row} planned={data.plan.find((p) => p.requestId === row.id)} now={now} />
            ))}
          </ol>
        </section>
      </div>
    </main>
  );
}
