import { expect, it } from 'vitest';
import { fixesForLevel } from './fixesForLevel.ts';

it('a first belt carries away one fix, a second two, later ones three', () => {
  expect([1, 2, 3, 4, 5].map(fixesForLevel)).toEqual([1, 2, 3, 3, 3]);
});

it('a level that is none is refused with its value', () => {
  for (const level of [0, -1, 1.5, NaN]) expect(() => fixesForLevel(level)).toThrow(`not ${level}`);
});
