import type { FrameIndex, FrameTable } from '../footage/index.ts';
import { joinedCuts, leftOf } from './cuts.ts';
import { frameOfMotion } from './motion.ts';
import type { Take } from './take.ts';
import { motionsOf } from './wantedFrames.ts';

/** Frames of a footage, `toFrame` not among them. */
export interface FrameStretch {
  fromFrame: FrameIndex;
  toFrame: FrameIndex;
}

/** Frames one after another as stretches, ascending, none overlapping or touching another. */
export function joinedStretches(stretches: readonly FrameStretch[]): FrameStretch[] {
  const joined: FrameStretch[] = [];
  for (const { fromFrame, toFrame } of [...stretches].sort((a, b) => a.fromFrame - b.fromFrame)) {
    const last = joined.at(-1);
    if (last && fromFrame <= last.toFrame) last.toFrame = Math.max(last.toFrame, toFrame);
    else joined.push({ fromFrame, toFrame });
  }
  return joined;
}

/** Which frames of the footage were shown while something was said that is still heard. */
export function spokenOver(take: Pick<Take, 'events' | 'seconds' | 'cuts'>, table: FrameTable): FrameStretch[] {
  const cuts = joinedCuts(take);
  const shown = motionsOf(take).flatMap((motion) =>
    leftOf(motion, cuts).map(({ from, to }): FrameStretch => {
      // Just before it ends: the next motion says what is shown there.
      const [first, last] = [from, to - 1e-6].map((t) => frameOfMotion({ ...motion, t: motion.from }, t, table)) as [number, number];
      return { fromFrame: Math.min(first, last), toFrame: Math.max(first, last) + 1 };
    }),
  );
  return joinedStretches(shown);
}
