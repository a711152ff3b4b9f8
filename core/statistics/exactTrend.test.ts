import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rateTrend, shareTrend } from './exactTrend.ts';
import { fisherExact } from './fisherExact.ts';
import { logChoose } from './logChoose.ts';
import { rateRatio } from './rateRatio.ts';

const group = fc.nat(9).chain((chances) => fc.record({ successes: fc.nat(chances), chances: fc.constant(chances) }));

/** All ways in which so many successes fall on the groups, each with its score and weight: the slow way. */
function waysOf(chances: readonly number[], total: number, place = 1): { score: number; weight: number }[] {
  const [first, ...rest] = chances;
  if (first === undefined) return total === 0 ? [{ score: 0, weight: 1 }] : [];
  return Array.from({ length: Math.min(first, total) + 1 }, (_, count) =>
    waysOf(rest, total - count, place + 1).map(({ score, weight }) => ({
      score: score + place * count,
      weight: weight * Math.exp(logChoose(first, count)),
    })),
  ).flat();
}

describe('a trend in shares', () => {
  it('of three tries each, none, one and three that succeed, is found by hand', () => {
    // 4 of 9: C(9, 4) = 126 ways. Scores of 2 × 1 + 3 × 3 = 11 at least: (0, 1, 3) 3 ways; (1, 0, 3) has 10. So 3 ÷ 126.
    const groups = [0, 1, 3].map((successes) => ({ successes, chances: 3 }));
    expect(shareTrend(groups).rising).toBeCloseTo(3 / 126, 12);
  });

  it('is that of all ways counted one by one', () => {
    fc.assert(
      fc.property(fc.array(group, { minLength: 2, maxLength: 4 }), (groups) => {
        const chances = groups.map((one) => one.chances);
        const total = groups.reduce((sum, { successes }) => sum + successes, 0);
        const tries = chances.reduce((sum, one) => sum + one, 0);
        const seen = groups.reduce((sum, { successes }, i) => sum + (i + 1) * successes, 0);
        const ways = waysOf(chances, total);
        const all = ways.reduce((sum, { weight }) => sum + weight, 0);
        const shareOf = (isAsFar: (score: number) => boolean): number =>
          total === 0 || total === tries ? 1 : ways.reduce((sum, { score, weight }) => (isAsFar(score) ? sum + weight : sum), 0) / all;
        const { rising, falling } = shareTrend(groups);
        expect(rising).toBeCloseTo(
          shareOf((score) => score >= seen),
          9,
        );
        expect(falling).toBeCloseTo(
          shareOf((score) => score <= seen),
          9,
        );
      }),
    );
  });

  it('of two groups is Fisher’s test', () => {
    fc.assert(
      fc.property(group, group, (first, last) => {
        const table = {
          ...{ yes: last.successes, no: last.chances - last.successes },
          ...{ otherYes: first.successes, otherNo: first.chances - first.successes },
        };
        expect(shareTrend([first, last]).rising).toBeCloseTo(fisherExact(table), 9);
      }),
    );
  });

  it('is nothing where all or none succeeded, and is refused for what are no counts', () => {
    expect(
      shareTrend([
        { successes: 0, chances: 5 },
        { successes: 0, chances: 9 },
      ]),
    ).toEqual({ rising: 1, falling: 1 });
    expect(
      shareTrend([
        { successes: 5, chances: 5 },
        { successes: 9, chances: 9 },
      ]),
    ).toEqual({ rising: 1, falling: 1 });
    expect(() => shareTrend([{ successes: 6, chances: 5 }])).toThrow(RangeError);
    expect(() => shareTrend([{ successes: 0.5, chances: 5 }])).toThrow(RangeError);
  });

  it('says seldom that there is one where there is none: at most as often as p says', () => {
    // Every table of three groups of five under one chance of a half, with its exact weight.
    let wrong = 0;
    for (let a = 0; a <= 5; a++)
      for (let b = 0; b <= 5; b++)
        for (let c = 0; c <= 5; c++) {
          const weight = Math.exp(logChoose(5, a) + logChoose(5, b) + logChoose(5, c)) / 2 ** 15;
          if (shareTrend([a, b, c].map((successes) => ({ successes, chances: 5 }))).rising <= 0.1) wrong += weight;
        }
    expect(wrong).toBeLessThanOrEqual(0.1);
    expect(wrong).toBeGreaterThan(0.04);
  });
});

describe('a trend in rates', () => {
  it('of two, one and no mistakes in a minute each is found by hand', () => {
    // Three mistakes on three equal minutes: 27 ways. A score of 2 × 1 + 1 × 2 = 4 at most: (3, 0, 0) 1 way, (2, 1, 0) 3 ways.
    expect(rateTrend([2, 1, 0].map((count) => ({ count, exposure: 1 }))).falling).toBeCloseTo(4 / 27, 12);
  });

  it('of two groups is the conditional test of two rates', () => {
    const timed = fc.record({ count: fc.nat(12), exposure: fc.integer({ min: 1, max: 40 }) });
    fc.assert(
      fc.property(timed, timed, (first, last) => {
        const { rising, falling } = rateTrend([first, last]);
        expect(falling).toBeCloseTo(rateRatio(first, last).pFewer, 8);
        expect(rising).toBeCloseTo(rateRatio(last, first).pFewer, 8);
      }),
    );
  });

  it('does not depend on what time is measured in', () => {
    const groups = [7, 5, 4, 1].map((count, i) => ({ count, exposure: 3 + i }));
    const inSeconds = groups.map(({ count, exposure }) => ({ count, exposure: exposure * 60 }));
    expect(rateTrend(inSeconds).falling).toBeCloseTo(rateTrend(groups).falling, 10);
  });

  it('is nothing where nothing was counted, and is refused without time', () => {
    expect(
      rateTrend([
        { count: 0, exposure: 3 },
        { count: 0, exposure: 2 },
      ]),
    ).toEqual({ rising: 1, falling: 1 });
    expect(() => rateTrend([{ count: 0, exposure: 0 }])).toThrow(RangeError);
  });
});
