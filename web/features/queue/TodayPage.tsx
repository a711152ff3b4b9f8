import { atRiskFrom, dayInShort, estimateDeskMinutes, type OrderPolicy, type PolicyForecast } from '@lean-mentor/core/queue';
import { endOfDay, format } from 'date-fns';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { Fetched } from '../../shared/fetched/index.ts';
import { dayAndHour } from '../../shared/time/dayWords.ts';
import { faultWords } from '../../shared/wire/index.ts';
import { useAccount } from '../access/index.ts';
import { OpenQuestions } from '../critique/index.ts';
import { WorkToSee } from '../work/index.ts';
import { useGetTodayQuery, usePlaceRequestMutation, useSetPolicyMutation } from './api.ts';
import { DayPlan } from './DayPlan.tsx';
import { deskTimeOf, scheduled, type Today } from './daySchedule.ts';
import { Doubts } from './Doubts.tsx';
import { HandOvers } from './HandOvers.tsx';
import { OrderTable } from './OrderTable.tsx';
import { RequestList } from './RequestList.tsx';
import { useSchedule } from './useSchedule.ts';
import { dayLine, missedWords } from './words.ts';

function line(today: Today, forecast: PolicyForecast, now: Date): string {
  const time = deskTimeOf(today);
  const reviews = new Map(
    scheduled(today).map((row) => {
      const { minutes } = estimateDeskMinutes(time, { kind: row.reviewKind, boutMinutes: row.boutMinutes, spoken: row.spoken });
      return [row.id, { dueAt: Date.parse(row.dueAt), minutes: Math.max(minutes - row.spentMinutes, minutes / 10) }];
    }),
  );
  const away = today.pauses.find(({ fromAt, untilAt }) => fromAt <= today.now && today.now < untilAt);
  return dayLine(dayInShort(forecast.reviews, reviews, now.getTime(), endOfDay(now).getTime()), now, away?.untilAt ?? null);
}

/** The coach's first screen: the day as it will go, and what waits, in order. */
export function TodayPage() {
  // Progress of footage arrives by itself; the plan drifts with the clock.
  const fetched = useGetTodayQuery(undefined, { pollingInterval: 60_000, refetchOnMountOrArgChange: true });
  const { data } = fetched;
  const schedules = useSchedule(data);
  const isCoach = useAccount()?.role === 'coach';
  const [chosen, setChosen] = useState<OrderPolicy | null>(null);
  const [setPolicy] = useSetPolicyMutation();
  const [placeRequest] = usePlaceRequestMutation();
  const deskTime = useMemo(() => data && deskTimeOf(data), [data]);
  const now = new Date();
  const looked = chosen ?? data?.policy ?? 'due-first';
  const forecast = schedules[looked]?.forecast;
  const keep = async (): Promise<void> => {
    const { error } = await setPolicy({ policy: looked });
    if (error) toast(faultWords(error));
    else setChosen(null);
  };
  const move = async (requestId: string, place: number | null): Promise<void> => {
    const { error } = await placeRequest({ requestId, place });
    if (error) toast(faultWords(error));
  };
  return (
    <main className="py-8">
      <p className="text-small text-reed">{format(now, 'EEEE d MMMM')}</p>
      <h1 className="mb-8 text-banner">{data && forecast ? line(data, forecast, now) : 'Today'}</h1>
      <div className="grid grid-cols-[300px_minmax(0,1fr)] gap-10">
        <section aria-label="The plan">
          {data && <DayPlan today={data} forecast={forecast} now={now} />}
          {forecast && forecast.order.length > 0 && (
            <p className="mt-3 text-small text-reed">
              A review is drawn to where it ends in the middle of cases; the thin line goes on to where eight of ten are over.
            </p>
          )}
        </section>
        <div className="min-w-0">
          {data && forecast && <AtRisk today={data} forecast={forecast} now={now} />}
          <HandOvers now={now} />
          <OpenQuestions now={now} />
          <WorkToSee />
          <Doubts />
          <Fetched of={fetched} />
          {data && data.rows.length > 1 && (
            <OrderTable
              schedules={schedules}
              kept={data.policy}
              looked={looked}
              mayKeep={isCoach}
              onLook={(policy) => setChosen(policy === data.policy ? null : policy)}
              onKeep={() => void keep()}
            />
          )}
          {data && deskTime && (
            <RequestList
              rows={data.rows}
              deskTime={deskTime}
              kept={schedules[data.policy]?.forecast}
              looked={forecast}
              now={now}
              onMove={(requestId, place) => void move(requestId, place)}
            />
          )}
        </div>
      </div>
    </main>
  );
}

/** Promises at risk most are named, and how many more there are. */
const mostNamed = 4;

/** Promises that have passed or will probably not hold, the worst first. Nothing where all hold. */
function AtRisk({ today, forecast, now }: { today: Today; forecast: PolicyForecast; now: Date }) {
  const shareOf = new Map(forecast.reviews.map(({ id, lateShare }) => [id, lateShare]));
  const risky = scheduled(today)
    .map((row) => ({ row, share: Date.parse(row.dueAt) < now.getTime() ? 1 : (shareOf.get(row.id) ?? 0) }))
    .filter(({ share }) => share >= atRiskFrom)
    .sort((a, b) => b.share - a.share || (a.row.dueAt < b.row.dueAt ? -1 : 1));
  if (risky.length === 0) return null;
  return (
    <section aria-label="Promises at risk" className="mb-6">
      <h2 className="mb-1 text-desk">{risky.length === 1 ? 'One promise at risk' : `${risky.length} promises at risk`}</h2>
      <ol className="divide-y divide-seam border-y border-seam">
        {risky.slice(0, mostNamed).map(({ row, share }) => {
          const broken = Date.parse(row.dueAt) < now.getTime();
          return (
            <li key={row.id} className="flex items-baseline gap-4 py-1.5">
              <Link to={`/requests/${row.id}/desk`} className="linked w-44 shrink-0 truncate">
                {row.clientName}
              </Link>
              <span className="min-w-0 grow truncate text-reed">{row.question}</span>
              <span className={`shrink-0 ${broken ? 'font-semibold text-brick' : ''}`}>
                {broken ? `was promised ${dayAndHour(row.dueAt, now)}` : `promised ${dayAndHour(row.dueAt, now)}, ${missedWords(share)}`}
              </span>
            </li>
          );
        })}
      </ol>
      {risky.length > mostNamed && <p className="mt-1 text-small text-reed">and {risky.length - mostNamed} more, under “At risk” below.</p>}
    </section>
  );
}
