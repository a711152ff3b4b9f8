import { describe, expect, it } from 'vitest';
import { binomialUpTo, garwood, poissonAt } from '../statistics/index.ts';
import { fixProgress } from './fixProgress.ts';
import { neededChances, neededMinutes } from './neededToKnow.ts';
import { threadState, type ThreadStep } from './threadState.ts';

const rate = (...series: [mistakes: number, minutes: number][]) =>
  fixProgress({ kind: 'rate', series: series.map(([mistakes, exposureMinutes]) => ({ mistakes, exposureMinutes })) });
const chance = (...series: [successes: number, chances: number][]) =>
  fixProgress({ kind: 'chance', series: series.map(([successes, chances]) => ({ successes, chances })) });

describe('progress of a rate', () => {
  it('is better, or worse, where chance is an unlikely answer and the change is worth the name', () => {
    expect(rate([11, 10], [3, 10])).toMatchObject({ verdict: 'better', neededMinutes: null });
    expect(rate([3, 10], [11, 10])).toMatchObject({ verdict: 'worse', neededMinutes: null });
    expect(rate([11, 10], [3, 10]).pOneSided).toBeCloseTo(470 / 16384, 12);
    expect(rate([11, 10], [3, 10]).ratio).toBeCloseTo(3 / 11, 12);
  });

  it('is about the same only where the interval says so', () => {
    expect(rate([100, 50], [101, 50]).verdict).toBe('about-the-same');
    expect(rate([4, 10], [4, 10]).verdict).toBe('too-little');
  });

  it('says how much mat time it takes where there is too little', () => {
    const few = rate([3, 5], [2, 5]);
    expect(few.verdict).toBe('too-little');
    expect(few.neededMinutes).toBe(neededMinutes(0.4));
    expect(rate([3, 5])).toMatchObject({ verdict: 'too-little', ratio: null, neededMinutes: neededMinutes(0.6) });
    // Nothing seen at all still has an answer.
    expect(rate([0, 5], [0, 5])).toMatchObject({ ratio: null, verdict: 'too-little', pOneSided: 1 });
  });

  it('compares the first request with the last, and gives each its own interval', () => {
    const { perRequest, verdict } = rate([11, 10], [30, 10], [3, 10]);
    expect(verdict).toBe('better');
    expect(perRequest[2]).toEqual({ value: 0.3, interval: garwood(3, 10) });
  });
});

describe('progress of a chance', () => {
  it('is better where successes rose beyond chance, and worse the other way round', () => {
    expect(chance([2, 15], [10, 15]).verdict).toBe('better');
    expect(chance([10, 15], [2, 15]).verdict).toBe('worse');
    // By hand: (C(12,10)·C(18,5) + C(12,11)·C(18,4) + C(18,3)) ÷ C(30,15).
    expect(chance([2, 15], [10, 15]).pOneSided).toBeCloseTo(603_024 / 155_117_520, 12);
  });

  it('says how many chances it takes where there are too few', () => {
    expect(chance([3, 6], [4, 6])).toMatchObject({ verdict: 'too-little', neededMinutes: null });
    expect(chance([3, 6], [4, 6]).neededChances).toBe(neededChances(4 / 6));
    expect(chance([0, 0], [4, 6]).perRequest[0]).toEqual({ value: null, interval: null });
  });
});

describe('the interval of a rate', () => {
  it.each([0.3, 1, 2.7, 8, 20])('covers a true mean of %f at least nine times in ten', (mean) => {
    let covered = 0;
    for (let k = 0; k < 80; k++) {
      const [low, high] = garwood(k, 1);
      if (low <= mean && mean <= high) covered += poissonAt(k, mean);
    }
    expect(covered).toBeGreaterThanOrEqual(0.9);
  });
});

describe('how much it takes to know', () => {
  it('finds a halving four times in five, by playing it out', () => {
    const minutes = neededMinutes(1)!;
    let state = 20_261_125;
    const random = (): number => (state = (state * 16807) % 2147483647) / 2147483647;
    const poisson = (mean: number): number => {
      let [k, product] = [0, random()];
      for (const floor = Math.exp(-mean); product > floor; k++) product *= random();
      return k;
    };
    const found = (mean: number): number => {
      let times = 0;
      for (let i = 0; i < 4000; i++) {
        const [before, after] = [poisson(mean), poisson(mean / 2)];
        if (before + after > 0 && binomialUpTo(after, before + after, 0.5) <= 0.1) times += 1;
      }
      return times / 4000;
    };
    expect(found(minutes)).toBeGreaterThan(0.77);
    expect(found(minutes * 0.7)).toBeLessThan(0.8);
    // Half the rate needs twice the time.
    expect(Math.abs(neededMinutes(0.5)! - 2 * minutes)).toBeLessThanOrEqual(2);
  });

  it('is not to be had where everything works already', () => {
    expect(neededChances(1)).toBeNull();
    expect(neededMinutes(0)).toBeNull();
  });
});

describe('a thread', () => {
  const step = (r: number, verdict: ThreadStep['verdict']): ThreadStep => ({ rate: r, verdict });
  it('goes from new to working, better, holding, and back again', () => {
    const way = [
      step(2, 'too-little'),
      step(1.5, 'too-little'),
      step(0.8, 'better'),
      step(0.6, 'better'),
      step(0.5, 'too-little'),
      step(2.2, 'worse'),
    ];
    expect(way.map((_, i) => threadState(way.slice(0, i + 1)))).toEqual(['new', 'working', 'better', 'better', 'holding', 'back-again']);
  });

  it('does not hold on luck: three requests in a row, none worse, below half of the first rate', () => {
    expect(threadState([step(2, 'too-little'), step(0.9, 'better'), step(1.2, 'too-little'), step(0.9, 'better')])).toBe('better');
  });
});
