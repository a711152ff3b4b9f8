import { describe, expect, it } from 'vitest';
import { oddsRatio } from './oddsRatio.ts';
import { rateRatio } from './rateRatio.ts';

const draws = 1500;
/** Exact intervals hold at least as often as they say; by chance alone, over so many draws, not less than this. */
const least = 0.9 - 3 * Math.sqrt((0.9 * 0.1) / draws);

/** Numbers from 0 to 1 that are the same in every run (Park and Miller's minimal standard). */
function seeded(seed: number): () => number {
  let state = Math.floor(seed) + 1;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/** A Poisson count by adding up waiting times. */
function poisson(random: () => number, mean: number): number {
  let [count, time] = [-1, 0];
  while (time < mean) {
    time -= Math.log(1 - random());
    count += 1;
  }
  return count;
}
const binomial = (random: () => number, n: number, p: number): number => Array.from({ length: n }, random).filter((one) => one < p).length;

/** How often an interval of 90 % holds what is true. */
const share = (holds: () => boolean): number => Array.from({ length: draws }, holds).filter(Boolean).length / draws;

describe('intervals of 90 % hold what is true in nine of ten, simulated', () => {
  it.each([
    [2, 5, 1, 5],
    [1.5, 4, 1.5, 9],
    [0.4, 6, 1.2, 3],
    [3, 10, 0.9, 12],
  ])('the rate ratio: %f a minute over %f minutes, then %f over %f', (before, minutes, after, later) => {
    const random = seeded(before * 1000 + later);
    const held = share(() => {
      const { interval } = rateRatio(
        { count: poisson(random, before * minutes), exposure: minutes },
        { count: poisson(random, after * later), exposure: later },
      );
      return interval[0] <= after / before && after / before <= interval[1];
    });
    expect(held).toBeGreaterThanOrEqual(least);
    // Not by saying nothing: an interval that holds everything would always hold.
    expect(rateRatio({ count: 20, exposure: 10 }, { count: 20, exposure: 10 }).interval[1]).toBeLessThan(2);
  });

  it.each([
    [12, 0.5, 15, 0.7],
    [8, 0.25, 8, 0.75],
    [20, 0.6, 10, 0.6],
  ])('the odds ratio: %i chances at %f, then %i at %f', (chances, before, later, after) => {
    const random = seeded(chances * 100 + later);
    const odds = (p: number): number => p / (1 - p);
    const held = share(() => {
      const [first, last] = [binomial(random, chances, before), binomial(random, later, after)];
      const { interval } = oddsRatio({ yes: last, no: later - last, otherYes: first, otherNo: chances - first });
      const truth = odds(after) / odds(before);
      return interval[0] <= truth && truth <= interval[1];
    });
    expect(held).toBeGreaterThanOrEqual(least);
  });
});
