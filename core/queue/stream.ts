import { drawsFrom, type Draws } from '../statistics/index.ts';
import { drawDeskTime, middleDeskMinutes, type DeskTime, type ReviewKind } from './deskTime.ts';
import { byPromise, type OrderPolicy } from './orders.ts';
import { blockWeeks, drawSeason, seasonFactor, type Seasons } from './seasons.ts';
import { workingWindows, type TimeSpan, type WorkingHours } from './workingHours.ts';

const hour = 3_600_000;
const weekMs = 7 * 24 * hour;

/** How long after it is ready a critique is promised: in hours of the coach's working windows, or of the calendar. */
export interface Turnaround {
  hours: number;
  kind: 'working' | 'calendar';
}

/** Clients alike who send requests at random moments. */
export interface RequestSource {
  plan: string;
  clients: number;
  /** Requests of one client in a week, as counted: so many in so many client-weeks. Its rate is drawn from what that leaves open. */
  seen: { requests: number; weeks: number };
  planRank: number;
  turnaround: Turnaround;
  spoken: boolean;
  /** What is sent: one of these, each as likely. */
  bouts: readonly { kind: ReviewKind; minutes: number }[];
}

export interface StreamInput {
  sources: readonly RequestSource[];
  hours: WorkingHours;
  nowAt: number;
  weeks: number;
  deskTime: DeskTime;
  policy: OrderPolicy;
  seed: number;
  runs: number;
  /** The seasons of the weeks ahead and of those the rates were counted in; left out, all weeks are alike. */
  seasons?: Seasons;
}

/** What weeks of requests lead to, run by run. */
export interface StreamForecast {
  /** Share of the finished and overdue requests that are late; 0 in a run without requests. */
  lateShares: number[];
  /** Hours at the desk that come in, in each week: middle and the range of eight of ten. */
  weeks: { low: number; middle: number; high: number; windows: number }[];
}

/** Working time as one line without gaps: how much has passed at an instant, and when so much has. */
export class WorkLine {
  readonly total: number;
  private readonly begins: number[] = [];

  constructor(private readonly windows: readonly TimeSpan[]) {
    let passed = 0;
    for (const { fromAt, toAt } of windows) {
      this.begins.push(passed);
      passed += toAt - fromAt;
    }
    this.total = passed;
  }

  /** Working ms passed at an instant (epoch ms). */
  passedAt(at: number): number {
    const i = lastBelow(this.windows.length, (w) => this.windows[w]!.fromAt <= at);
    if (i < 0) return 0;
    return this.begins[i]! + Math.min(at, this.windows[i]!.toAt) - this.windows[i]!.fromAt;
  }

  /** The instant (epoch ms) at which so many working ms have passed; infinite beyond the last window. */
  whenPassed(work: number): number {
    if (work > this.total || this.windows.length === 0) return Infinity;
    const i = Math.max(
      0,
      lastBelow(this.windows.length, (w) => this.begins[w]! < work),
    );
    return this.windows[i]!.fromAt + work - this.begins[i]!;
  }
}

/** Index of the last of `count` things for which a test holds that holds for a beginning of them; −1 when for none. */
function lastBelow(count: number, holds: (i: number) => boolean): number {
  let [low, high] = [-1, count - 1];
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (holds(middle)) low = middle;
    else high = middle - 1;
  }
  return low;
}

interface Arrival {
  id: string;
  client: string;
  readyAt: number;
  dueAt: number;
  planRank: number;
  /** Working time passed when it was ready. */
  ready: number;
  /** Working ms it takes, and what it was believed to take. */
  work: number;
  minutes: number;
}

/** Jeffreys' belief about a rate: half an event more than was seen. */
const halfAnEvent = 0.5;

/** The weeks ahead in blocks of one season each, with how many times as much comes in it as in ordinary weeks. */
function blocksOf({ weeks, seasons }: StreamInput, draws: Draws): { from: number; weeks: number; factor: number }[] {
  if (!seasons) return [{ from: 0, weeks, factor: 1 }];
  return seasons.ahead.map((season, i) => {
    const from = i * blockWeeks;
    return { from, weeks: Math.min(blockWeeks, weeks - from), factor: drawSeason(season, draws) };
  });
}

function arrivalsOf(input: StreamInput, line: WorkLine, draws: Draws): Arrival[] {
  const takes = drawDeskTime(input.deskTime, draws);
  const all: Arrival[] = [];
  const blocks = blocksOf(input, draws);
  // What was counted in a busy season is less in ordinary weeks.
  const usual = input.seasons ? seasonFactor(input.seasons.recent) : 1;
  input.sources.forEach((source, s) => {
    const rate = draws.gamma(source.seen.requests + halfAnEvent) / (source.seen.weeks * usual);
    for (let client = 0; client < source.clients; client++) {
      const moments = blocks.flatMap(({ from, weeks, factor }) =>
        Array.from({ length: draws.poisson(rate * factor * weeks) }, () => input.nowAt + (from + draws.uniform() * weeks) * weekMs),
      );
      moments.forEach((readyAt, i) => {
        const { kind, minutes } = source.bouts[Math.floor(draws.uniform() * source.bouts.length)]!;
        const review = { kind, boutMinutes: minutes, spoken: source.spoken };
        const ready = line.passedAt(readyAt);
        const promised = source.turnaround.hours * hour;
        all.push({
          id: `${s}.${client}.${i}`,
          client: `${s}.${client}`,
          readyAt,
          dueAt: source.turnaround.kind === 'calendar' ? readyAt + promised : line.whenPassed(ready + promised),
          planRank: source.planRank,
          ready,
          work: takes(review) * 60_000,
          minutes: middleDeskMinutes(input.deskTime, review),
        });
      });
    }
  });
  return all.sort((a, b) => a.readyAt - b.readyAt);
}

/** Which of two waiting requests is done first; the fairest share counts what each client has had. */
function firstBy(policy: OrderPolicy, had: ReadonlyMap<string, number>): (a: Arrival, b: Arrival) => number {
  if (policy === 'plan-rank') return (a, b) => a.planRank - b.planRank || byPromise(a, b);
  if (policy === 'shortest-first') return (a, b) => a.minutes - b.minutes || byPromise(a, b);
  if (policy === 'fair-share')
    return (a, b) => (had.get(a.client) ?? 0) - (had.get(b.client) ?? 0) || a.readyAt - b.readyAt || byPromise(a, b);
  // The least lateness of what waits would be a search at every step; over weeks it comes close to promised first.
  return byPromise;
}

/** Works off what arrives: calls `done` with each request and when it ends (epoch ms, infinite when it does not fit the windows). */
function workOff(arrivals: readonly Arrival[], line: WorkLine, policy: OrderPolicy, done: (arrival: Arrival, at: number) => void): void {
  const had = new Map<string, number>();
  const first = firstBy(policy, had);
  const waiting: Arrival[] = [];
  let [next, now] = [0, 0];
  while (next < arrivals.length || waiting.length > 0) {
    if (waiting.length === 0) now = Math.max(now, arrivals[next]!.ready);
    while (next < arrivals.length && arrivals[next]!.ready <= now) waiting.push(arrivals[next++]!);
    let best = 0;
    for (let i = 1; i < waiting.length; i++) if (first(waiting[i]!, waiting[best]!) < 0) best = i;
    const [taken] = waiting.splice(best, 1);
    had.set(taken!.client, (had.get(taken!.client) ?? 0) + 1);
    now += taken!.work;
    done(taken!, line.whenPassed(now));
  }
}

const at = (sorted: readonly number[], share: number): number => sorted[Math.max(0, Math.ceil(share * sorted.length) - 1)] ?? 0;

/** Weeks beyond those asked for in which what came at their end can still be done. */
const weeksAfter = 8;

/** Simulates the weeks ahead: requests come at random moments, are done by the policy, and are late or not. */
export function simulateStream(input: StreamInput): StreamForecast {
  const { hours, nowAt, weeks, runs, policy, seed } = input;
  const line = new WorkLine(workingWindows(hours, nowAt, nowAt + (weeks + weeksAfter) * weekMs));
  const draws = drawsFrom(seed);
  const comesIn = Array.from({ length: weeks }, () => [] as number[]);
  const lateShares = Array.from({ length: runs }, () => {
    const arrivals = arrivalsOf(input, line, draws);
    const work = new Array<number>(weeks).fill(0);
    for (const { readyAt, work: takes } of arrivals) work[Math.min(weeks - 1, Math.floor((readyAt - nowAt) / weekMs))]! += takes / hour;
    work.forEach((here, week) => comesIn[week]!.push(here));
    let late = 0;
    workOff(arrivals, line, policy, ({ dueAt }, finishAt) => {
      // Promises beyond the last window are as far away as it reaches: nothing can be late for them there.
      if (finishAt > dueAt || (finishAt === Infinity && dueAt !== Infinity)) late++;
    });
    return arrivals.length === 0 ? 0 : late / arrivals.length;
  });
  return {
    lateShares,
    weeks: comesIn.map((runsHere, week) => {
      const sorted = runsHere.sort((a, b) => a - b);
      const held = workingWindows(hours, nowAt + week * weekMs, nowAt + (week + 1) * weekMs);
      return {
        low: at(sorted, 0.1),
        middle: at(sorted, 0.5),
        high: at(sorted, 0.9),
        windows: held.reduce((h, w) => h + w.toAt - w.fromAt, 0) / hour,
      };
    }),
  };
}

/** More than this share of late requests is a bad stretch of weeks, and no more than this share of stretches may be bad. */
export const badLateShare = 0.1;
export const mostBadStretches = 0.2;
/** Nobody takes more new clients at once. */
const mostMore = 200;

/** Share of the runs in which more than a tenth of the requests is late. */
export const badStretches = ({ lateShares }: StreamForecast): number =>
  lateShares.filter((share) => share > badLateShare).length / lateShares.length;

/**
 * How many more clients of a plan can be taken: the greatest number at which, on the same draws, fewer than a fifth of the stretches have
 * more than a tenth of their requests late. 0 where already the present clients are too many; at most 200.
 */
export function roomFor(plan: string, input: StreamInput): number {
  const bad = (more: number): boolean =>
    badStretches(
      simulateStream({ ...input, sources: input.sources.map((s) => (s.plan === plan ? { ...s, clients: s.clients + more } : s)) }),
    ) >= mostBadStretches;
  if (bad(0)) return 0;
  let [good, tooMany] = [0, 1];
  while (tooMany <= mostMore && !bad(tooMany)) [good, tooMany] = [tooMany, tooMany * 2];
  while (tooMany - good > 1) {
    const middle = (good + tooMany) >> 1;
    if (middle > mostMore || bad(middle)) tooMany = middle;
    else good = middle;
  }
  return good;
}
