import type { BoutSeconds } from '../footage/index.ts';
import type { PositionValues } from '../positions/index.ts';
import { studentT } from '../statistics/index.ts';
import { boutClock } from './boutClock.ts';
import { leanAt } from './leanOverTime.ts';
import type { TimedBout } from './timedBout.ts';

/** How much the picture moves at a second of the bout, 0 … 1. */
export interface MovedAt {
  at: BoutSeconds;
  motion: number;
}

/** A ratio of two geometric means with its two-sided 90 % interval, and out of how many blocks either is. */
export interface MotionRatio {
  ratio: number;
  low: number;
  high: number;
  blocks: [number, number];
}

/** Movement of the two together: in danger against in control, and in the second half of the played time against the first. */
export interface CalmAndQuick {
  /** Null: too little of one of the two. */
  dangerToControl: MotionRatio | null;
  lateToEarly: MotionRatio | null;
}

/** One is in control, or in danger, from so much lean on. */
const muchLean = 30;
/** Movement is told by blocks of so many seconds: what is nearer hangs together. */
const blockSeconds = 5;
/** Fewer blocks of a kind tell nothing. */
const fewest = 3;
const level = 0.95;
/** Below this a picture stands still; the logarithm needs something to hold on to. */
const stillMotion = 0.005;

const mean = (values: readonly number[]): number => values.reduce((sum, one) => sum + one, 0) / values.length;
/** Variance of a mean, of a sample. */
const spread = (values: readonly number[]): number => {
  const middle = mean(values);
  return values.reduce((sum, one) => sum + (one - middle) ** 2, 0) / (values.length - 1) / values.length;
};

/**
 * Ratio of two geometric means by Welch's interval of the difference of their logarithms, with the smaller sample's degrees of freedom,
 * which errs on the wide side. Null where either has too few blocks.
 */
function ratioOf(of: readonly number[], to: readonly number[]): MotionRatio | null {
  if (of.length < fewest || to.length < fewest) return null;
  const difference = mean(of) - mean(to);
  const reach = studentT(level, Math.min(of.length, to.length) - 1) * Math.sqrt(spread(of) + spread(to));
  return {
    ratio: Math.exp(difference),
    low: Math.exp(difference - reach),
    high: Math.exp(difference + reach),
    blocks: [of.length, to.length],
  };
}

/**
 * "Calm in control, quick in danger": movement of the picture against the client's lean, by blocks of 5 s of the played time. A block
 * counts as control or danger where its lean is so throughout. Both bodies move; the camera's own movement is taken out before
 * (docs/domain.md §11).
 */
export function calmAndQuick(bout: TimedBout, moved: readonly MovedAt[], values?: PositionValues): CalmAndQuick {
  const clock = boutClock(bout);
  const blocks = new Map<number, { motion: number[]; leans: number[] }>();
  for (const { at, motion } of moved) {
    const lean = leanAt(bout, at, values);
    // What stands on no bout, or in a stoppage, is nobody's.
    if (lean === null || !clock.plays.some(({ from, to }) => from <= at && at < to)) continue;
    const key = Math.floor(clock.at(at) / blockSeconds);
    const block = blocks.get(key) ?? { motion: [], leans: [] };
    block.motion.push(motion);
    block.leans.push(lean);
    blocks.set(key, block);
  }
  const told = [...blocks].map(([key, { motion, leans }]) => ({
    log: Math.log(Math.max(stillMotion, mean(motion))),
    low: Math.min(...leans),
    high: Math.max(...leans),
    isLate: (key + 0.5) * blockSeconds >= clock.total / 2,
  }));
  const logs = (is: (block: (typeof told)[number]) => boolean): number[] => told.filter(is).map(({ log }) => log);
  return {
    dangerToControl: ratioOf(
      logs(({ high }) => high <= -muchLean),
      logs(({ low }) => low >= muchLean),
    ),
    lateToEarly: ratioOf(
      logs(({ isLate }) => isLate),
      logs(({ isLate }) => !isLate),
    ),
  };
}

const times = (value: number): string => value.toFixed(value < 10 ? 1 : 0);

/** A ratio for a person: "1.6 times (0.9 to 2.8)"; words where there is too little. */
export const motionRatioText = (ratio: MotionRatio | null): string =>
  ratio ? `${times(ratio.ratio)} times (${times(ratio.low)} to ${times(ratio.high)})` : 'too little to tell';
