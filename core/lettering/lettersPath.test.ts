import { describe, expect, it } from 'vitest';
import { lettersPath } from './lettersPath.ts';

const numbers = (path: string): number[] => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('letters as outlines', () => {
  it('follow each other on one line', () => {
    const [a, both] = [lettersPath('n', 100), lettersPath('nn', 100)];
    expect(both.width).toBeCloseTo(a.width * 2, 6);
    expect(both.path.startsWith(a.path)).toBe(true);
    expect(Math.max(...numbers(both.path))).toBeGreaterThan(a.width);
  });

  it('grow with their size', () => {
    const [small, large] = [numbers(lettersPath('Knie', 20).path), numbers(lettersPath('Knie', 40).path)];
    small.forEach((value, i) => expect(Math.abs(value * 2 - large[i]!)).toBeLessThan(0.03));
  });

  it('stand on the baseline: a flat letter has nothing below it', () => {
    const ys = numbers(lettersPath('H', 100).path).filter((_, i) => i % 2 === 1);
    expect([Math.max(...ys), Math.min(...ys) < -60]).toEqual([0, true]);
  });

  it('are there for the names and signs that coaches write, composed or not', () => {
    const box = lettersPath('\u4e2d', 50).path;
    for (const letter of 'AZaz09ÄöüßéčłžŠ°±×') expect(lettersPath(letter, 50).path).not.toBe(box);
    expect(lettersPath('e\u0301', 50)).toEqual(lettersPath('é', 50));
    expect(lettersPath('', 50)).toEqual({ path: '', width: 0 });
  });
});
