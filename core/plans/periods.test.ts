import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { periodsUntil, planPeriods, standingOn, type Membership } from './periods.ts';
import { daysRunning, worthOfDays } from './shares.ts';

const membership = (fromOn: string, more: Partial<Membership> = {}): Membership => ({ fromOn, untilOn: null, pauses: [], ...more });
const spans = (of: Membership, period: (typeof planPeriods)[number], day: string): string[] =>
  periodsUntil(of, period, day).map(({ fromOn, untilOn }) => `${fromOn} ${untilOn}`);

describe('the periods of a plan', () => {
  it('keep the day of the month they began on, as far as the month has it', () => {
    expect(spans(membership('2027-12-31'), 'month', '2028-03-31')).toEqual([
      '2027-12-31 2028-01-31',
      '2028-01-31 2028-02-29',
      '2028-02-29 2028-03-31',
      '2028-03-31 2028-04-30',
    ]);
    expect(spans(membership('2026-11-30'), 'week', '2026-12-06')).toEqual(['2026-11-30 2026-12-07']);
    expect(spans(membership('2026-11-30'), 'quarter', '2027-02-27')).toEqual(['2026-11-30 2027-02-28']);
  });

  it('end with the plan', () => {
    expect(spans(membership('2026-11-01', { untilOn: '2026-12-10' }), 'month', '2027-05-01')).toEqual([
      '2026-11-01 2026-12-01',
      '2026-12-01 2026-12-10',
    ]);
  });

  it('are longer by the days of a pause that begins in them, and what follows comes later', () => {
    const paused = membership('2026-11-01', { pauses: [{ fromOn: '2026-11-10', untilOn: '2026-11-24' }] });
    expect(spans(paused, 'month', '2026-12-20')).toEqual(['2026-11-01 2026-12-15', '2026-12-15 2027-01-15']);
    expect(standingOn(paused, 'month', '2026-11-23')).toMatchObject({ state: 'paused' });
    expect(standingOn(paused, 'month', '2026-11-24')).toMatchObject({ state: 'runs' });
    const open = membership('2026-11-01', { pauses: [{ fromOn: '2026-11-10', untilOn: null }] });
    expect(spans(open, 'month', '2028-01-01')).toEqual(['2026-11-01 null']);
  });

  it('are none before the first day and after the last', () => {
    const past = membership('2026-11-01', { untilOn: '2026-12-01' });
    expect(standingOn(past, 'month', '2026-10-31')).toEqual({ state: 'not-yet' });
    expect(standingOn(past, 'month', '2026-11-30')).toMatchObject({ state: 'runs' });
    expect(standingOn(past, 'month', '2026-12-01')).toEqual({ state: 'over' });
  });

  const day = fc
    .date({ min: new Date('2026-01-01'), max: new Date('2028-12-31'), noInvalidDate: true })
    .map((d) => d.toISOString().slice(0, 10));
  const addDays = (text: string, days: number): string => new Date(Date.parse(text) + days * 86_400_000).toISOString().slice(0, 10);

  it('follow one another without a gap, and every day of the plan lies in one, whatever the pauses', () => {
    fc.assert(
      fc.property(
        day,
        fc.constantFrom(...planPeriods),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 1, max: 40 })), { maxLength: 4 }),
        fc.integer({ min: 0, max: 800 }),
        (fromOn, period, pauses, later) => {
          const of = membership(fromOn, {
            pauses: pauses.map(([at, days]) => ({ fromOn: addDays(fromOn, at), untilOn: addDays(fromOn, at + days) })),
          });
          const until = addDays(fromOn, later);
          const all = periodsUntil(of, period, until);
          all.slice(1).forEach((p, i) => expect(p.fromOn).toBe(all[i]!.untilOn));
          expect(all[0]!.fromOn).toBe(fromOn);
          const last = all.at(-1)!;
          expect(last.fromOn <= until && (last.untilOn === null || until < last.untilOn)).toBe(true);
        },
      ),
    );
  });
});

describe('what ran in a stretch of days', () => {
  it('are the days of the plan in it, without its pauses, also where they reach beyond it', () => {
    const paused = membership('2026-11-01', {
      untilOn: '2026-11-21',
      pauses: [
        { fromOn: '2026-11-03', untilOn: '2026-11-05' },
        { fromOn: '2026-11-18', untilOn: null },
      ],
    });
    expect(daysRunning(paused, '2026-10-01', '2026-12-01')).toBe(15);
    expect(daysRunning(paused, '2026-11-04', '2026-11-10')).toBe(5);
    expect(daysRunning(membership('2026-11-28'), '2026-11-01', '2026-12-01')).toBe(3);
    expect(daysRunning(membership('2027-01-01'), '2026-11-01', '2026-12-01')).toBe(0);
  });

  it('is worth its share of the period', () => {
    expect(worthOfDays(12, 'year', 365.2425)).toBeCloseTo(12, 9);
    expect(worthOfDays(45, 'month', 30.436875)).toBeCloseTo(45, 9);
  });
});
