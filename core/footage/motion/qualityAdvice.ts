import { clockText } from '../clockText.ts';
import type { FrameFeatures } from './frameFeatures.ts';
import type { LostAction } from './lostAction.ts';
import { stretchesAbove, type Stretch } from './stretch.ts';

/** Brightness (0..255) under which hands and grips are not seen. */
const dark = { enter: 50, leave: 60, leastSeconds: 1.5 };
/** Sharpness (see `sharpnessOf`) under which grips run into one another: a sharp picture has 0.7, one blurred over four pixels 0.2. */
const blurred = { enter: 0.25, leave: 0.3, leastSeconds: 3 };

export const adviceKinds = ['lost', 'dark', 'blurred', 'cut'] as const;

/** What is wrong with footage for a reviewer, where, and what to do next time. */
export interface QualityAdvice extends Stretch {
  kind: (typeof adviceKinds)[number];
  words: string;
}

/** How sharp a picture of the footage is, and at which frame it was taken. */
export interface SharpnessSample {
  frame: number;
  sharpness: number;
}

export interface QualityFindings {
  features: readonly Pick<FrameFeatures, 'brightness'>[];
  lost: readonly LostAction[];
  /** First frames of new shots. */
  cuts: readonly number[];
  /** Ascending; none where it was not looked at. */
  sharpness: readonly SharpnessSample[];
}

const edgeWords = { left: 'on the left', right: 'on the right', top: 'at the top', bottom: 'at the bottom' };

/** Sharpness of every frame: that of the last picture looked at; a dark frame counts as sharp, since darkness is said already. */
function sharpnessByFrame({ features, sharpness }: QualityFindings): Float64Array {
  const values = new Float64Array(features.length).fill(1);
  sharpness.forEach(({ frame, sharpness: value }, i) => values.fill(value, frame, sharpness[i + 1]?.frame ?? features.length));
  return values.map((value, frame) => (features[frame]!.brightness < dark.leave ? 1 : value));
}

/** Advice in words, in order of time. `secondsAt` gives the footage time of a frame; the words name times of the footage. */
export function qualityAdvice(findings: QualityFindings, secondsAt: (frame: number) => number): QualityAdvice[] {
  const clock = (frame: number): string => clockText(secondsAt(frame));
  const span = ({ fromFrame, toFrame }: Stretch): string => `from ${clock(fromFrame)} to ${clock(toFrame)}`;
  const below = (values: ArrayLike<number>, { enter, leave, leastSeconds }: typeof dark): Stretch[] =>
    stretchesAbove(
      Float64Array.from(values, (v) => -v),
      { enter: -enter, leave: -leave, leastSeconds },
      secondsAt,
    );
  const of = (kind: QualityAdvice['kind'], { fromFrame, toFrame }: Stretch, words: string): QualityAdvice => ({
    kind,
    fromFrame,
    toFrame,
    words,
  });
  const dim = below(
    findings.features.map((f) => f.brightness),
    dark,
  );
  const [cut] = findings.cuts;
  const cutWords =
    findings.cuts.length === 1 ? `is cut at ${clock(cut!)}` : `is cut ${findings.cuts.length} times, first at ${clock(cut ?? 0)}`;
  return [
    ...findings.lost.map((s) =>
      of(
        'lost',
        s,
        `The action leaves the picture ${edgeWords[s.edge]} ${span(s)}. Stand two metres further back, or ask a friend to follow.`,
      ),
    ),
    ...dim.map((s) => of('dark', s, `It is too dark to see hands and grips ${span(s)}. Film from the side where the light is.`)),
    ...below(sharpnessByFrame(findings), blurred).map((s) =>
      of('blurred', s, `The picture is blurred ${span(s)}. Wipe the lens, and tap the athletes on the screen before you record.`),
    ),
    ...(cut === undefined
      ? []
      : [
          of(
            'cut',
            { fromFrame: cut, toFrame: cut + 1 },
            `The recording ${cutWords}. Send rounds whole: what led up to a moment is half of it.`,
          ),
        ]),
  ].sort((a, b) => a.fromFrame - b.fromFrame);
}
