import { bisect } from './bisect.ts';
import { logChoose } from './logChoose.ts';
import type { Interval } from './poisson.ts';

/** P(X = k) of n tries that succeed with probability p. */
export function binomialAt(k: number, n: number, p: number): number {
  if (p <= 0) return Number(k === 0);
  if (p >= 1) return Number(k === n);
  return Math.exp(logChoose(n, k) + k * Math.log(p) + (n - k) * Math.log1p(-p));
}

/** P(X ≤ k). */
export function binomialUpTo(k: number, n: number, p: number): number {
  let sum = 0;
  for (let i = 0; i <= Math.min(k, n); i++) sum += binomialAt(i, n, p);
  return Math.min(1, sum);
}

/**
 * Exact two-sided interval for a probability of which `successes` of `tries` were seen (Clopper & Pearson 1934). Worked example: 0 of 10
 * at 90 % gives 0 to 1 − 0.05^(1/10) = 0.2589.
 */
export function clopperPearson(successes: number, tries: number, confidence = 0.9): Interval {
  if (!Number.isInteger(successes) || !Number.isInteger(tries) || successes < 0 || successes > tries)
    throw new RangeError(`${successes} of ${tries} is no count of successes.`);
  const tail = (1 - confidence) / 2;
  const low = successes === 0 ? 0 : bisect((p) => 1 - binomialUpTo(successes - 1, tries, p) - tail, 0, 1);
  const high = successes === tries ? 1 : bisect((p) => tail - binomialUpTo(successes, tries, p), 0, 1);
  return [low, high];
}
