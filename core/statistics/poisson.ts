import { bisect } from './bisect.ts';
import { logFactorial } from './logChoose.ts';

/** P(X = k) of a Poisson count of mean `mean` ≥ 0. */
export const poissonAt = (k: number, mean: number): number =>
  mean === 0 ? Number(k === 0) : Math.exp(k * Math.log(mean) - mean - logFactorial(k));

/** P(X ≤ k). */
export function poissonUpTo(k: number, mean: number): number {
  let sum = 0;
  for (let i = 0; i <= k; i++) sum += poissonAt(i, mean);
  return Math.min(1, sum);
}

export type Interval = [low: number, high: number];

/**
 * Exact two-sided interval for a rate of `count` events in `exposure` (Garwood 1936): the means of which so few, or so many, would
 * come in (1 − confidence) ÷ 2 of cases, over the exposure. Worked example: none in 1 at 90 % gives 0 to 2.9957.
 */
export function garwood(count: number, exposure: number, confidence = 0.9): Interval {
  if (!Number.isInteger(count) || count < 0) throw new RangeError(`${count} is no count.`);
  if (!(exposure > 0)) throw new RangeError(`An exposure of ${exposure} has no rate.`);
  const tail = (1 - confidence) / 2;
  const most = count + 40 + 10 * Math.sqrt(count + 1);
  const low = count === 0 ? 0 : bisect((mean) => 1 - poissonUpTo(count - 1, mean) - tail, 0, most);
  const high = bisect((mean) => tail - poissonUpTo(count, mean), 0, most);
  return [low / exposure, high / exposure];
}
