import { handPixels, ninetyFive, type Pixel } from './angle.ts';

/** A dot that follows something by hand: where it is at which second. The unit of length is the caller's. */
export interface TimedDot extends Pixel {
  seconds: number;
}

export interface DotPath {
  length: number;
  seconds: number;
  /** Length over time of the whole, and the fastest stretch between two dots that follow each other. */
  meanSpeed: number;
  topSpeed: number;
  /** Of the top speed, at 95 %. */
  plusMinus: number;
  topFrom: number;
}

/**
 * Length and speed of a path of dots, ascending in time; `sigma` is the error of a dot in the unit of length. Null for fewer than
 * two dots. Straight lines between the dots: a path with few dots is longer than it looks here.
 */
export function dotPath(dots: readonly TimedDot[], sigma = handPixels): DotPath | null {
  if (dots.length < 2) return null;
  const steps = dots.slice(1).map((dot, i) => {
    const before = dots[i]!;
    return { length: Math.hypot(dot.x - before.x, dot.y - before.y), seconds: dot.seconds - before.seconds };
  });
  const [length, seconds] = [steps.reduce((s, step) => s + step.length, 0), dots[dots.length - 1]!.seconds - dots[0]!.seconds];
  const speeds = steps.map((step) => (step.seconds > 0 ? step.length / step.seconds : 0));
  const topSpeed = Math.max(...speeds);
  const topFrom = speeds.indexOf(topSpeed);
  const topSeconds = steps[topFrom]!.seconds;
  const plusMinus = topSeconds > 0 ? (ninetyFive * sigma * Math.SQRT2) / topSeconds : 0;
  return { length, seconds, meanSpeed: seconds > 0 ? length / seconds : 0, topSpeed, plusMinus, topFrom };
}
