import type { FrameFeatures } from './frameFeatures.ts';
import { quantileOf } from './stretch.ts';

/** A new shot: this much changes from one frame to the next (mean difference of brightness, 0..255) … */
const leastChange = 14;
/** … this many times as much as usual in the frames around it … */
const timesUsual = 6;
const around = 12;
/** … and as much as in its neighbours: fast movement lasts for several frames, a flash goes as it came. */
const timesNeighbours = 3;
const neighbours = 2;

/** First frames of new shots, ascending: where a recording was stopped and went on, or was edited. */
export function cutsOf(features: readonly Pick<FrameFeatures, 'motion'>[]): number[] {
  const cuts: number[] = [];
  features.forEach(({ motion }, frame) => {
    if (frame === 0 || motion < leastChange) return;
    const others = (reach: number): number[] => [
      ...features.slice(Math.max(0, frame - reach), frame).map((f) => f.motion),
      ...features.slice(frame + 1, frame + 1 + reach).map((f) => f.motion),
    ];
    const usual = quantileOf(Float64Array.from(others(around)).sort(), 0.8);
    if (motion >= timesUsual * usual && motion >= timesNeighbours * Math.max(...others(neighbours))) cuts.push(frame);
  });
  return cuts;
}
