import type { ClipPlan } from '../timeline/clipPlan.ts';
import type { GroundTruth } from '../timeline/groundTruth.ts';
import type { Pair } from '../timeline/motion.ts';
import { smoothNoise } from '../timeline/noise.ts';
import { project, type View } from './camera.ts';

/** 1 inside a stretch, easing to 0 over `ease` seconds outside it. */
function within(seconds: number, from: number, to: number, ease: number): number {
  const outside = Math.max(from - seconds, seconds - to, 0);
  const x = Math.max(0, 1 - outside / ease);
  return x * x * (3 - 2 * x);
}

/** How strongly a fault of a kind acts at a time, 0..1. */
export const faultAt = (truth: GroundTruth, kind: string, seconds: number, ease = 0.4): number =>
  truth.faults.reduce((most, f) => (f.kind === kind ? Math.max(most, within(seconds, f.fromSeconds, f.toSeconds, ease)) : most), 0);

/**
 * What the friend holding the phone does: follows the pair, comes closer when they are on the ground, shakes a little,
 * jumps at an impact, and in a `lost` stretch looks away. `low` is a smoothed 0..1 of how low the pair is.
 */
export function handAt(plan: ClipPlan, truth: GroundTruth, pair: Pair, low: number, seconds: number): View {
  const middle = project([
    (pair.A.joints.pelvis[0] + pair.B.joints.pelvis[0]) / 2,
    (pair.A.joints.pelvis[1] + pair.B.joints.pelvis[1]) / 2,
    0.62 - 0.12 * low,
  ]);
  const shake = 2.2 + 11 * faultAt(truth, 'shake', seconds);
  const rate = 0.7 + 2.6 * faultAt(truth, 'shake', seconds);
  const bump = truth.impacts.reduce(
    (sum, at) => (seconds >= at ? sum + 7 * Math.exp(-(seconds - at) * 9) * Math.cos((seconds - at) * 40) : sum),
    0,
  );
  const lost = faultAt(truth, 'lost', seconds, 0.7);
  return {
    zoom: 0.97 + 0.33 * low,
    centreU: middle.u * 0.7 + shake * smoothNoise(plan.seed + 31, seconds * rate) + 620 * lost,
    centreV: middle.v - 34 * (1 - low) + shake * smoothNoise(plan.seed + 32, seconds * rate * 1.1) + bump - 40 * lost,
    roll: 0.002 * smoothNoise(plan.seed + 33, seconds * 0.5) * (1 + 4 * faultAt(truth, 'shake', seconds)),
  };
}
