import { clockText } from '../clockText.ts';
import type { FrameFeatures } from './frameFeatures.ts';
import type { LostAction } from './lostAction.ts';
import { stretchesAbove, type Stretch } from './stretch.ts';

/** Brightness (0..255) under which hands and grips are not seen. */
const dark = { enter: 50, leave: 60, leastSeconds: 1.5 };

/** What is wrong with footage for a reviewer, where, and what to do next time. */
export interface QualityAdvice extends Stretch {
  kind: 'lost' | 'dark';
  words: string;
}

/** Advice in words, in order of time. `secondsAt` gives the footage time of a frame; the words name times of the footage. */
export function qualityAdvice(
  features: readonly Pick<FrameFeatures, 'brightness'>[],
  lost: readonly LostAction[],
  secondsAt: (frame: number) => number,
): QualityAdvice[] {
  const span = ({ fromFrame, toFrame }: Stretch): string => `from ${clockText(secondsAt(fromFrame))} to ${clockText(secondsAt(toFrame))}`;
  const dim = stretchesAbove(
    features.map((f) => -f.brightness),
    { enter: -dark.enter, leave: -dark.leave, leastSeconds: dark.leastSeconds },
    secondsAt,
  );
  return [
    ...lost.map((s): QualityAdvice => ({
      kind: 'lost',
      fromFrame: s.fromFrame,
      toFrame: s.toFrame,
      words: `The action leaves the picture on the ${s.edge} ${span(s)}. Stand two metres further back, or ask a friend to follow.`,
    })),
    ...dim.map((s): QualityAdvice => ({
      kind: 'dark',
      ...s,
      words: `It is too dark to see hands and grips ${span(s)}. Film from the side where the light is.`,
    })),
  ].sort((a, b) => a.fromFrame - b.fromFrame);
}
