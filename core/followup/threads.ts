import type { BookPrinciple } from '../book/index.ts';
import { exposureMinutes } from '../fixes/index.ts';
import type { Athlete, BoutStats } from '../scoring/index.ts';
import { fixProgress, type FixProgress, type FixSeries } from './fixProgress.ts';
import { threadState, type ThreadState } from './threadState.ts';

/** A reviewed request of a client, as far as its fixes are followed. */
export interface ThreadRequest {
  requestId: string;
  /** Instant, ISO 8601. */
  sentAt: string;
  notes: readonly { principleId: string | null; kind: 'mistake' | 'missed-chance' | 'good' | 'question' | 'caution'; athlete: Athlete }[];
  /** Time by position over its bouts, and all of it in minutes of the bout clock. */
  time: BoutStats['time'];
  minutes: number;
  /** Principles sent as fixes, in their order. */
  sent: readonly string[];
}

export interface ThreadPoint {
  requestId: string;
  sentAt: string;
  /** Whether it was sent as a fix then. */
  given: boolean;
  /** Mistakes in minutes, or successes in chances. Null exposure: nothing to count against. */
  count: number;
  exposure: number;
  value: number | null;
  interval: readonly [number, number] | null;
}

/** One principle across a client's requests. */
export interface FixThread {
  principleId: string;
  counts: FixSeries['kind'];
  points: ThreadPoint[];
  progress: FixProgress;
  state: ThreadState;
}

type ThreadPrinciple = Pick<BookPrinciple, 'id' | 'where' | 'chances'>;

interface Counted {
  request: ThreadRequest;
  count: number;
  exposure: number;
}

function countIn(request: ThreadRequest, principle: ThreadPrinciple): Counted {
  const own = request.notes.filter(({ principleId, athlete }) => principleId === principle.id && athlete === 'client');
  const wrong = own.filter(({ kind }) => kind === 'mistake' || kind === 'missed-chance').length;
  const good = own.filter(({ kind }) => kind === 'good').length;
  return principle.chances
    ? { request, count: good, exposure: good + wrong }
    : { request, count: wrong, exposure: exposureMinutes(principle, request.time, request.minutes) };
}

const seriesOf = (kind: FixSeries['kind'], counted: readonly Counted[]): FixSeries =>
  kind === 'chance'
    ? { kind, series: counted.map(({ count, exposure }) => ({ successes: count, chances: exposure })) }
    : { kind, series: counted.map(({ count, exposure }) => ({ mistakes: count, exposureMinutes: exposure })) };

/** How often it goes wrong: the rate itself, or the share of chances that were missed. */
const wrongShare = (kind: FixSeries['kind'], { count, exposure }: Counted): number =>
  kind === 'chance' ? 1 - count / exposure : count / exposure;

/**
 * A principle followed from the first request in which it came up (docs/domain.md §7). Requests are given oldest first, reviewed ones only:
 * that
 * nothing was noted says something only where somebody looked. Requests with nothing to count against are shown and not compared.
 */
export function fixThread(principle: ThreadPrinciple, requests: readonly ThreadRequest[]): FixThread {
  const kind = principle.chances ? 'chance' : 'rate';
  const first = requests.findIndex(
    ({ notes, sent }) => sent.includes(principle.id) || notes.some((note) => note.principleId === principle.id && note.kind !== 'good'),
  );
  const counted = first < 0 ? [] : requests.slice(first).map((request) => countIn(request, principle));
  const compared = counted.filter(({ exposure }) => exposure > 0);
  const progress = fixProgress(seriesOf(kind, compared));
  const steps = compared.map((one, i) => ({
    rate: wrongShare(kind, one),
    verdict: i === 0 ? ('too-little' as const) : fixProgress(seriesOf(kind, [compared[0]!, one])).verdict,
  }));
  return {
    principleId: principle.id,
    counts: kind,
    points: counted.map((one) => {
      const at = compared.indexOf(one);
      const { requestId, sentAt, sent } = one.request;
      const { value, interval } = progress.perRequest[at] ?? { value: null, interval: null };
      return { requestId, sentAt, given: sent.includes(principle.id), count: one.count, exposure: one.exposure, value, interval };
    }),
    progress,
    state: threadState(steps),
  };
}

/** The threads of a client: every principle that was sent as a fix, the last given first. */
export function fixThreads(principles: readonly ThreadPrinciple[], requests: readonly ThreadRequest[]): FixThread[] {
  const lastGiven = new Map<string, number>();
  requests.forEach(({ sent }, i) => sent.forEach((id) => lastGiven.set(id, i)));
  return principles
    .filter(({ id }) => lastGiven.has(id))
    .sort((a, b) => lastGiven.get(b.id)! - lastGiven.get(a.id)! || (a.id < b.id ? -1 : 1))
    .map((principle) => fixThread(principle, requests));
}
