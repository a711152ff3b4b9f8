import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeCost, framesToDrop, nextToDecode, picturesWithin, wantedFrames } from './decodeOrder.ts';

const at = fc.integer({ min: 0, max: 999 });
const direction = fc.constantFrom<1 | -1>(1, -1);

describe('frames decoded ahead', () => {
  it('are as many as the memory holds: 260 of 720p in 360 MB', () => {
    expect(picturesWithin(360e6, 1280, 720)).toBe(260);
    expect(picturesWithin(1, 1280, 720)).toBe(16);
  });

  it('reach twice as far in the direction of travel as behind', () => {
    expect(wantedFrames(500, 1, 91, 1000)).toEqual({ fromFrame: 470, toFrame: 561 });
    expect(wantedFrames(500, -1, 91, 1000)).toEqual({ fromFrame: 440, toFrame: 531 });
  });

  it('are all of a short footage', () => {
    expect(wantedFrames(3, 1, 91, 40)).toEqual({ fromFrame: 0, toFrame: 40 });
  });

  it('hold the frame on the stage and its neighbours, inside the footage, and never more than fit (seed 7)', () => {
    fc.assert(
      fc.property(at, direction, fc.integer({ min: 16, max: 300 }), (frame, way, most) => {
        const { fromFrame, toFrame } = wantedFrames(frame, way, most, 1000);
        expect(toFrame - fromFrame).toBeLessThanOrEqual(most);
        for (const near of [frame - 2, frame, frame + 2].filter((f) => f >= 0 && f < 1000))
          expect(near >= fromFrame && near < toFrame).toBe(true);
      }),
      { seed: 7 },
    );
  });

  it('begin with the one on the stage, then go on to both sides, then the way of travel', () => {
    const held = new Set<number>();
    const order: number[] = [];
    const wanted = wantedFrames(50, -1, 40, 100);
    for (let next = nextToDecode((f) => held.has(f), 50, -1, wanted); next !== null && order.length < 14;) {
      held.add(next);
      order.push(next);
      next = nextToDecode((f) => held.has(f), 50, -1, wanted);
    }
    expect(order[0]).toBe(50);
    expect(new Set(order.slice(0, 9))).toEqual(new Set([46, 47, 48, 49, 50, 51, 52, 53, 54]));
    expect(order.slice(9)).toEqual([45, 44, 43, 42, 41]);
  });

  it('are none when all are there', () => {
    expect(nextToDecode(() => true, 5, 1, { fromFrame: 0, toFrame: 30 })).toBeNull();
  });

  it('make room by letting the dearest go, never one that is dearer to keep (seed 8)', () => {
    fc.assert(
      fc.property(at, direction, fc.uniqueArray(at, { maxLength: 60 }), fc.integer({ min: 1, max: 50 }), (frame, way, held, most) => {
        const dropped = new Set(framesToDrop(held, frame, way, most));
        const kept = held.filter((f) => !dropped.has(f));
        expect(kept.length).toBe(Math.min(held.length, most));
        const dearestKept = Math.max(0, ...kept.map((f) => decodeCost(f, frame, way)));
        for (const f of dropped) expect(decodeCost(f, frame, way)).toBeGreaterThanOrEqual(dearestKept);
      }),
      { seed: 8 },
    );
  });
});
