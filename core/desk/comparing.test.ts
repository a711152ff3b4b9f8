import { describe, expect, it } from 'vitest';
import type { FrameTable } from '../footage/index.ts';
import { comparedFrame, comparedSpan, steppedOffset, type Compared } from './comparing.ts';

const even = (fps: number, frames: number): FrameTable => ({
  times: Array.from({ length: frames }, (_, i) => i / fps),
  endSeconds: frames / fps,
});
const of = (fps: number, anchorFrame: number, range: Compared['range'] = null, frames = 100): Compared => ({
  table: even(fps, frames),
  anchorFrame,
  range,
});
const walked = (all: Compared[], direction: 1 | -1, steps: number): number[][] => {
  let offset = 0;
  return Array.from({ length: steps }, () => {
    offset = steppedOffset(all, offset, direction);
    return all.map((one) => comparedFrame(one, offset));
  });
};

describe('frames beside each other', () => {
  it('of one frame rate step together, each by one frame, forward and back', () => {
    expect(walked([of(30, 10), of(30, 50)], 1, 3)).toEqual([
      [11, 51],
      [12, 52],
      [13, 53],
    ]);
    expect(walked([of(30, 10), of(30, 50)], -1, 2)).toEqual([
      [9, 49],
      [8, 48],
    ]);
  });

  it('of one frame rate step together also where a file rounded their times', () => {
    // As a frame table has them: thirtieths of a second to the microsecond, of which no two stretches are quite the same.
    const table = { times: even(30, 3000).times.map((seconds) => Number(seconds.toFixed(6))), endSeconds: 100 };
    for (let first = 800; first < 850; first++) {
      const anchors = [first, 1675];
      const pair = anchors.map((anchorFrame): Compared => ({ table, anchorFrame, range: null }));
      for (const direction of [1, -1] as const)
        expect(walked(pair, direction, 20)).toEqual(
          Array.from({ length: 20 }, (_, i) => anchors.map((frame) => frame + direction * (i + 1))),
        );
    }
  });

  it('of two frame rates show every frame of the finer one, and stay in step', () => {
    expect(walked([of(30, 10), of(60, 20)], 1, 4)).toEqual([
      [10, 21],
      [11, 22],
      [11, 23],
      [12, 24],
    ]);
    expect(walked([of(30, 10), of(60, 20)], -1, 4)).toEqual([
      [9, 19],
      [9, 18],
      [8, 17],
      [8, 16],
    ]);
  });

  it('miss no frame of any length, at uneven times too', () => {
    const times: number[] = [];
    for (let i = 0, at = 0; i < 200; i++, at += [0.016683, 0.033367, 0.05, 0.2][i % 4]!) times.push(at);
    const uneven: Compared = { table: { times, endSeconds: times.at(-1)! + 0.1 }, anchorFrame: 30, range: null };
    const seen = walked([uneven, of(29.97, 40, null, 2000)], 1, 400).map(([frame]) => frame!);
    expect(new Set(seen)).toEqual(
      new Set(Array.from({ length: Math.max(...seen) - Math.min(...seen) + 1 }, (_, i) => Math.min(...seen) + i)),
    );
  });

  it('step back from between two frames to the start of the one that is shown', () => {
    const one = of(10, 10);
    expect(steppedOffset([one], 0.05, -1)).toBeCloseTo(0, 9);
    expect(steppedOffset([one], 0.05, 1)).toBeCloseTo(0.1, 9);
  });

  it('with a range stay within it, while the others go on', () => {
    expect(walked([of(30, 10, { fromFrame: 8, toFrame: 12 }), of(30, 50)], 1, 3)).toEqual([
      [11, 51],
      [11, 52],
      [11, 53],
    ]);
    expect(walked([of(30, 10, { fromFrame: 8, toFrame: 12 })], 1, 3)).toEqual([[11], [11], [11]]);
  });

  it('play from the first of the ranges’ starts to the last of their ends', () => {
    const span = comparedSpan([of(10, 10, { fromFrame: 8, toFrame: 12 }), of(10, 50, { fromFrame: 50, toFrame: 56 }), of(10, 3)])!;
    expect([span.from, span.to].map((s) => Math.round(s * 10) / 10)).toEqual([-0.2, 0.5]);
    expect(comparedSpan([of(10, 3)])).toBeNull();
  });
});
