import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isEditionDue, type MakingSoFar } from './editions.ts';

const tenMinutes: MakingSoFar = { elapsedSeconds: 8, madeSeconds: 9, wholeSeconds: 600, lastSeconds: 0 };

describe('what is made of a review copy is shown', () => {
  it('for the first time eight seconds after it began', () => {
    expect(isEditionDue(tenMinutes)).toBe(true);
    expect(isEditionDue({ ...tenMinutes, elapsedSeconds: 7.9 })).toBe(false);
  });

  it('not before it is two seconds of footage, however slow the machine', () => {
    expect(isEditionDue({ ...tenMinutes, elapsedSeconds: 30, madeSeconds: 1.9 })).toBe(false);
    expect(isEditionDue({ ...tenMinutes, elapsedSeconds: 30, madeSeconds: 2 })).toBe(true);
  });

  it('again when it is half as long again as the last time', () => {
    expect(isEditionDue({ ...tenMinutes, elapsedSeconds: 50, madeSeconds: 59, lastSeconds: 40 })).toBe(false);
    expect(isEditionDue({ ...tenMinutes, elapsedSeconds: 50, madeSeconds: 60, lastSeconds: 40 })).toBe(true);
  });

  it('not when all of it comes within ten seconds', () => {
    expect(isEditionDue({ ...tenMinutes, madeSeconds: 8, wholeSeconds: 18 })).toBe(false);
    expect(isEditionDue({ ...tenMinutes, madeSeconds: 8, wholeSeconds: 19 })).toBe(true);
  });

  it('so seldom that all editions together are at most three times the whole (seed 20)', () => {
    const pace = fc.double({ min: 0.05, max: 20, noNaN: true });
    fc.assert(
      fc.property(pace, fc.integer({ min: 5, max: 7200 }), (secondsPerSecond, wholeSeconds) => {
        let lastSeconds = 0;
        let written = 0;
        for (let elapsedSeconds = 0; elapsedSeconds * secondsPerSecond < wholeSeconds; elapsedSeconds += 0.5) {
          const madeSeconds = elapsedSeconds * secondsPerSecond;
          if (!isEditionDue({ elapsedSeconds, madeSeconds, wholeSeconds, lastSeconds })) continue;
          lastSeconds = madeSeconds;
          written += madeSeconds;
        }
        expect(written).toBeLessThanOrEqual(wholeSeconds * 3);
      }),
      { seed: 20 },
    );
  });
});
