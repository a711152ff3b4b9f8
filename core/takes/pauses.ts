import { leftOf } from './cuts.ts';
import type { Take, TakeEvent, TakeStretch } from './take.ts';

/** A silence longer than this is shortened, to this much of it, in seconds. */
export const longestPause = 1.2;
export const pauseKept = 0.5;

/** Stretches in which something moves on the stage: the footage runs, a stroke grows, the view is dragged. */
function busyOf({ events, seconds }: Pick<Take, 'events' | 'seconds'>): TakeStretch[] {
  const busy: TakeStretch[] = [];
  let runsFrom: number | null = null;
  for (const event of events) {
    if ('frame' in event) {
      if (runsFrom !== null) busy.push({ from: runsFrom, to: event.t });
      runsFrom = 'rate' in event && event.rate !== 0 ? event.t : null;
    }
    busy.push({ from: event.t, to: event.t + growsFor(event) });
  }
  if (runsFrom !== null) busy.push({ from: runsFrom, to: seconds });
  return busy.sort((a, b) => a.from - b.from);
}

/** How long something goes on after its event, in seconds. */
function growsFor(event: TakeEvent): number {
  const strokes = event.kind === 'stroke' ? [{ ...event, ago: 0 }] : event.kind === 'stage' ? event.strokes : [];
  return Math.max(0, ...strokes.map(({ points, ago }) => Math.max(0, ...points.map(([, , ms]) => ms / 1000)) - ago));
}

/**
 * What to cut out of a take so that no pause is long: of each silence in which nothing moves on the stage either, all but half a second,
 * the middle of it. `silences` ascend, in seconds of the recording.
 */
export function pausesToCut(take: Pick<Take, 'events' | 'seconds'>, silences: readonly TakeStretch[]): TakeStretch[] {
  const busy = busyOf(take);
  return silences.flatMap((silence) =>
    leftOf(silence, busy)
      .filter((rest) => rest.to - rest.from > longestPause)
      .map((rest) => ({ from: rest.from + pauseKept / 2, to: rest.to - pauseKept / 2 })),
  );
}
