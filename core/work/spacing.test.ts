import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { datesAhead, endOf, type SpacedWork } from './spacing.ts';

/** Monday 7 September 2026 on, for three weeks, twice in the first; training on Monday, Wednesday and Friday. */
const work: SpacedWork = {
  ...{ fromOn: '2026-09-07', weeks: 3, timesPerWeek: 2, trainingDays: [1, 3, 5], pauses: [], done: [], endedOn: null },
};
const withMore = (more: Partial<SpacedWork>): SpacedWork => ({ ...work, ...more });

describe('the days of work', () => {
  it('lie on days of training, further and further apart, until its weeks are over', () => {
    // Gaps of 3.5, 4.55, 5.9 and 7.7 days, rounded, each on to the next day of training.
    expect(datesAhead(work, '2026-09-01')).toEqual(['2026-09-07', '2026-09-11', '2026-09-16', '2026-09-23']);
    expect(endOf(work)).toBe('2026-09-28');
  });

  it('that passed without it move to the next day of training; the gap stays as it was', () => {
    expect(datesAhead(work, '2026-09-08').slice(0, 2)).toEqual(['2026-09-09', '2026-09-14']);
    expect(datesAhead(withMore({ done: ['2026-09-09'] }), '2026-09-15').slice(0, 2)).toEqual(['2026-09-16', '2026-09-21']);
  });

  it('are none in a pause, which makes the weeks longer by as much', () => {
    const paused = withMore({ pauses: [{ fromOn: '2026-09-10', untilOn: '2026-09-20' }] });
    expect(endOf(paused)).toBe('2026-10-08');
    expect(datesAhead(paused, '2026-09-01').slice(0, 2)).toEqual(['2026-09-07', '2026-09-21']);
    const open = withMore({ pauses: [{ fromOn: '2026-09-10', untilOn: null }] });
    expect([endOf(open), datesAhead(open, '2026-09-10')]).toEqual([null, []]);
  });

  it('end when the fix holds', () => {
    expect(datesAhead(withMore({ endedOn: '2026-09-12' }), '2026-09-01')).toEqual(['2026-09-07', '2026-09-11']);
  });

  const day = (n: number): string => new Date(Date.UTC(2026, 8, 1) + n * 86_400_000).toISOString().slice(0, 10);
  const pause = fc.tuple(fc.nat(60), fc.nat(25)).map(([from, length]) => ({ fromOn: day(from), untilOn: day(from + length) }));
  const any = fc.record({
    fromOn: fc.nat(20).map(day),
    weeks: fc.integer({ min: 1, max: 12 }),
    timesPerWeek: fc.integer({ min: 1, max: 7 }),
    trainingDays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 7 }),
    pauses: fc.array(pause, { maxLength: 3 }),
    done: fc.array(fc.nat(40).map(day), { maxLength: 8 }),
    endedOn: fc.constant(null),
  });

  it('are in order, on days of training, in no pause, none before today and none after the end, whatever was done', () => {
    fc.assert(
      fc.property(any, fc.nat(50), (some, n) => {
        const [dates, today, end] = [datesAhead(some, day(n)), day(n), endOf(some)!];
        expect(dates).toEqual([...new Set(dates)].sort());
        for (const date of dates) {
          expect(date >= today && date >= some.fromOn && date < end).toBe(true);
          const weekday = new Date(`${date}T00:00:00Z`).getUTCDay() || 7;
          if (some.trainingDays.length > 0) expect(some.trainingDays).toContain(weekday);
          expect(some.pauses.some(({ fromOn, untilOn }) => fromOn <= date && date < untilOn)).toBe(false);
        }
      }),
    );
  });

  it('never come closer together as it is done more often, where any day will do', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 2, max: 20 }), (timesPerWeek, weeks) => {
        const dates = datesAhead(withMore({ trainingDays: [], timesPerWeek, weeks }), work.fromOn);
        const gaps = dates.slice(1).map((date, i) => (Date.parse(date) - Date.parse(dates[i]!)) / 86_400_000);
        gaps.slice(1).forEach((gap, i) => expect(gap).toBeGreaterThanOrEqual(gaps[i]!));
        expect(Math.max(0, ...gaps)).toBeLessThanOrEqual(28);
      }),
    );
  });
});
