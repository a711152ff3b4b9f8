import { leftOf } from './cuts.ts';
import type { Take, TakeEvent, TakeStretch } from './take.ts';

/** A silence longer than this is shortened, to this much of it, in seconds. */
export const longestPause = 1.2;
export const pauseKept = 0.5;

/** From each event that says so until the next that says otherwise, something runs. `runs`: undefined where an event says nothing of it. */
function runningOf({ events, seconds }: Pick<Take, 'events' | 'seconds'>, runs: (event: TakeEvent) => boolean | undefined): TakeStretch[] {
  const running: TakeStretch[] = [];
  let from: number | null = null;
  for (const event of events) {
    const now = runs(event);
    if (now === undefined) continue;
    if (from !== null) running.push({ from, to: event.t });
    from = now ? event.t : null;
  }
  return from === null ? running : [...running, { from, to: seconds }];
}

const footageRuns = (event: TakeEvent): boolean | undefined => ('frame' in event ? 'rate' in event && event.rate !== 0 : undefined);
const trayRuns = (event: TakeEvent): boolean | undefined =>
  event.kind === 'compare'
    ? event.shown !== null && event.shown.rate !== 0
    : event.kind === 'stage'
      ? Boolean(event.compare && event.compare.rate !== 0)
      : undefined;

/** Stretches in which something moves on the stage: the footage runs, or what is compared; a stroke grows, the view is dragged. */
function busyOf(take: Pick<Take, 'events' | 'seconds'>): TakeStretch[] {
  const grows = take.events.map((event) => ({ from: event.t, to: event.t + growsFor(event) }));
  return [...runningOf(take, footageRuns), ...runningOf(take, trayRuns), ...grows].sort((a, b) => a.from - b.from);
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
