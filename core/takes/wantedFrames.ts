import type { FrameIndex, FrameTable, Seconds } from '../footage/index.ts';
import { frameOfMotion } from './stage.ts';
import type { Take, TakeStretch } from './take.ts';

/** A stretch of a recording over which the footage rests or runs evenly. */
export interface Motion extends TakeStretch {
  /** At its beginning. */
  frame: FrameIndex;
  rate: number;
}

/** How the footage moves under the voice, from beginning to end without a gap. */
export function motionsOf({ events, seconds }: Pick<Take, 'events' | 'seconds'>): Motion[] {
  const motions: Motion[] = [];
  for (const event of events) {
    if (!('frame' in event)) continue;
    const last = motions.at(-1);
    if (last) last.to = event.t;
    motions.push({ from: event.t, to: seconds, frame: event.frame, rate: 'rate' in event ? event.rate : 0 });
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
    for (const { from: begins, to: ends } of keptOf(motion, cuts, from)) {
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

/** What is left of a stretch from an instant on, without the cuts, which ascend. */
function keptOf({ from, to }: TakeStretch, cuts: readonly TakeStretch[], since: Seconds): TakeStretch[] {
  const kept: TakeStretch[] = [];
  let begins = Math.max(from, since);
  for (const cut of cuts) {
    if (cut.to <= begins || cut.from >= to) continue;
    if (cut.from > begins) kept.push({ from: begins, to: cut.from });
    begins = cut.to;
  }
  return begins < to ? [...kept, { from: begins, to }] : kept;
}
