import { quantileOf, stretchesAbove, type Stretch } from './stretch.ts';

/** Motion is averaged over this long, in seconds, before it is judged. */
const windowSeconds = 0.4;
/** What counts as quiet and as strong in this footage: these quantiles of its motion. */
const quietShare = 0.2;
const strongShare = 0.95;
/** Levels between quiet (0) and strong (1). */
const lullBelow = { enter: 0.14, leave: 0.22 };
const burstAbove = { enter: 0.6, leave: 0.4 };
const leastLullSeconds = 1.5;
const leastBurstSeconds = 0.25;
/** Where strong motion is less than this many times the quiet one, nothing is told apart. */
const leastContrast = 2;

/** Centred mean over `windowSeconds`, by prefix sums. */
function smooth(values: ArrayLike<number>, secondsAt: (frame: number) => number): Float64Array {
  const sums = new Float64Array(values.length + 1);
  for (let i = 0; i < values.length; i++) sums[i + 1] = sums[i]! + values[i]!;
  const out = new Float64Array(values.length);
  let from = 0;
  let to = 0;
  for (let i = 0; i < values.length; i++) {
    const at = secondsAt(i);
    while (secondsAt(from) < at - windowSeconds / 2) from++;
    while (to < values.length && secondsAt(to) <= at + windowSeconds / 2) to++;
    out[i] = (sums[to]! - sums[from]!) / (to - from);
  }
  return out;
}

export interface Activity {
  /** How active each frame is: 0 as quiet as this footage gets, 1 as strong; may go a little beyond either. */
  level: Float64Array;
  /** Stretches in which nothing happens that a reviewer must see at full length. */
  lulls: Stretch[];
  /** Stretches worth looking at first. */
  bursts: Stretch[];
}

/** Lulls and bursts of footage, relative to how much moves in it at all. `motion` is one number a frame. */
export function activityOf(motion: ArrayLike<number>, secondsAt: (frame: number) => number): Activity {
  const smoothed = smooth(motion, secondsAt);
  const sorted = smoothed.slice().sort();
  const quiet = quantileOf(sorted, quietShare);
  const strong = quantileOf(sorted, strongShare);
  if (!(strong > quiet * leastContrast) || strong <= 0) return { level: new Float64Array(motion.length), lulls: [], bursts: [] };
  const level = smoothed.map((value) => (value - quiet) / (strong - quiet));
  return {
    level,
    lulls: stretchesAbove(
      level.map((v) => -v),
      { enter: -lullBelow.enter, leave: -lullBelow.leave, leastSeconds: leastLullSeconds },
      secondsAt,
    ),
    bursts: stretchesAbove(level, { ...burstAbove, leastSeconds: leastBurstSeconds }, secondsAt),
  };
}
