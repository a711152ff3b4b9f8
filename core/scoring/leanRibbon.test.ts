import { describe, expect, it } from 'vitest';
import type { Span } from '../positions/index.ts';
import { leanRibbon, ribbonOutline } from './leanRibbon.ts';

const span = (position: Span['position'], holder: Span['holder'], fromFrame: number, toFrame: number): Span => ({
  position,
  holder,
  fromFrame,
  toFrame,
});

describe('the lean ribbon', () => {
  const seconds = (frame: number): number => frame / 30;

  it('runs from the bout’s start to its end and holds each span’s lean', () => {
    const knots = leanRibbon([span('standing', null, 0, 300), span('mount', 'partner', 300, 600)], 0, 600, seconds);
    expect([knots[0]!.along, knots.at(-1)!.along]).toEqual([0, 1]);
    expect(knots.map((k) => k.lean)).toEqual([0, 0, -80, -80]);
    expect(knots.every((k, i) => i === 0 || k.along >= knots[i - 1]!.along)).toBe(true);
  });

  it('eases over 0.4 s at a change, or over a thirty-third of a long bout', () => {
    const change = (frames: number): number => {
      const knots = leanRibbon([span('standing', null, 0, frames / 2), span('mount', 'client', frames / 2, frames)], 0, frames, seconds);
      return (knots[2]!.along - knots[1]!.along) * seconds(frames);
    };
    expect(change(300)).toBeCloseTo(0.4, 6);
    expect(change(9000)).toBeCloseTo(9, 6);
  });

  it('is straight while no positions are known', () => {
    expect(leanRibbon([], 0, 600, seconds).map((k) => k.lean)).toEqual([0, 0]);
  });

  it('sways right for the client and left for the partner, inside its width', () => {
    const numbers = (lean: number): number[] =>
      [
        ...ribbonOutline(
          [
            { along: 0, lean },
            { along: 1, lean },
          ],
          100,
          200,
        ).matchAll(/(-?[\d.]+) (-?[\d.]+)/g),
      ].map((m) => Number(m[1]));
    expect(Math.min(...numbers(100))).toBeGreaterThan(50);
    expect(Math.max(...numbers(100))).toBeLessThanOrEqual(100);
    expect(Math.max(...numbers(-100))).toBeLessThan(50);
    expect(Math.min(...numbers(-100))).toBeGreaterThanOrEqual(0);
  });
});
