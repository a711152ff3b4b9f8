import { describe, expect, it } from 'vitest';
import { drawsFrom } from '../statistics/index.ts';
import { fewestClients, workEffect, type BeforeAfter } from './workEffects.ts';

const one = (clientId: string, before: number, after: number): BeforeAfter => ({
  clientId,
  before: { wrong: before, exposure: 5 },
  after: { wrong: after, exposure: 5 },
});

describe('what moved a fix over clients', () => {
  it('says nothing of too few, nor of clients without anything to count', () => {
    const few = Array.from({ length: fewestClients - 1 }, (_, i) => one(`c${i}`, 9, 0));
    expect(workEffect(few, few)).toEqual({ clients: 4, ratio: null, interval: null });
    const empty = [...few, { ...one('c9', 9, 0), after: { wrong: 0, exposure: 0 } }];
    expect(workEffect(empty, empty).ratio).toBeNull();
    // The same client twice is one client.
    expect(workEffect([...few, few[0]!], few).ratio).toBeNull();
  });

  it('is what went wrong to what was to be expected, shrunk; worked by hand', () => {
    const all = Array.from({ length: 5 }, (_, i) => one(`c${i}`, 4, 2));
    // All begin alike: 20.5 ÷ 25 = 0.82 a minute; expected 25 · 0.82 + 2 = 22.5; seen 12.
    const { ratio, interval, clients } = workEffect(all, all);
    expect(clients).toBe(5);
    expect(ratio!).toBeCloseTo(12 / 22.5, 10);
    // Gamma of shape 12: R qgamma(c(.05, .95), 12) = 6.924212, 18.207514.
    expect(interval![0]).toBeCloseTo(6.924212 / 22.5, 6);
    expect(interval![1]).toBeCloseTo(18.207514 / 22.5, 6);
  });

  it('is not taken in by those who began worst by luck: what does nothing is not said to help', () => {
    const draws = drawsFrom(7);
    let helped = 0;
    const runs = 300;
    for (let run = 0; run < runs; run++) {
      const everyone = Array.from({ length: 40 }, (_, i) => one(`c${i}`, draws.poisson(4), draws.poisson(4)));
      // The coach gives it to those who began worst.
      const worst = [...everyone].sort((a, b) => b.before.wrong - a.before.wrong).slice(0, 8);
      const { interval } = workEffect(worst, everyone);
      if (interval![1] < 1) helped += 1;
    }
    expect(helped / runs).toBeLessThan(0.25);
  });

  it('finds a true halving in many', () => {
    const draws = drawsFrom(8);
    const everyone = Array.from({ length: 30 }, (_, i) => one(`c${i}`, draws.poisson(6), draws.poisson(3)));
    expect(workEffect(everyone, everyone).interval![1]).toBeLessThan(0.8);
  });
});
