import { describe, expect, it } from 'vitest';
import { layOutDay } from './layOutDay.ts';
import { planSummary } from './planSummary.ts';
import { estimateDeskMinutes } from './reviewEstimate.ts';

const minute = 60_000;
const hour = 60 * minute;
const windows = [
  { fromAt: 9 * hour, toAt: 12 * hour },
  { fromAt: 13 * hour, toAt: 17 * hour },
];

describe('the estimate of a review', () => {
  it('is three times the bout before any review is known', () => {
    expect(estimateDeskMinutes(5, [])).toBeCloseTo(15, 10);
  });

  it('moves from there towards what reviews took, the more of them there are', () => {
    // Two reviews at ratio 6 beside four believed ones at 3: exp((2 ln 6 + 4 ln 3) ÷ 6) = 3 · 2^(1/3).
    const past = [
      { deskMinutes: 60, boutMinutes: 10 },
      { deskMinutes: 30, boutMinutes: 5 },
    ];
    expect(estimateDeskMinutes(10, past)).toBeCloseTo(30 * 2 ** (1 / 3), 9);
    expect(
      estimateDeskMinutes(
        10,
        Array.from({ length: 400 }, () => past[0]!),
      ),
    ).toBeCloseTo(60, 0);
  });

  it('leaves out reviews without time or length, and is 0 for no footage', () => {
    expect(
      estimateDeskMinutes(5, [
        { deskMinutes: 0, boutMinutes: 5 },
        { deskMinutes: 5, boutMinutes: 0 },
      ]),
    ).toBeCloseTo(15, 10);
    expect([estimateDeskMinutes(0, []), estimateDeskMinutes(NaN, [])]).toEqual([0, 0]);
  });
});

describe('laying out the days', () => {
  it('takes what is due first, end to end', () => {
    const plan = layOutDay(
      [
        { id: 'b', deskMinutes: 30, dueAt: 20 * hour },
        { id: 'a', deskMinutes: 60, dueAt: 12 * hour },
      ],
      windows,
    );
    expect(plan).toEqual([
      { id: 'a', startAt: 9 * hour, endAt: 10 * hour, late: false },
      { id: 'b', startAt: 10 * hour, endAt: 10.5 * hour, late: false },
    ]);
  });

  it('carries a review over the break', () => {
    const plan = layOutDay([{ id: 'long', deskMinutes: 240, dueAt: 20 * hour }], windows);
    expect(plan[0]).toEqual({ id: 'long', startAt: 9 * hour, endAt: 14 * hour, late: false });
  });

  it('says which one misses its promise, to the minute', () => {
    const due = (dueAt: number) => layOutDay([{ id: 'a', deskMinutes: 60, dueAt }], windows)[0]!.late;
    expect([due(10 * hour), due(10 * hour - 1)]).toEqual([false, true]);
  });

  it('leaves out what fits in no window', () => {
    expect(layOutDay([{ id: 'a', deskMinutes: 10_000, dueAt: 0 }], windows)).toEqual([]);
    expect(layOutDay([{ id: 'a', deskMinutes: 10, dueAt: 0 }], [])).toEqual([]);
  });
});

describe('the plan in one line', () => {
  it('counts what is begun today and tells the first that is late', () => {
    const plan = [
      { id: 'a', startAt: 9 * hour, endAt: 10 * hour, late: false },
      { id: 'b', startAt: 33 * hour, endAt: 34 * hour, late: true },
      { id: 'c', startAt: 34 * hour, endAt: 35 * hour, late: true },
    ];
    expect(planSummary(plan, () => 45, 24 * hour)).toEqual({ reviewsToday: 1, minutesToday: 45, firstLateAt: 34 * hour });
    expect(planSummary([], () => 45, 24 * hour)).toEqual({ reviewsToday: 0, minutesToday: 0, firstLateAt: null });
  });
});
