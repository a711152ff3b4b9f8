import type { FrameIndex, FrameTable, Seconds } from '../footage/index.ts';
import { leftOf } from './cuts.ts';
import { frameOfMotion } from './motion.ts';
import type { Take, TakeStretch } from './take.ts';

/** A stretch of a recording over which the footage rests or runs evenly. */
export interface Motion extends TakeStretch {
  /** At its beginning. */
  frame: FrameIndex;
  rate: number;
  /** How far beyond the beginning of that frame it is there, in the footage's seconds. */
  into: Seconds;
}

/** How the footage moves under the voice, from beginning to end without a gap. */
export function motionsOf({ events, seconds }: Pick<Take, 'events' | 'seconds'>): Motion[] {
  const motions: Motion[] = [];
  for (const event of events) {
    if (!('frame' in event)) continue;
    const last = motions.at(-1);
    if (last) last.to = event.t;
    motions.push({
      from: event.t,
      to: seconds,
      frame: event.frame,
      rate: 'rate' in event ? event.rate : 0,
      into: event.kind === 'stage' ? (event.into ?? 0) : 0,
    });
  }
  return motions.filter(({ from, to }) => to > from);
}

/**
 * The frames that a take shows from an instant on, each once, in the order in which they come: what a decoder makes ready next. Cuts are
 * left out, so that nothing is decoded that is not shown. `most`: no more of them than that.
 */
export function wantedFrames(
  take: Pick<Take, 'events' | 'seconds'>,
  cuts: readonly TakeStretch[],
  table: FrameTable,
  from: Seconds,
  most: number,
) {
  const wanted = new Set<FrameIndex>();
  for (const motion of motionsOf(take)) {
    for (const { from: begins, to: ends } of leftOf({ ...motion, from: Math.max(motion.from, from) }, cuts)) {
      const first = frameOfMotion({ ...motion, t: motion.from }, begins, table);
      // Just before it ends: the next motion says what is shown there.
      const last = motion.rate === 0 ? first : frameOfMotion({ ...motion, t: motion.from }, ends - 1e-6, table);
      const step = last < first ? -1 : 1;
      for (let frame = first; frame !== last + step; frame += step) {
        wanted.add(frame);
        if (wanted.size >= most) return [...wanted];
      }
    }
  }
  return [...wanted];
}
