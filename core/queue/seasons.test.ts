import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawsFrom } from '../statistics/index.ts';
import { deskTimeFrom, type PastReview } from './deskTime.ts';
import { drawSeason, seasonFactor, seasonsOf, type Season } from './seasons.ts';
import { simulateStream } from './stream.ts';

/** Weekly counts of some years in which the weeks from `from` up to `to` of each year bring `times` as much. */
const history = (weeks: number, from: number, to: number, times: number, perWeek = 10): number[] =>
  Array.from({ length: weeks }, (_, week) => (week % 52 >= from && week % 52 < to ? perWeek * times : perWeek));

describe('the season of the weeks ahead', () => {
  it('is an ordinary one while less than a year is known', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(40), { maxLength: 51 }), (counts) => {
        const { recent, ahead } = seasonsOf(counts, 8, 12);
        expect([recent, ...ahead].map(seasonFactor)).toEqual([1, 1, 1]);
      }),
    );
  });

  it('is an ordinary one where every week was like the others, however many came', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 230 }), fc.nat(50), (weeks, perWeek) => {
        for (const season of [seasonsOf(history(weeks, 0, 0, 1, perWeek), 8, 12)].flatMap(({ recent, ahead }) => [recent, ...ahead]))
          expect(seasonFactor(season)).toBeCloseTo(1, 10);
      }),
    );
  });

  it('is found where the same weeks of earlier years brought twice as much, and the more surely the more came', () => {
    // Two years are over: weeks 0 to 4 of the third lie ahead.
    const busy = seasonsOf(history(104, 0, 4, 2), 8, 12);
    const truth = 2 / ((4 * 2 + 48) / 52);
    expect(seasonFactor(busy.ahead[0]!)).toBeGreaterThan(0.85 * truth);
    expect(seasonFactor(busy.ahead[0]!)).toBeLessThan(truth);
    expect(seasonFactor(busy.ahead[1]!)).toBeLessThan(1);
    const few = seasonsOf(history(104, 0, 4, 2, 1), 8, 12);
    expect(seasonFactor(few.ahead[0]!)).toBeLessThan(seasonFactor(busy.ahead[0]!));
  });

  it('leaves growth out: a practice that grows evenly has no season', () => {
    const growing = Array.from({ length: 156 }, (_, week) => 5 + week / 10);
    for (const season of seasonsOf(growing, 8, 12).ahead) expect(Math.abs(seasonFactor(season) - 1)).toBeLessThan(0.12);
  });

  it('is drawn about its middle', () => {
    const draws = drawsFrom(5);
    const season = { requests: 90, expected: 60 };
    const drawn = Array.from({ length: 4000 }, () => drawSeason(season, draws));
    const mean = drawn.reduce((total, one) => total + one, 0) / drawn.length;
    expect(mean).toBeCloseTo(seasonFactor(season), 2);
  });
});

describe('weeks of requests', () => {
  const exactly: PastReview[] = Array.from({ length: 2000 }, () => ({ kind: 'match', boutMinutes: 60, deskMinutes: 60 }));
  const always = { zone: 'UTC', weekly: [1, 2, 3, 4, 5, 6, 7].map((day) => ({ day, from: '00:00', to: '24:00' })), exceptions: [] };
  const source = { plan: 'a', clients: 1, seen: { requests: 30e6, weeks: 1e6 }, planRank: 1, spoken: false };
  const bouts = [{ kind: 'match' as const, minutes: 60 }];
  const middles = (recent: Season, ahead: Season[]): number[] =>
    simulateStream({
      sources: [{ ...source, bouts, turnaround: { hours: 1, kind: 'calendar' } }],
      ...{ hours: always, nowAt: Date.parse('2026-11-30T08:00:00Z'), weeks: 8, deskTime: deskTimeFrom(exactly), policy: 'due-first' },
      ...{ seed: 3, runs: 300, seasons: { recent, ahead } },
    }).weeks.map(({ middle }) => middle);
  const times = (factor: number): Season => ({ requests: factor * 1e7, expected: 1e7 });

  it('bring as much more as the season does, and less where the rate was counted in a busy one', () => {
    const even = middles(times(1), [times(1), times(1)]);
    const busy = middles(times(1), [times(2), times(1)]);
    expect(busy[1]! / even[1]!).toBeCloseTo(2, 0);
    expect(busy[6]! / even[6]!).toBeCloseTo(1, 0);
    const after = middles(times(2), [times(1), times(1)]);
    expect(after[1]! / even[1]!).toBeCloseTo(0.5, 1);
  });
});
