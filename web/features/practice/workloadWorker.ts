import type { WorkloadSource } from '@lean-mentor/contract';
import {
  badStretches,
  deskTimeFrom,
  roomFor,
  simulateStream,
  type PastReview,
  type RequestSource,
  type StreamForecast,
  type StreamInput,
} from '@lean-mentor/core/queue';

export interface WorkloadAsked {
  id: number;
  sources: readonly WorkloadSource[];
  input: Omit<StreamInput, 'sources' | 'deskTime'> & { past: readonly PastReview[] };
}
export interface WorkloadAnswered {
  id: number;
  weeks: StreamForecast['weeks'];
  /** Share of the simulated stretches in which more than a tenth of the requests is late. */
  bad: number;
  /** How many more clients of each plan could be taken, by its id. */
  room: Record<string, number>;
}

/** A round nobody has sent yet, minutes. */
const someRound = { kind: 'sparring', minutes: 6 } as const;
/** A client of a plan nobody has sent anything on: so many requests in so many weeks are believed, until there are some. */
const believed = { requests: 1, weeks: 4 };

const keyOf = ({ planId }: WorkloadSource): string => planId ?? '';

const sourceOf = (source: WorkloadSource): RequestSource => ({
  plan: keyOf(source),
  clients: source.clients,
  seen: source.clientWeeks > 0 ? { requests: source.requests, weeks: source.clientWeeks } : believed,
  planRank: source.planRank,
  turnaround: source.turnaround,
  spoken: source.spoken,
  bouts: source.bouts.length > 0 ? source.bouts : [someRound],
});

/** The weeks ahead, and how many more clients of each plan they could take. */
export function answerWorkload({ id, sources, input: { past, ...input } }: WorkloadAsked): WorkloadAnswered {
  const stream: StreamInput = { ...input, deskTime: deskTimeFrom(past), sources: sources.map(sourceOf) };
  const forecast = simulateStream(stream);
  const plans = sources.filter(({ planId }) => planId !== null);
  return {
    id,
    weeks: forecast.weeks,
    bad: badStretches(forecast),
    room: Object.fromEntries(plans.map((source) => [keyOf(source), roomFor(keyOf(source), stream)])),
  };
}

if (typeof document === 'undefined' && typeof addEventListener === 'function')
  addEventListener('message', ({ data }: MessageEvent<WorkloadAsked>) => postMessage(answerWorkload(data)));
