import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clampFrame, frameAtSeconds, frameTableFault, secondsOfFrame, seekSecondsOfFrame, type FrameTable } from './frameTable.ts';

/** Uneven times as a phone makes them. */
const phone: FrameTable = { times: [0, 0.0433, 0.0867, 0.1, 0.2], endSeconds: 0.24 };

const anyTable = fc.array(fc.integer({ min: 1, max: 400 }), { minLength: 1, maxLength: 200 }).map((steps): FrameTable => {
  let now = 0;
  const times = steps.map((step) => (now += step / 1000) - steps[0]! / 1000);
  return { times, endSeconds: times[times.length - 1]! + 0.033 };
});

describe('a frame’s time', () => {
  it('comes from the table, not from a rate', () => {
    expect(secondsOfFrame(phone, 3)).toBe(0.1);
    expect(frameAtSeconds(phone, 0.0999)).toBe(2);
    expect(frameAtSeconds(phone, 0.1)).toBe(3);
    expect(frameAtSeconds(phone, 0.19)).toBe(3);
  });

  it('before the first frame is the first, after the last the last', () => {
    expect(frameAtSeconds(phone, -1)).toBe(0);
    expect(frameAtSeconds(phone, 99)).toBe(4);
    expect([clampFrame(phone, -3), clampFrame(phone, 2.4), clampFrame(phone, 77), clampFrame(phone, NaN)]).toEqual([0, 2, 4, 0]);
  });

  it('is sought at the middle of the frame, the last one’s up to the end', () => {
    expect(seekSecondsOfFrame(phone, 2)).toBeCloseTo(0.09335, 10);
    expect(seekSecondsOfFrame(phone, 4)).toBeCloseTo(0.22, 10);
  });

  it('leads back to the frame, for every frame of any table (seed 7)', () => {
    fc.assert(
      fc.property(anyTable, (table) => {
        for (let frame = 0; frame < table.times.length; frame++) {
          expect(frameAtSeconds(table, secondsOfFrame(table, frame))).toBe(frame);
          expect(frameAtSeconds(table, seekSecondsOfFrame(table, frame))).toBe(frame);
        }
      }),
      { seed: 7, numRuns: 60 },
    );
  });

  it('is found by halving as by looking at each (seed 8)', () => {
    fc.assert(
      fc.property(anyTable, fc.double({ min: -1, max: 90, noNaN: true }), (table, seconds) => {
        const slow = Math.max(
          0,
          table.times.findLastIndex((time) => time <= seconds),
        );
        expect(frameAtSeconds(table, seconds)).toBe(slow);
      }),
      { seed: 8, numRuns: 200 },
    );
  });
});

describe('a frame table', () => {
  it('has ascending, finite times and ends after its last frame', () => {
    expect(frameTableFault(phone.times, phone.endSeconds)).toBeNull();
    expect(frameTableFault([], 1)).toBe('The footage has no frames.');
    expect(frameTableFault([0, 0.1, 0.1], 1)).toBe('Frame 2 (0.1 s) is not later than frame 1 (0.1 s).');
    expect(frameTableFault([0, NaN], 1)).toBe('Frame 1 has no time.');
    expect(frameTableFault([0, 0.1], 0.1)).toBe('The footage ends at 0.1 s, before its last frame.');
  });
});
