import type * as contract from '@lean-mentor/contract';
import { hoursWithPauses, type ResponseOf, type WorkloadSource } from '@lean-mentor/contract';
import { seasonFactor } from '@lean-mentor/core/queue';
import { addDays, format } from 'date-fns';
import { useEffect, useState } from 'react';
import { Bar, CartesianGrid, ComposedChart, ErrorBar, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { Fetched } from '../../shared/fetched/index.ts';
import { Empty, TableHead } from '../../shared/primitives/index.ts';
import { useGetWorkloadQuery } from './api.ts';
import { DeskTimePart } from './DeskTimePart.tsx';
import { turnaroundWords } from '../plans/index.ts';
import type { WorkloadAnswered, WorkloadAsked } from './workloadWorker.ts';

type Workload = ResponseOf<typeof contract.getWorkload>;

/** As many as the server tells the seasons of. */
const weeksAhead = 8;
const runs = 300;
const seed = 1;
let asked = 0;

/** The weeks ahead, computed in a worker; null until they are there. */
function useForecast(workload: Workload): Omit<WorkloadAnswered, 'id'> | null {
  const [answer, setAnswer] = useState<WorkloadAnswered | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('./workloadWorker.ts', import.meta.url), { type: 'module' });
    const id = (asked += 1);
    worker.onmessage = ({ data }: MessageEvent<WorkloadAnswered>) => {
      if (data.id === id) setAnswer(data);
    };
    const { sources, hours, pauses, policy, past, now, seasons } = workload;
    const input = { hours: hoursWithPauses(hours, pauses), nowAt: Date.parse(now), weeks: weeksAhead, policy, seed, runs, past, seasons };
    worker.postMessage({ id, sources, input } satisfies WorkloadAsked);
    return () => worker.terminate();
  }, [workload]);
  return answer;
}

/** Hours that will come in against hours there are, how many more clients they could take, and what a plan pays an hour. */
export function WorkloadPart() {
  const fetched = useGetWorkloadQuery(undefined, { refetchOnMountOrArgChange: true });
  return <Fetched of={fetched}>{(workload) => <Forecast workload={workload} />}</Fetched>;
}

function Forecast({ workload }: { workload: Workload }) {
  const forecast = useForecast(workload);
  if (workload.sources.length === 0) return <Empty>Nobody sends anything yet. Invite clients and give them plans first.</Empty>;
  return (
    <div className="flex flex-col gap-8">
      <section aria-label="Weeks ahead" className="flex flex-col gap-3">
        <h2 className="border-t border-ink pt-2 text-desk">Hours of work that come in, week by week</h2>
        {forecast ? (
          <Weeks forecast={forecast} seasons={workload.seasons} now={new Date(workload.now)} />
        ) : (
          <p role="status">The weeks ahead are being drawn …</p>
        )}
      </section>
      <section aria-label="By plan" className="flex flex-col gap-3">
        <h2 className="border-t border-ink pt-2 text-desk">By plan, over the last {workload.weeks} weeks</h2>
        <PlanTable workload={workload} room={forecast?.room ?? null} />
        <p className="max-w-2xl text-small text-reed">
          So many more clients of a plan can be taken while, in 300 drawn stretches of {weeksAhead} weeks, fewer than a fifth have more than
          a tenth of their requests late. A request rate is drawn from what was counted; a plan on which nothing was sent yet is believed to
          bring one request in four weeks.
        </p>
      </section>
      <DeskTimePart past={workload.past} hands={workload.hands} weeks={workload.weeks} />
    </div>
  );
}

function Weeks({ forecast, seasons, now }: { forecast: Omit<WorkloadAnswered, 'id'>; seasons: Workload['seasons']; now: Date }) {
  const { weeks, bad } = forecast;
  const data = weeks.map(({ low, middle, high, windows }, i) => ({
    week: format(addDays(now, i * 7), 'd MMM'),
    middle,
    range: [middle - low, high - middle],
    windows,
  }));
  return (
    <>
      <p className="text-read">
        {stretchWords(bad)} of eight weeks {bad < 0.005 ? 'has' : 'have'} more than a tenth of the requests late.
      </p>
      <div className="h-56" role="img" aria-label={`Hours that come in and hours there are, for ${weeks.length} weeks`}>
        <ResponsiveContainer width="100%" height="100%">
          <ComposedChart data={data} margin={{ top: 8, right: 8, bottom: 0, left: -16 }}>
            <CartesianGrid vertical={false} stroke="var(--color-seam)" />
            <XAxis dataKey="week" tick={{ fill: 'var(--color-reed)', fontSize: 12 }} stroke="var(--color-seam)" />
            <YAxis unit=" h" tick={{ fill: 'var(--color-reed)', fontSize: 12 }} stroke="var(--color-seam)" />
            <Bar dataKey="middle" fill="var(--color-pine)" barSize={26} isAnimationActive={false}>
              <ErrorBar dataKey="range" stroke="var(--color-ink)" width={6} />
            </Bar>
            <Line dataKey="windows" type="step" stroke="var(--color-brass)" strokeWidth={2} dot={false} isAnimationActive={false} />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <p className="text-small text-reed">{seasonWords(seasons.ahead)}</p>
      <p className="text-small text-reed">Bars: hours that come in, with the range of eight in ten. Line: hours you work.</p>
      <table className="sr-only">
        <tbody>
          {data.map(({ week, middle, windows }) => (
            <tr key={week}>
              <th scope="row">{week}</th>
              <td>{middle.toFixed(1)} h come in</td>
              <td>{windows.toFixed(1)} h there are</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** What earlier years say of the weeks ahead. */
function seasonWords(ahead: Workload['seasons']['ahead']): string {
  if (ahead.every(({ expected }) => expected === 0)) return 'Seasons are reckoned with once a year of requests is there.';
  const said = ahead.map((season) => `${seasonFactor(season).toFixed(1)} times`);
  return `By the same weeks of earlier years, ${said.join(', then ')} as much as in ordinary weeks comes in.`;
}

const stretchWords = (bad: number): string =>
  bad < 0.005 ? 'None of the drawn stretches' : `${Math.max(1, Math.round(bad * 100))} % of the drawn stretches`;

const rateWords = ({ requests, clientWeeks }: WorkloadSource): string =>
  clientWeeks === 0 ? '–' : `${((requests / clientWeeks) * 4).toFixed(1)} in 4 weeks`;
const hourWords = ({ paid, deskMinutes }: WorkloadSource, currency: string): string =>
  deskMinutes < 30 ? 'too little measured' : `${((Number(paid) / deskMinutes) * 60).toFixed(0)} ${currency} an hour`;

function PlanTable({ workload: { sources, currency }, room }: { workload: Workload; room: Record<string, number> | null }) {
  return (
    <table className="w-full text-left">
      <TableHead columns={['Plan', 'Clients', 'Requests', 'A client sends', 'At the desk', 'Promised within', 'Pays', 'Room for']} />
      <tbody className="divide-y divide-seam border-y border-seam">
        {sources.map((source) => (
          <tr key={source.planId ?? ''}>
            <th scope="row" className="py-2 pr-4 font-semibold">
              {source.planName}
            </th>
            <td className="pr-4">{source.clients}</td>
            <td className="pr-4">{source.requests}</td>
            <td className="pr-4">{rateWords(source)}</td>
            <td className="pr-4">{(source.deskMinutes / 60).toFixed(1)} h</td>
            <td className="pr-4">{turnaroundWords(source.turnaround)}</td>
            <td className="pr-4">{source.planId === null ? '–' : hourWords(source, currency)}</td>
            <td className="font-semibold">{source.planId === null ? '' : room === null ? '…' : roomWords(room[source.planId] ?? 0)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const roomWords = (more: number): string => (more === 0 ? 'none' : more >= 200 ? '200 or more' : `${more} more`);
