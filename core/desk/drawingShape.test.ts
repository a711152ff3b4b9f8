import { describe, expect, it } from 'vitest';
import { drawingShape, drawingsSvg } from './drawingShape.ts';

const arrow = { tool: 'arrow', points: [{ x: 0.1, y: 0.5 }, { x: 0.9, y: 0.5 }] } as const; // prettier-ignore

describe('the shape of a drawing', () => {
  it('is the same picture at any size', () => {
    const numbers = (path: string): number[] => (path.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);
    const small = drawingShape({ ...arrow, points: [...arrow.points] }, 640, 360);
    const large = drawingShape({ ...arrow, points: [...arrow.points] }, 1280, 720);
    numbers(small.path).forEach((value, i) => expect(value * 2).toBeCloseTo(numbers(large.path)[i]!, 1));
    expect(large.width).toBeCloseTo(small.width * 2, 5);
  });

  it('of an arrow runs from tail to tip and has its head at the tip', () => {
    const { path } = drawingShape({ ...arrow, points: [...arrow.points] }, 1000, 500);
    expect(path).toMatch(/^M100 250L900 250M/);
    expect(path).toContain('L900 250L');
  });

  it('of a short arrow keeps a head of at most half its length', () => {
    const { path } = drawingShape(
      {
        tool: 'arrow',
        points: [
          { x: 0.5, y: 0.5 },
          { x: 0.51, y: 0.5 },
        ],
      },
      1000,
      500,
    );
    // Three runs: before the first M nothing, then the shaft, then the head.
    const barbX = Number(path.split('M')[2]?.split(' ')[0]);
    expect(barbX).toBeGreaterThanOrEqual(505);
  });

  it('of a freehand stroke begins and ends where the hand did; a single touch is a dot', () => {
    const points = [{ x: 0, y: 0 }, { x: 0.5, y: 1 }, { x: 1, y: 0 }]; // prettier-ignore
    expect(drawingShape({ tool: 'freehand', points }, 100, 100).path).toMatch(/^M0 0Q.*L100 0$/);
    expect(drawingShape({ tool: 'freehand', points: points.slice(0, 1) }, 100, 100).path).toBe('M0 0l0.01 0');
  });

  it('is laid over a dark edge in the still', () => {
    const svg = drawingsSvg([{ ...arrow, points: [...arrow.points], colour: 'partner' }], 1280, 720);
    expect(svg.indexOf('#0B0D0C')).toBeLessThan(svg.indexOf('#FF8A3D'));
    expect(svg).toContain('viewBox="0 0 1280 720"');
  });
});
