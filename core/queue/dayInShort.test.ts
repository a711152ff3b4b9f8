import { expect, it } from 'vitest';
import { dayInShort } from './dayInShort.ts';

const hour = 3_600_000;
const forecast = (id: string, startHour: number | null, lateShare: number) => ({
  id,
  startP50At: startHour === null ? null : startHour * hour,
  finishP50At: null,
  finishP80At: null,
  lateShare,
});

it('a day in short counts what is begun in it, what is late already, and names the first promise that will probably be missed', () => {
  const reviews = new Map([
    ['a', { dueAt: 8 * hour, minutes: 30 }],
    ['b', { dueAt: 20 * hour, minutes: 45 }],
    ['c', { dueAt: 40 * hour, minutes: 20 }],
    ['d', { dueAt: 30 * hour, minutes: 20 }],
  ]);
  const forecasts = [forecast('a', 9, 1), forecast('b', 10, 0.5), forecast('c', 30, 0.6), forecast('d', null, 1)];
  expect(dayInShort(forecasts, reviews, 9 * hour, 24 * hour)).toEqual({
    reviewsToday: 2,
    minutesToday: 75,
    lateNow: 1,
    firstLateAt: 30 * hour,
  });
  expect(dayInShort([], new Map(), 0, hour)).toEqual({ reviewsToday: 0, minutesToday: 0, lateNow: 0, firstLateAt: null });
});
