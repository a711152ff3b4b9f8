import { describe, expect, it } from 'vitest';
import { leanOfSpan, positionCodes, positionFamily, tilingFault, type Span } from './position.ts';
import { leanRibbon, ribbonOutline } from './leanRibbon.ts';

const span = (position: Span['position'], holder: Span['holder'], fromFrame: number, toFrame: number): Span => ({
  position,
  holder,
  fromFrame,
  toFrame,
});

describe('lean', () => {
  it('is the position’s value, towards whoever holds it', () => {
    expect(leanOfSpan({ position: 'mount', holder: 'client' })).toBe(80);
    expect(leanOfSpan({ position: 'mount', holder: 'partner' })).toBe(-80);
    expect(leanOfSpan({ position: 'closed-guard', holder: 'partner' })).toBe(5);
    expect(leanOfSpan({ position: 'standing', holder: null })).toBe(0);
  });

  it('lies between −100 and 100 for every position and is 0 for the neutral ones', () => {
    for (const position of positionCodes) {
      const lean = leanOfSpan({ position, holder: 'client' });
      expect(Math.abs(lean)).toBeLessThanOrEqual(100);
      if (positionFamily(position) === 'neutral') expect(lean).toBe(0);
    }
  });
});

describe('spans', () => {
  const good = [span('standing', null, 10, 40), span('half-guard', 'client', 40, 90)];

  it('tile the bout', () => {
    expect(tilingFault(good, 10, 90)).toBeNull();
    expect(tilingFault([], 10, 90)).toBeNull();
  });

  it.each([
    ['a gap', [good[0]!, span('mount', 'client', 41, 90)], 'spans[1] starts at frame 41; frame 40 is expected.'],
    ['an overlap', [good[0]!, span('mount', 'client', 39, 90)], 'spans[1] starts at frame 39; frame 40 is expected.'],
    ['an empty one', [span('standing', null, 10, 10), good[1]!], 'spans[0] ends at frame 10, not after its start 10.'],
    ['an early end', [good[0]!], 'The spans end at frame 40; the bout ends at 90.'],
  ])('with %s are told where', (_, spans, words) => {
    expect(tilingFault(spans, 10, 90)).toBe(words);
  });
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
