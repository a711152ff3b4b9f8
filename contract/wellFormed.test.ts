import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { wellFormed } from './wellFormed.ts';

describe('texts as they may be stored', () => {
  it('have no half symbols, no NUL, and one way to write a letter', () => {
    expect(wellFormed({ what: 'a\ud83d', list: ['\udc00b', 'x\u0000y', 'e\u0301'], n: 3, no: null, yes: true })).toEqual({
      what: 'a�',
      list: ['�b', 'xy', 'é'],
      n: 3,
      no: null,
      yes: true,
    });
  });

  it('stay as they are where nothing is amiss, whole symbols too', () => {
    const fine = { what: 'Elbow in 🥋, “now”', deep: [{ a: ['b'] }] };
    expect(wellFormed(fine)).toEqual(fine);
  });

  it('can be written as UTF-8 and read again, whatever was sent', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.integer({ min: 0xd800, max: 0xdfff }), (text, half) => {
        const kept = wellFormed(text + String.fromCharCode(half)) as string;
        expect(Buffer.from(kept, 'utf8').toString('utf8')).toBe(kept);
        expect(wellFormed(kept)).toBe(kept);
      }),
      { seed: 13 },
    );
  });
});
