import { describe, expect, it } from 'vitest';
import { drawsFrom } from '../statistics/index.ts';
import { deskTimeFrom, drawDeskTime, estimateDeskMinutes, estimateRecord, type PastReview } from './deskTime.ts';

const past = (count: number, ratio: number, rest: Partial<PastReview> = {}): PastReview[] =>
  Array.from({ length: count }, () => ({ kind: 'match', boutMinutes: 10, deskMinutes: 10 * ratio, ...rest }));
const minutes = (reviews: PastReview[], rest: Partial<PastReview> = {}): number =>
  estimateDeskMinutes(deskTimeFrom(reviews), { kind: 'match', boutMinutes: 5, ...rest }).minutes;

describe('the estimate of a review', () => {
  it('is three times the bout before any review is known, with a range about it', () => {
    const { minutes: middle, low, high } = estimateDeskMinutes(deskTimeFrom([]), { kind: 'match', boutMinutes: 5 });
    expect(middle).toBeCloseTo(15, 10);
    // Student's t with 4 degrees at 0.9 is 1.5332; scale 0.45 · √(5 ÷ 4).
    expect(high / middle).toBeCloseTo(Math.exp(1.5332 * 0.45 * Math.sqrt(1.25)), 3);
    expect(low * high).toBeCloseTo(middle ** 2, 8);
  });

  it('moves from there towards what reviews took, with the weight of four', () => {
    expect(minutes(past(2, 6), { boutMinutes: 10 })).toBeCloseTo(30 * 2 ** (1 / 3), 9);
    expect(minutes(past(400, 6), { boutMinutes: 10 })).toBeCloseTo(60, 0);
  });

  it('takes matches and sparring apart once there are five of each, and not before', () => {
    const sparring = (count: number) => past(count, 2, { kind: 'sparring' });
    const together = [...past(5, 6), ...sparring(4)];
    expect(minutes(together)).toBe(minutes(together, { kind: 'sparring' }));
    const apart = [...past(5, 6), ...sparring(5)];
    expect(minutes(apart)).toBeCloseTo(minutes(past(5, 6)), 9);
    expect(minutes(apart, { kind: 'sparring' })).toBeCloseTo(minutes(past(5, 2)), 9);
  });

  it('is longer for a spoken answer: a quarter before any was given, then by what they took', () => {
    expect(minutes([], { spoken: true }) / minutes([])).toBeCloseTo(1.25, 9);
    const known = [...past(40, 3), ...past(60, 6, { spoken: true })];
    expect(minutes(known, { spoken: true }) / minutes(known)).toBeCloseTo(2, 0);
    expect(minutes(known)).toBeCloseTo(15, 0);
  });

  it('leaves out reviews without time or length, and is 0 for no footage', () => {
    expect(minutes([...past(1, 0), ...past(1, 3, { boutMinutes: 0 })])).toBeCloseTo(15, 10);
    expect(minutes([], { boutMinutes: 0 })).toBe(0);
    expect(minutes([], { boutMinutes: NaN })).toBe(0);
  });
});

describe('drawn desk times', () => {
  it('lie in the range in eight of ten draws, with few reviews and with many', () => {
    for (const reviews of [[], past(3, 4), [...past(20, 2), ...past(20, 5)]]) {
      const time = deskTimeFrom(reviews);
      const review = { kind: 'match' as const, boutMinutes: 8 };
      const { low, high, minutes: middle } = estimateDeskMinutes(time, review);
      const draws = drawsFrom(11);
      const drawn = Array.from({ length: 8000 }, () => drawDeskTime(time, draws)(review));
      expect(drawn.filter((m) => m >= low && m <= high).length / 8000).toBeGreaterThan(0.78);
      expect(drawn.filter((m) => m >= low && m <= high).length / 8000).toBeLessThan(0.82);
      expect(drawn.filter((m) => m < middle).length / 8000).toBeCloseTo(0.5, 1);
    }
  });

  it('of one run are all longer or all shorter where the coach’s pace is not known yet', () => {
    const time = deskTimeFrom([]);
    const draws = drawsFrom(5);
    const pairs = Array.from({ length: 4000 }, () => {
      const draw = drawDeskTime(time, draws);
      return [0, 1].map(() => Math.log(draw({ kind: 'match', boutMinutes: 10 }) / 30)) as [number, number];
    });
    const mean = (of: number[]): number => of.reduce((sum, x) => sum + x, 0) / of.length;
    expect(mean(pairs.map(([a, b]) => a * b)) / mean(pairs.map(([a]) => a * a))).toBeGreaterThan(0.1);
  });
});

describe('how good the estimates were', () => {
  it('puts each review beside what those before it would have said', () => {
    const record = estimateRecord([...past(6, 3), ...past(1, 30)]);
    expect(record).toMatchObject({ reviews: 7, inRange: 6 });
    expect(record.middleRatio).toBeCloseTo(1, 6);
    expect(estimateRecord([])).toEqual({ reviews: 0, inRange: 0, middleRatio: null });
  });
});
