import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawsFrom } from '../statistics/index.ts';
import { levelOfLook, looksOfSeries, retestAnswer, retestTrend, seriesNow, type RetestSeries } from './retests.ts';

const chances = (...successes: number[]): RetestSeries => ({
  kind: 'chance',
  series: successes.map((one) => ({ successes: one, chances: 10 })),
});
const minutes = (...mistakes: number[]): RetestSeries => ({
  kind: 'rate',
  series: mistakes.map((one) => ({ mistakes: one, exposureMinutes: 5 })),
});

describe('retests of one start', () => {
  it('are better, worse, about the same, or too little to tell', () => {
    expect(retestAnswer(chances(2, 5, 8), null).verdict).toBe('better');
    expect(retestAnswer(chances(8, 5, 2), null).verdict).toBe('worse');
    expect(retestAnswer(minutes(9, 6, 2), null).verdict).toBe('better');
    expect(retestAnswer(minutes(2, 6, 9), null).verdict).toBe('worse');
    expect(retestAnswer(minutes(300, 290, 310), null).verdict).toBe('about-the-same');
    const little = retestAnswer(chances(4, 5, 5), null);
    expect(little.verdict).toBe('too-little');
    expect(little.neededChances).toBeGreaterThan(10);
    expect(retestAnswer(minutes(3, 2), null)).toMatchObject({ verdict: 'too-little', neededChances: null });
  });

  it('say nothing of one test, but how much two would need', () => {
    expect(retestAnswer(chances(3), 1)).toMatchObject({ verdict: 'too-little', trend: { pOneSided: null }, neededMinutes: null });
    expect(retestAnswer(chances(3), 1).neededChances).toBeGreaterThan(0);
  });

  it('find a slow change that neither first nor last shows by itself', () => {
    const slow = chances(3, 4, 5, 6, 7);
    expect(retestAnswer(slow, null)).toMatchObject({ verdict: 'better' });
    expect(retestAnswer(slow, null).trend.pOneSided!).toBeLessThan(retestAnswer(slow, null).firstLast.pOneSided!);
  });

  it('never call better what got worse, and turned round the one is the other', () => {
    const series = fc.array(fc.nat(10), { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(series, fc.integer({ min: 1, max: 9 }), (successes, look) => {
        const [there, back] = [retestAnswer(chances(...successes), look), retestAnswer(chances(...[...successes].reverse()), look)];
        const turned = { better: 'worse', worse: 'better', 'about-the-same': 'about-the-same', 'too-little': 'too-little' } as const;
        expect(back.verdict).toBe(turned[there.verdict]);
      }),
    );
  });
});

describe('looking again and again', () => {
  it('spends a tenth over the seven looks at a series, and less at each where there are more', () => {
    expect([1, 7].map(levelOfLook)).toEqual([0.1 / 7, 0.1 / 7]);
    expect(levelOfLook(20)).toBe(0.1 / 20);
    expect(levelOfLook(null)).toBe(0.1);
  });

  it('is at a series of eight tests at most; then the newest begins another', () => {
    const tests = (many: number): number[] => Array.from({ length: many }, (_, i) => i);
    expect(seriesNow(tests(1))).toEqual([0]);
    expect(seriesNow(tests(8))).toEqual(tests(8));
    expect(seriesNow(tests(9))).toEqual([7, 8]);
    expect(seriesNow(tests(16))).toEqual([14, 15]);
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 60 }), (many) => {
        const now = seriesNow(tests(many));
        expect(now.length).toBeGreaterThanOrEqual(2);
        expect(now.length).toBeLessThanOrEqual(looksOfSeries + 1);
        expect(now.at(-1)).toBe(many - 1);
      }),
    );
  });

  it('says better by luck to fewer than one in ten over a year of retests, and finds most of a change that is there', () => {
    const draws = drawsFrom(18);
    const clients = 120;
    const ever = (shareAt: (test: number) => number): number => {
      let told = 0;
      for (let client = 0; client < clients; client++) {
        const series: { successes: number; chances: number }[] = [];
        for (let test = 0; test < looksOfSeries + 1; test++) {
          series.push({ successes: Array.from({ length: 20 }).filter(() => draws.uniform() < shareAt(test)).length, chances: 20 });
          if (retestTrend({ kind: 'chance', series }, test)?.verdict !== 'better') continue;
          told += 1;
          break;
        }
      }
      return told / clients;
    };
    expect(ever(() => 0.4)).toBeLessThanOrEqual(0.1);
    // From four of ten to seven of ten within four tests, and kept: failures are halved.
    expect(ever((test) => Math.min(0.7, 0.4 + 0.1 * test))).toBeGreaterThan(0.6);
  });
});
