import { fourier } from './fourier.ts';
import { frameAtSeconds, type FrameTable } from './frameTable.ts';
import type { FootageSound } from './soundEnvelope.ts';

/** How a second camera's clock lies against the first's. */
export interface AlignmentFound {
  /** Second 0 of the second camera is this second of the first; negative when the second began earlier. */
  offsetSeconds: number;
  /** 0..1: how far this offset stands out from every other one that is not next to it. */
  confidence: number;
}

/** The two must run side by side for at least this long, in seconds. */
const leastOverlapSeconds = 5;
/** Offsets within this of the best one are the same peak, in seconds. */
const samePeakSeconds = 0.5;
/** Movement is compared at this many numbers a second. */
const motionRate = 50;

/** Values less their mean, over their deviation; all 0 where they do not vary. */
function standardised(values: ArrayLike<number>): Float64Array {
  const out = Float64Array.from(values);
  const mean = out.reduce((sum, v) => sum + v, 0) / Math.max(1, out.length);
  const deviation = Math.sqrt(out.reduce((sum, v) => sum + (v - mean) ** 2, 0) / Math.max(1, out.length));
  return out.map((v) => (deviation > 0 ? (v - mean) / deviation : 0));
}

/**
 * Cross-correlation of two series at every whole lag, by transforms (Oppenheim and Schafer, Discrete-Time Signal Processing):
 * `lag` says by how much the second is moved right. Answers the sum of products at each lag from `-(b.length - 1)` on.
 */
function crossCorrelation(a: Float64Array, b: Float64Array): Float64Array {
  let size = 2;
  while (size < a.length + b.length) size *= 2;
  const transform = fourier(size);
  const [aRe, aIm, bRe, bIm] = [new Float64Array(size), new Float64Array(size), new Float64Array(size), new Float64Array(size)];
  aRe.set(a);
  bRe.set(b);
  transform(aRe, aIm);
  transform(bRe, bIm);
  for (let i = 0; i < size; i++) {
    const re = aRe[i]! * bRe[i]! + aIm[i]! * bIm[i]!;
    const im = aIm[i]! * bRe[i]! - aRe[i]! * bIm[i]!;
    // The conjugate, so that the forward transform serves as the inverse.
    aRe[i] = re;
    aIm[i] = -im;
  }
  transform(aRe, aIm);
  return Float64Array.from({ length: a.length + b.length - 1 }, (_, i) => aRe[(i - (b.length - 1) + size) % size]! / size);
}

/** The offset at which two series at `rate` numbers a second agree best, or null where nothing can be told. */
function align(first: ArrayLike<number>, second: ArrayLike<number>, rate: number): AlignmentFound | null {
  const [a, b] = [standardised(first), standardised(second)];
  const least = leastOverlapSeconds * rate;
  if (a.length < least || b.length < least) return null;
  const sums = crossCorrelation(a, b);
  const overlapAt = (i: number): number => {
    const lag = i - (b.length - 1);
    return Math.min(a.length, b.length + lag) - Math.max(0, lag);
  };
  // By the root of the overlap: a chance agreement of a short one weighs no more than one of a long one.
  const scores = sums.map((sum, i) => (overlapAt(i) >= least ? sum / Math.sqrt(overlapAt(i)) : 0));
  const best = scores.reduce((top, score, i) => (score > scores[top]! ? i : top), 0);
  if (scores[best]! <= 0) return null;
  const apart = samePeakSeconds * rate;
  const next = scores.reduce((top, score, i) => (Math.abs(i - best) > apart && score > top ? score : top), 0);
  // A parabola through the peak and its neighbours gives the place between two numbers.
  const [left, middle, right] = [scores[best - 1] ?? 0, scores[best]!, scores[best + 1] ?? 0];
  const curve = left - 2 * middle + right;
  const between = curve < 0 ? Math.max(-0.5, Math.min(0.5, (left - right) / (2 * curve))) : 0;
  return { offsetSeconds: (best + between - (b.length - 1)) / rate, confidence: Math.max(0, Math.min(1, 1 - next / middle)) };
}

/** Aligns by what is heard; null where one is silent or too short. */
export const alignSound = (first: FootageSound, second: FootageSound): AlignmentFound | null =>
  align(first.onsets, second.onsets, first.rate);

/** How active each moment is, at `motionRate` numbers a second. */
const evenly = (table: FrameTable, level: readonly number[]): Float64Array =>
  Float64Array.from({ length: Math.floor(table.endSeconds * motionRate) }, (_, i) => level[frameAtSeconds(table, i / motionRate)] ?? 0);

/** Aligns by how much moves when; for footage without sound. `level` is one number a frame. */
export const alignMotion = (
  first: { table: FrameTable; level: readonly number[] },
  second: { table: FrameTable; level: readonly number[] },
): AlignmentFound | null => align(evenly(first.table, first.level), evenly(second.table, second.level), motionRate);
