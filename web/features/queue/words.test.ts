import type { TodayRow } from '@lean-mentor/contract';
import { describe, expect, it } from 'vitest';
import { byDayWords, dayLine, handWords, minutesWords, shiftWords, slackOf, spanWords } from './words.ts';

const now = new Date('2026-11-30T10:00:00');
const hour = 3_600_000;
const forecast = (finishHours: number | null, lateShare = 0) => ({
  id: 'a',
  startP50At: now.getTime(),
  finishP50At: finishHours === null ? null : now.getTime() + finishHours * hour,
  finishP80At: finishHours === null ? null : now.getTime() + finishHours * hour,
  lateShare,
});
const due = (hours: number) => ({ dueAt: new Date(now.getTime() + hours * hour).toISOString() }) as TodayRow;

describe('a day by which something is asked for', () => {
  it('is named, and told apart once it has passed', () => {
    const now = new Date(2026, 10, 30, 9);
    expect(byDayWords('2026-12-01', now)).toBe('by tomorrow');
    expect(byDayWords('2026-11-30', now)).toBe('by today');
    expect(byDayWords('2026-11-29', now)).toBe('was asked for by yesterday');
  });
});

describe('the day in a sentence', () => {
  const day = { reviewsToday: 3, minutesToday: 130, lateNow: 0, firstLateAt: null };
  it.each([
    [day, null, '3 reviews today, 2 h 10 min, nothing late.'],
    [{ ...day, reviewsToday: 1, minutesToday: 1 }, null, '1 review today, 1 min, nothing late.'],
    [{ ...day, firstLateAt: now.getTime() + 4 * 24 * hour }, null, '3 reviews today, 2 h 10 min, nothing late until Friday.'],
    [{ ...day, lateNow: 1 }, null, '3 reviews today, 2 h 10 min, one is late already.'],
    [{ ...day, reviewsToday: 0, lateNow: 2 }, null, 'Nothing to review today, 2 are late already.'],
    [day, '2026-12-02T09:00:00', 'You are away until Wednesday 9:00, nothing late.'],
  ])('%o, away until %s: %s', (inShort, away, line) => expect(dayLine(inShort, now, away)).toBe(line));
});

describe('how a promise stands', () => {
  it.each([
    [due(-1), forecast(2, 1), 'late by 1 h', 'broken'],
    [due(5), forecast(2), '3 h to spare', 'kept'],
    [due(5), forecast(4, 0.2), 'missed in 2 of 10 cases', 'risk'],
    [due(5), forecast(9, 0.97), 'will be missed', 'risk'],
    [due(5), forecast(null, 1), 'no working hours left for it', 'risk'],
    [due(5), undefined, '', 'kept'],
  ])('%o with %o', (row, looked, words, state) => expect(slackOf(row, looked, now)).toEqual({ words, state }));
});

it('a length of time is told in what a person takes in', () => {
  expect([0.1, 0.5, 1, 1.6, 47, 60, -72].map((hours) => spanWords(hours * hour))).toEqual([
    '6 min',
    '30 min',
    '1 h',
    '2 h',
    '47 h',
    '3 days',
    '3 days',
  ]);
  expect([0.2, 1.4, 1.6, 61].map(minutesWords)).toEqual(['1 min', '1 min', '2 min', '1 h 1 min']);
});

it('another order says who gains and who waits, from a quarter of an hour on', () => {
  expect(shiftWords(forecast(5), forecast(2))).toBe('3 h sooner');
  expect(shiftWords(forecast(2), forecast(5))).toBe('waits 3 h longer');
  expect(shiftWords(forecast(2), forecast(2.2))).toBeNull();
  expect(shiftWords(undefined, forecast(2))).toBeNull();
});

it('what was moved by hand says what it costs', () => {
  const policy = (numberLate: number, weightedLatenessHours: number) =>
    ({ policy: 'due-first', reviews: [], order: [], numberLate, weightedLatenessHours, meanWaitHours: 0, longestWaitHours: 0 }) as const;
  const plain = { ...policy(1, 2), reviews: [], order: [] };
  expect(handWords({ ...policy(2, 5.5), reviews: [], order: [] }, plain)).toBe('What was moved by hand: 1 more late, 3.5 h more lateness.');
  expect(handWords(plain, plain)).toBe('What was moved by hand costs nothing.');
});
