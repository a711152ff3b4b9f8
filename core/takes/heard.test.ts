import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { heardMore, heardParts, type TakeStretch } from './index.ts';

const take = {
  seconds: 100,
  chapters: [
    { from: 0, title: 'Hello' },
    { from: 40, title: 'Fix 1' },
  ],
};

describe('how far a take was listened to', () => {
  it('is told part by part, and what was listened to again', () => {
    expect(
      heardParts(take, [
        { from: 0, to: 60 },
        { from: 50, to: 70 },
      ]),
    ).toEqual([
      { from: 0, to: 40, title: 'Hello', share: 1, again: 0 },
      { from: 40, to: 100, title: 'Fix 1', share: expect.closeTo(0.5), again: expect.closeTo(10 / 60) },
    ]);
    expect(heardParts({ seconds: 10, chapters: [] }, [])).toEqual([{ from: 0, to: 10, title: '', share: 0, again: 0 }]);
  });

  it('goes on where it was left as one stretch, and begins another after a jump', () => {
    const once = heardMore([], { from: 0, to: 5 });
    expect(heardMore(once, { from: 5.2, to: 9 })).toEqual([{ from: 0, to: 9 }]);
    expect(heardMore(once, { from: 2, to: 9 })).toEqual([
      { from: 0, to: 5 },
      { from: 2, to: 9 },
    ]);
  });

  it('never is less than nothing or more than all, however it was listened to, and again never more than at all', () => {
    const stretch = fc
      .tuple(fc.nat(990), fc.integer({ min: 1, max: 300 }))
      .map(([from, long]): TakeStretch => ({ from: from / 10, to: Math.min(100, (from + long) / 10) }));
    fc.assert(
      fc.property(fc.array(stretch, { maxLength: 8 }), (stretches) => {
        for (const { share, again } of heardParts(take, stretches)) {
          expect(share).toBeGreaterThanOrEqual(-1e-9);
          expect(share).toBeLessThanOrEqual(1 + 1e-9);
          expect(again).toBeLessThanOrEqual(share + 1e-9);
        }
      }),
    );
  });
});
