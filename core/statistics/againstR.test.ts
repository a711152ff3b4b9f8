import { describe, expect, it } from 'vitest';
import { clopperPearson } from './binomial.ts';
import { rateTrend, shareTrend } from './exactTrend.ts';
import { fisherExact } from './fisherExact.ts';
import { oddsRatio } from './oddsRatio.ts';
import { garwood } from './poisson.ts';
import { rateRatio } from './rateRatio.ts';
import r from './testing/rFigures.json' with { type: 'json' };

/** An open end is a word in JSON. */
const numbers = (row: readonly (number | string)[]): number[] => row.map(Number);

/** Equal to a share of what is expected, and to what its own search leaves open. */
function expectNear(computed: number | null, expected: number, share = 1e-8, open = 0): void {
  if (!Number.isFinite(expected) || expected === 0) expect(computed).toBe(expected);
  else expect(Math.abs(computed! - expected)).toBeLessThan(share * expected + open);
}

describe(`exact tests and intervals beside ${r.from}`, () => {
  it.each(r.poisson.map(numbers))('%i in %f minutes: the interval of poisson.test', (k, minutes, low, high) => {
    const interval = garwood(k!, minutes!);
    expectNear(interval[0], low!);
    expectNear(interval[1], high!);
  });

  it.each(r.binomial.map(numbers))('%i of %i: the interval of binom.test', (successes, chances, low, high) => {
    const interval = clopperPearson(successes!, chances!);
    expectNear(interval[0], low!);
    expectNear(interval[1], high!);
  });

  it.each(r.rates.map(numbers))('%i in %f minutes, then %i in %f: interval and both sides of poisson.test', (...row) => {
    const [before, minutesBefore, now, minutesNow, low, high, less, more] = row as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const { interval, pFewer, pMore } = rateRatio({ count: before, exposure: minutesBefore }, { count: now, exposure: minutesNow });
    expectNear(interval[0], low);
    expectNear(interval[1], high);
    expectNear(pFewer, less);
    expectNear(pMore, more);
  });

  it.each(r.tables.map(numbers))('%i to %i beside %i to %i: p, estimate and interval of fisher.test', (...row) => {
    const [yes, no, otherYes, otherNo, p, estimate, low, high] = row as [number, number, number, number, number, number, number, number];
    const table = { yes, no, otherYes, otherNo };
    expectNear(fisherExact(table), p);
    const { ratio, interval } = oddsRatio(table);
    // R looks for these three by uniroot, which stops within about a ten-thousandth of them or of what they are one over.
    expectNear(ratio, estimate, 1e-3, 2e-4);
    expectNear(interval[0], low, 1e-3, 2e-4);
    expectNear(interval[1], high, 1e-3, 2e-4);
  });

  /** How many tests, what was counted in each, of what, and p. */
  const partsOf = (row: number[]): { counts: number[]; of: number[]; p: number } => {
    const many = row[0]!;
    return { counts: row.slice(1, 1 + many), of: row.slice(1 + many, 1 + 2 * many), p: row.at(-1)! };
  };

  it.each(r.shares.map(numbers))('%i tests of shares: the exact trend, by R’s own count of all ways', (...row) => {
    const { counts, of, p } = partsOf(row);
    expectNear(shareTrend(counts.map((successes, i) => ({ successes, chances: of[i]! }))).rising, p);
  });

  it.each(r.trends.map(numbers))('%i tests of rates: the exact trend, by R’s multinomial', (...row) => {
    const { counts, of, p } = partsOf(row);
    expectNear(rateTrend(counts.map((count, i) => ({ count, exposure: of[i]! }))).falling, p);
  });
});
