import type { BoutSeconds, ClockSeconds } from '../footage/index.ts';
import type { TimedEvent } from './boutEvent.ts';
import { clockSlack } from './clockSlack.ts';
import type { TimedBout } from './timedBout.ts';

/** A stretch in which the bout clock runs, on the footage clock; `restart` is the event that began it, where one did. */
export interface Play {
  from: BoutSeconds;
  to: BoutSeconds;
  restart: Extract<TimedEvent, { kind: 'restart' }> | null;
  /** Whether a finish came before it, so that nothing that was before counts for it. */
  isNewFall: boolean;
  /** The finish that ended its fall, where the two start again after one. */
  tap: Finish | null;
}
export type Finish = Extract<TimedEvent, { kind: 'finish' }>;

/** The bout clock: seconds of the bout less its stoppages. */
export interface BoutClock {
  plays: readonly Play[];
  /** All of it, in bout clock seconds. */
  total: ClockSeconds;
  /** Bout clock seconds at a second of the footage clock; it stands still in a stoppage. */
  at: (seconds: BoutSeconds) => ClockSeconds;
  /** The first second of the footage clock at which the bout clock shows this. */
  footageAt: (clock: ClockSeconds) => BoutSeconds;
  /** In which of the plays a second of the footage clock is, from 0; in a stoppage the one before it. */
  playAt: (seconds: BoutSeconds) => number;
  /** In which fall a second of the footage clock is, from 0; between two in the one that ended. */
  fallAt: (seconds: BoutSeconds) => number;
}

export type ClockedBout = Pick<TimedBout, 'lengthSeconds' | 'events' | 'afterFinish'> & Partial<Pick<TimedBout, 'spans'>>;

/**
 * Reads the clock off stoppages and restarts (docs/domain.md §2). A stoppage without a restart lasts to the end; a second stoppage, or a
 * restart without one, changes nothing. Where the two start again after a finish, the clock stands from it until a restart, or,
 * where none is coded, until the next position begins.
 */
export function boutClock(bout: ClockedBout): BoutClock {
  const plays = playsOf(bout);
  let total = 0;
  for (const { from, to } of plays) total += to - from;
  const at = (seconds: BoutSeconds): ClockSeconds => {
    let gone = 0;
    for (const { from, to } of plays) gone += Math.min(Math.max(seconds - from, 0), to - from);
    return gone;
  };
  const footageAt = (clock: ClockSeconds): BoutSeconds => {
    let before = 0;
    for (const { from, to } of plays) {
      if (clock <= before + to - from) return from + Math.max(0, clock - before);
      before += to - from;
    }
    return plays.at(-1)?.to ?? 0;
  };
  const playAt = (seconds: BoutSeconds): number =>
    Math.max(
      0,
      plays.findLastIndex(({ from }) => from <= seconds + clockSlack),
    );
  const fallStarts = plays.filter(({ isNewFall }) => isNewFall).map(({ from }) => from);
  const fallAt = (seconds: BoutSeconds): number => fallStarts.filter((from) => from <= seconds + clockSlack).length;
  return { plays, total, at, footageAt, playAt, fallAt };
}

function playsOf({ lengthSeconds, events, spans = [], afterFinish }: ClockedBout): Play[] {
  const isTap = (event: TimedEvent): event is Finish => event.kind === 'finish' && afterFinish === 'restarts';
  const whole: Play = { from: 0, to: lengthSeconds, restart: null, isNewFall: false, tap: null };
  // Most bouts are never stopped.
  if (!events.some((event) => event.kind === 'stoppage' || isTap(event))) return [whole];
  const plays: Play[] = [];
  let open: Play | null = whole;
  /** Of the finish after which no fall has begun yet, and whether the referee holds them. */
  let tappedAt: BoutSeconds | null = null;
  let held = false;
  const close = (at: BoutSeconds): void => {
    if (open) plays.push({ ...open, to: Math.min(Math.max(at, open.from), lengthSeconds) });
    open = null;
  };
  const begin = (from: BoutSeconds, restart: Play['restart']): void => {
    if (from < lengthSeconds) open = { from, to: lengthSeconds, restart, isNewFall: tappedAt !== null, tap: null };
    [tappedAt, held] = [null, false];
  };
  /** The next position after a tap has begun before this. */
  const beginNextFall = (before: BoutSeconds): void => {
    if (tappedAt === null || open || held) return;
    const since = tappedAt - clockSlack;
    const next = spans.find(({ from }) => from >= since);
    if (next && next.from < before - clockSlack) begin(next.from, null);
  };
  const clocked = events.filter((event) => ['stoppage', 'restart'].includes(event.kind) || isTap(event)).sort((a, b) => a.at - b.at);
  for (const [i, event] of clocked.entries()) {
    beginNextFall(event.at);
    if (isTap(event)) {
      close(event.at);
      // A second one before they went on ends nothing more.
      plays.at(-1)!.tap ??= event;
      tappedAt ??= event.at;
      // A restart that follows says itself when they went on.
      held ||= clocked[i + 1]?.kind === 'restart';
    } else if (event.kind === 'stoppage') {
      close(event.at);
      held = true;
    } else if (event.kind === 'restart' && !open) begin(event.at, event);
  }
  beginNextFall(lengthSeconds);
  if (open) plays.push(open);
  return plays;
}

/** What a clock shows: running down from the length where one is set, else running up; and whether it stands still. */
export function clockShown(
  clock: BoutClock,
  seconds: BoutSeconds,
  clockSeconds: ClockSeconds | null | undefined,
): { seconds: number; stopped: boolean } {
  const gone = clock.at(seconds);
  const stopped =
    seconds > 0 && !clock.plays.some(({ from, to }) => from <= seconds && seconds < to) && seconds < (clock.plays.at(-1)?.to ?? 0);
  // Before the start it counts towards it.
  return { seconds: clockSeconds ? clockSeconds - gone : seconds < 0 ? seconds : gone, stopped };
}
