import type { BoutSeconds, ClockSeconds } from '../footage/index.ts';
import type { TimedEvent } from './boutEvent.ts';
import { clockSlack } from './clockSlack.ts';
import type { TimedBout } from './timedBout.ts';

/** A stretch in which the bout clock runs, on the footage clock; `restart` is the event that began it, where one did. */
export interface Play {
  from: BoutSeconds;
  to: BoutSeconds;
  restart: Extract<TimedEvent, { kind: 'restart' }> | null;
}

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
}

/**
 * Reads the clock off stoppages and restarts (docs/domain.md §2). A stoppage without a restart lasts to the end; a second stoppage, or a
 * restart without one, changes nothing.
 */
export function boutClock({ lengthSeconds, events }: Pick<TimedBout, 'lengthSeconds' | 'events'>): BoutClock {
  const plays = playsOf(lengthSeconds, events);
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
  return { plays, total, at, footageAt, playAt };
}

function playsOf(lengthSeconds: number, events: TimedBout['events']): Play[] {
  // Most bouts are never stopped.
  if (!events.some(({ kind }) => kind === 'stoppage')) return [{ from: 0, to: lengthSeconds, restart: null }];
  const plays: Play[] = [];
  let open: Play | null = { from: 0, to: lengthSeconds, restart: null };
  for (const event of [...events].sort((a, b) => a.at - b.at)) {
    if (event.kind === 'stoppage' && open) {
      plays.push({ ...open, to: Math.min(Math.max(event.at, open.from), lengthSeconds) });
      open = null;
    } else if (event.kind === 'restart' && !open && event.at < lengthSeconds) open = { from: event.at, to: lengthSeconds, restart: event };
  }
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
