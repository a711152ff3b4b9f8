import { expect, it } from 'vitest';
import { dayAndHour, dayWords } from './dayWords.ts';

const now = new Date('2026-11-25T15:00:00');

it.each([
  ['2026-11-25T23:59:00', 'today'],
  ['2026-11-26T00:01:00', 'tomorrow'],
  ['2026-11-24T23:00:00', 'yesterday'],
  ['2026-11-28T09:00:00', 'Saturday'],
  ['2026-12-02T09:00:00', '2 Dec'],
  ['2026-11-20T09:00:00', '20 Nov'],
])('%s is called %s', (at, words) => expect(dayWords(at, now)).toBe(words));

it('an hour is written without a leading nought', () => {
  expect(dayAndHour('2026-11-27T09:05:00', now)).toBe('Friday 9:05');
});
