import { describe, expect, it } from 'vitest';
import { inDayOrder, movedInDay, renumbered } from './day.ts';

const day = [
  { id: 'a', order: 3 },
  { id: 'b', order: 1 },
  { id: 'c', order: 1 },
];
const ids = (bouts: { id: string }[]): string => bouts.map(({ id }) => id).join('');

describe('a day of bouts', () => {
  it('is in its order, those of one place as they were given', () => {
    expect(ids(inDayOrder(day))).toBe('bca');
    expect(renumbered(day).map(({ order }) => order)).toEqual([1, 2, 3]);
  });

  it('has a bout moved by one, numbered anew, and at either end left where it is', () => {
    expect(ids(movedInDay(day, 'a', -1))).toBe('bac');
    expect(movedInDay(day, 'a', -1).map(({ order }) => order)).toEqual([1, 2, 3]);
    expect(ids(movedInDay(day, 'a', 1))).toBe('bca');
    expect(ids(movedInDay(day, 'b', -1))).toBe('bca');
    expect(ids(movedInDay(day, 'x', 1))).toBe('bca');
  });
});
