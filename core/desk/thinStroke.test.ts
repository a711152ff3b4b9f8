import { describe, expect, it } from 'vitest';
import { thinStroke } from './thinStroke.ts';

describe('a thinned stroke', () => {
  it('keeps the ends and the corner of a straight-sided line, and nothing between', () => {
    const side = Array.from({ length: 50 }, (_, i) => ({ x: 0.1 + i * 0.01, y: 0.2 }));
    const down = Array.from({ length: 30 }, (_, i) => ({ x: 0.59, y: 0.21 + i * 0.01 }));
    expect(thinStroke([...side, ...down], 16 / 9)).toEqual([
      { x: 0.1, y: 0.2 },
      { x: 0.59, y: 0.2 },
      { x: 0.59, y: 0.5 },
    ]);
  });

  it('stays within a pixel of the hand at 720 lines', () => {
    const hand = Array.from({ length: 400 }, (_, i) => ({ x: 0.5 + 0.3 * Math.cos(i / 40), y: 0.5 + 0.3 * Math.sin(i / 40) }));
    const thin = thinStroke(hand, 16 / 9);
    expect(thin.length).toBeLessThan(120);
    for (const p of hand) {
      const off = Math.min(
        ...thin.slice(1).map((b, i) => {
          const a = thin[i]!;
          const [ax, ay, bx, by, px, py] = [a.x * 1280, a.y * 720, b.x * 1280, b.y * 720, p.x * 1280, p.y * 720];
          const t = Math.min(1, Math.max(0, ((px - ax) * (bx - ax) + (py - ay) * (by - ay)) / ((bx - ax) ** 2 + (by - ay) ** 2)));
          return Math.hypot(px - ax - t * (bx - ax), py - ay - t * (by - ay));
        }),
      );
      expect(off).toBeLessThan(1.2);
    }
  });

  it('leaves a dot and a two-point line as they are', () => {
    expect(thinStroke([{ x: 0.1234567, y: 0.5 }], 1)).toEqual([{ x: 0.12346, y: 0.5 }]);
    expect(thinStroke([], 1)).toEqual([]);
  });

  it('never keeps more than two thousand points', () => {
    const scribble = Array.from({ length: 9000 }, (_, i) => ({ x: (i * 0.137) % 1, y: (i * 0.311) % 1 }));
    expect(thinStroke(scribble, 16 / 9).length).toBeLessThanOrEqual(2000);
  });
});
