import { describe, expect, it } from 'vitest';
import { clockText, durationText } from './clockText.ts';

describe('a time of the bout', () => {
  it.each([
    [0, '0:00'],
    [59.99, '0:59'],
    [221, '3:41'],
    [3605, '60:05'],
    [-2.5, '−0:02'],
    [NaN, '–:––'],
  ])('%s s is written %s', (seconds, text) => expect(clockText(seconds)).toBe(text));

  it('has tenths where asked, and 0.3 stays .3 though it is a little less in binary', () => {
    expect(clockText(26.733, true)).toBe('0:26.7');
    expect(clockText(0.1 + 0.2, true)).toBe('0:00.3');
    expect(clockText(59.96, true)).toBe('0:59.9');
  });
});

describe('a duration', () => {
  it.each([
    [12.4, '12 s'],
    [89, '89 s'],
    [90, '2 min'],
    [3600, '1 h'],
    [4200, '1 h 10 min'],
    [Infinity, 'unknown'],
  ])('of %s s is said as %s', (seconds, text) => expect(durationText(seconds)).toBe(text));
});
