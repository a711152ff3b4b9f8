import { describe, expect, it } from 'vitest';
import { clopperPearson } from './binomial.ts';
import { fisherExact } from './fisherExact.ts';
import { oddsRatio } from './oddsRatio.ts';
import { garwood } from './poisson.ts';
import { rateRatio } from './rateRatio.ts';

describe('Fisher’s exact test, one-sided', () => {
  it('gives the published values', () => {
    // Fisher 1935, the lady tasting tea: 17 ÷ 70.
    expect(fisherExact({ yes: 3, no: 1, otherYes: 1, otherNo: 3 })).toBeCloseTo(17 / 70, 12);
    // Fisher 1962, convictions of twins; R 4: fisher.test(matrix(c(2, 10, 15, 3), 2), alternative = "less") gives p = 0.0004652.
    expect(fisherExact({ yes: 10, no: 3, otherYes: 2, otherNo: 15 })).toBeCloseTo(0.0004652, 7);
    expect(fisherExact({ yes: 0, no: 5, otherYes: 3, otherNo: 9 })).toBeCloseTo(1, 12);
  });

  it('refuses what is no count', () => {
    expect(() => fisherExact({ yes: 1.5, no: 1, otherYes: 1, otherNo: 1 })).toThrow('1.5');
    expect(() => fisherExact({ yes: -1, no: 1, otherYes: 1, otherNo: 1 })).toThrow('-1');
  });
});

describe('the exact interval of a rate (Garwood)', () => {
  it('gives the values that are printed for it', () => {
    // Quantiles of chi-square: qchisq(.05, 2k) / 2 and qchisq(.95, 2k + 2) / 2 in R 4 (Garwood 1936, table).
    const [low, high] = garwood(5, 1);
    expect(low).toBeCloseTo(1.970149, 5);
    expect(high).toBeCloseTo(10.51303, 4);
    expect(garwood(0, 1)[0]).toBe(0);
    expect(garwood(0, 1)[1]).toBeCloseTo(-Math.log(0.05), 9);
    // 95 %: the often-printed 4.8 to 18.4 for ten events.
    expect(garwood(10, 1, 0.95).map((end) => Math.round(end * 100) / 100)).toEqual([4.8, 18.39]);
    expect(garwood(8, 4)[0]).toBeCloseTo(garwood(8, 1)[0] / 4, 9);
  });

  it('refuses what has no rate', () => {
    expect(() => garwood(1, 0)).toThrow('exposure of 0');
    expect(() => garwood(-1, 1)).toThrow('-1');
  });
});

describe('the exact interval of a probability (Clopper–Pearson)', () => {
  it('gives the values that are printed for it', () => {
    expect(clopperPearson(0, 10)[1]).toBeCloseTo(1 - 0.05 ** 0.1, 9);
    expect(clopperPearson(10, 10)[0]).toBeCloseTo(0.05 ** 0.1, 9);
    // binom.test(4, 10, conf.level = .95) in R 4: 0.1215523 to 0.7376219.
    const [low, high] = clopperPearson(4, 10, 0.95);
    expect(low).toBeCloseTo(0.1215523, 6);
    expect(high).toBeCloseTo(0.7376219, 6);
  });

  it('covers at least as often as it says', () => {
    for (const p of [0.05, 0.2, 0.5, 0.83]) {
      let covered = 0;
      for (let k = 0; k <= 20; k++) {
        const [low, high] = clopperPearson(k, 20);
        const choose = Array.from({ length: k }, (_, i) => (20 - i) / (i + 1)).reduce((a, b) => a * b, 1);
        if (low <= p && p <= high) covered += choose * p ** k * (1 - p) ** (20 - k);
      }
      expect(covered).toBeGreaterThanOrEqual(0.9);
    }
  });
});

describe('two rates (conditional exact test)', () => {
  it('compare as the binomial test says', () => {
    // 11 in 10 minutes, then 3 in 10: binom.test(3, 14, .5, "less") in R 4 gives p = 0.02869 (470 ÷ 16384).
    const { ratio, pFewer, pMore } = rateRatio({ count: 11, exposure: 10 }, { count: 3, exposure: 10 });
    expect(ratio).toBeCloseTo(3 / 11, 12);
    expect(pFewer).toBeCloseTo(470 / 16384, 12);
    expect(pMore).toBeCloseTo(1 - 106 / 16384, 12);
  });

  it('take unequal mat time into account, and give an interval that holds the ratio', () => {
    const { ratio, interval } = rateRatio({ count: 8, exposure: 20 }, { count: 4, exposure: 5 });
    expect(ratio).toBeCloseTo(2, 12);
    expect(interval[0]).toBeLessThan(2);
    expect(interval[1]).toBeGreaterThan(2);
    // poisson.test(c(4, 8), c(5, 20), conf.level = .9) is this construction: p/(1-p) × e₁/e₂ at the ends of Clopper–Pearson.
    const [low] = clopperPearson(4, 12);
    expect(interval[0]).toBeCloseTo((low / (1 - low)) * 4, 9);
  });

  it('say nothing where nothing was counted, and have no upper end where nothing was counted before', () => {
    expect(rateRatio({ count: 0, exposure: 3 }, { count: 0, exposure: 4 })).toEqual({
      ratio: null,
      interval: [0, Infinity],
      pFewer: 1,
      pMore: 1,
    });
    expect(rateRatio({ count: 0, exposure: 3 }, { count: 2, exposure: 3 })).toMatchObject({ ratio: Infinity, pMore: 0.25 });
  });
});

describe('the odds ratio (Fisher’s conditional estimate)', () => {
  it('is what R gives for the lady tasting tea and the twins', () => {
    // fisher.test(matrix(c(3, 1, 1, 3), 2)): estimate 6.408309, which its root finder gives to five digits.
    expect(oddsRatio({ yes: 3, no: 1, otherYes: 1, otherNo: 3 }).ratio).toBeCloseTo(6.408309, 4);
    // fisher.test(matrix(c(2, 10, 15, 3), 2)): estimate 0.04693661, 95 % 0.003325764 to 0.363182271.
    const { ratio, interval } = oddsRatio({ yes: 2, no: 15, otherYes: 10, otherNo: 3 }, 0.95);
    expect(ratio).toBeCloseTo(0.04693661, 6);
    expect(interval[0]).toBeCloseTo(0.003325764, 4);
    expect(interval[1]).toBeCloseTo(0.363182271, 4);
  });

  it('has open ends where a cell is empty, and none at all where there is no choice', () => {
    expect(oddsRatio({ yes: 0, no: 5, otherYes: 3, otherNo: 2 }).ratio).toBe(0);
    expect(oddsRatio({ yes: 5, no: 0, otherYes: 3, otherNo: 2 }).ratio).toBe(Infinity);
    expect(oddsRatio({ yes: 5, no: 0, otherYes: 3, otherNo: 0 })).toEqual({ ratio: null, interval: [0, Infinity] });
  });
});
