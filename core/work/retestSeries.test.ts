import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { retestAnswer } from '../followup/index.ts';
import { fisherExact } from '../statistics/index.ts';
import { beforeAfter, earlyLate, retestsOf } from './retestSeries.ts';
import { addCounts, countedWords, countsOf, type DoneRound, type WorkSession } from './session.ts';
import { startWays } from './startWays.ts';
import type { RoundTest } from './terms.ts';

const test: RoundTest = {
  start: { position: 'half-guard', clientHolds: false, grips: '' },
  ...{ ways: startWays('half-guard', false), minutes: 7, counts: 'chance' },
};
/** Ends from below: w1 swept and w2 tap are the client's, w3 passed is the other's. */
const presses = (won: number, lost: number): DoneRound['presses'] => [
  ...Array.from({ length: won }, (_, i) => ({ wayId: 'w1', atMs: i * 1000 })),
  ...Array.from({ length: lost }, (_, i) => ({ wayId: 'w3', atMs: 300_000 + i * 1000 })),
];
const round = (won: number, lost: number, more: Partial<DoneRound> = {}): DoneRound => ({
  ...{ when: null, place: 'own', ranMs: 420_000, partner: { level: 'same', size: 'same' }, by: 'third', presses: presses(won, lost) },
  ...more,
});
const day = (n: number): string => `2026-09-${String(n).padStart(2, '0')}`;
const session = (n: number, rounds: DoneRound[]): WorkSession => ({
  ...{ id: `s${n}`, doneOn: day(n), rounds, felt: null, line: '', pains: [] },
});

describe('what was counted in a round', () => {
  it('is won of ended goes; changed places change whose an end is; what nobody won is no chance', () => {
    expect(countsOf(round(3, 5), test)).toEqual({ successes: 3, chances: 8 });
    expect(countsOf(round(3, 5, { place: 'other' }), test)).toEqual({ successes: 5, chances: 8 });
    const neither = { ...test, ways: startWays('standing', null) };
    expect(countsOf({ ...round(0, 0), presses: [{ wayId: 'w3', atMs: null }] }, neither)).toEqual({ successes: 0, chances: 0 });
    expect(countsOf(round(3, 5), { ...test, counts: 'rate' })).toEqual({ mistakes: 5, minutes: 7 });
  });

  it('is said as one says it', () => {
    expect(
      [
        { successes: 3, chances: 11 },
        { mistakes: 5, minutes: 7 },
        { mistakes: 1, minutes: 2.55 },
      ].map(countedWords),
    ).toEqual(['3 of 11', '5 in 7 min', '1 in 2.5 min']);
  });

  it('is never added over chances and minutes', () => {
    expect(() =>
      addCounts([
        { successes: 1, chances: 2 },
        { mistakes: 1, minutes: 2 },
      ]),
    ).toThrow(RangeError);
    expect(addCounts([])).toBeNull();
  });
});

describe('retests', () => {
  it('are one a day, oldest first, of rounds without the advice just heard', () => {
    const [own, ...rest] = retestsOf(test, [
      session(20, [round(6, 2, { when: 'before' }), round(8, 0, { when: 'after' })]),
      session(1, [round(1, 4), round(2, 5)]),
    ]);
    expect(rest).toEqual([]);
    expect(own!.tests.map(({ doneOn, counted }) => [doneOn, counted])).toEqual([
      [day(1), { successes: 3, chances: 12 }],
      [day(20), { successes: 6, chances: 8 }],
    ]);
    const series = [
      { successes: 3, chances: 12 },
      { successes: 6, chances: 8 },
    ];
    expect(own!.answer).toEqual(retestAnswer({ kind: 'chance', series }, 7));
  });

  it('with another level of partner, or with places changed, stand beside one another and are never pooled', () => {
    const harder = { partner: { level: 'higher', size: 'same' } } as const;
    const groups = retestsOf(test, [
      session(1, [round(2, 6)]),
      session(8, [round(5, 3), round(1, 7, harder)]),
      session(15, [round(6, 2), round(4, 4, { place: 'other' })]),
    ]);
    expect(groups.map(({ place, level, tests }) => [place, level, tests.length])).toEqual([
      ['own', 'same', 3],
      ['own', 'higher', 1],
      ['other', 'same', 1],
    ]);
    expect(groups[1]!.answer).toBeNull();
  });

  it('lose and double nothing: all goes without advice are in exactly one of them, whatever was done', () => {
    const anyRound = fc
      .record({
        won: fc.nat(6),
        lost: fc.nat(6),
        when: fc.constantFrom(null, 'before' as const, 'after' as const),
        place: fc.constantFrom('own' as const, 'other' as const),
        level: fc.constantFrom('lower' as const, 'same' as const, 'unknown' as const),
      })
      .map(({ won, lost, when, place, level }) => round(won, lost, { when, place, partner: { level, size: 'same' } }));
    fc.assert(
      fc.property(fc.array(fc.array(anyRound, { maxLength: 5 }), { maxLength: 6 }), (days) => {
        const sessions = days.map((rounds, i) => session(i + 1, rounds));
        const inGroups = retestsOf(test, sessions)
          .flatMap(({ tests }) => tests)
          .reduce((sum, { counted }) => sum + ('chances' in counted ? counted.chances : 0), 0);
        const all = days
          .flat()
          .filter(({ when }) => when !== 'after')
          .reduce((sum, one) => sum + one.presses.length, 0);
        expect(inGroups).toBe(all);
      }),
      { numRuns: 60 },
    );
  });

  it('are read by minutes where a rate is counted', () => {
    const rate = { ...test, counts: 'rate' as const };
    const [own] = retestsOf(rate, [session(1, [round(0, 12)]), session(9, [round(0, 3, { ranMs: 300_000 })])]);
    expect(own!.tests.map(({ counted }) => counted)).toEqual([
      { mistakes: 12, minutes: 7 },
      { mistakes: 3, minutes: 5 },
    ]);
    expect(own!.answer!.trend.method).toBe('exact conditional trend of rates');
  });
});

describe('one day', () => {
  it('is read before against after with the same partner and in the same place only', () => {
    const rounds = [
      round(1, 7, { when: 'before' }),
      round(6, 2, { when: 'after' }),
      round(0, 8, { when: 'after', partner: { level: 'higher', size: 'larger' } }),
    ];
    expect(beforeAfter(test, rounds)!.progress).toMatchObject({ verdict: 'better' });
    expect(beforeAfter(test, [round(1, 7)])).toBeNull();
  });

  it('tells early in a round from late by when each go was counted; from memory it does not', () => {
    const told = earlyLate(test, [round(6, 6)])!;
    expect(told).toMatchObject({ early: { successes: 6, chances: 6 }, late: { successes: 0, chances: 6 } });
    expect(told.p).toBeCloseTo(2 * fisherExact({ yes: 6, no: 0, otherYes: 0, otherNo: 6 }), 12);
    const remembered = round(3, 3, { by: 'memory' });
    expect(earlyLate(test, [{ ...remembered, presses: remembered.presses.map((one) => ({ ...one, atMs: null })) }])).toBeNull();
  });
});
