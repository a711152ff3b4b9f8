import { describe, expect, it } from 'vitest';
import { drawingOpacity, drawingPoints, movedDrawing, pastedDrawing, pinToggled, type Drawing } from './drawing.ts';

const secondsAt = (frame: number): number => frame / 30;
const key = (frame: number, x: number) => ({ frame, points: [{ x, y: 0.5 }] });
const drawing = { points: [{ x: 0.9, y: 0.9 }], keys: [key(10, 0.2), key(20, 0.6)] };

describe('a keyframed drawing', () => {
  it('runs evenly in time between its keys and rests outside them', () => {
    const x = (frame: number) => drawingPoints(drawing, frame, secondsAt)[0]!.x;
    expect([x(0), x(10), x(20), x(99)]).toEqual([0.2, 0.2, 0.6, 0.6]);
    expect(x(15)).toBeCloseTo(0.4, 9);
  });

  it('goes by the footage’s own times, not by counting frames', () => {
    const uneven = (frame: number) => (frame < 19 ? frame / 100 : 1);
    expect(drawingPoints(drawing, 19, uneven)[0]!.x).toBeCloseTo(0.6, 9);
  });

  it('without keys stays where it was drawn', () => {
    expect(drawingPoints({ ...drawing, keys: [] }, 15, secondsAt)).toBe(drawing.points);
  });

  it('moved on a frame gets a key there, or a new place for the one it has', () => {
    expect(movedDrawing(drawing, 15, [{ x: 0.1, y: 0.1 }]).keys!.map((k) => k.frame)).toEqual([10, 15, 20]);
    expect(movedDrawing(drawing, 20, [{ x: 0.1, y: 0.1 }]).keys!.at(-1)!.points[0]!.x).toBe(0.1);
    expect(movedDrawing({ keys: [] }, 20, [{ x: 0.1, y: 0.1 }])).toEqual({ points: [{ x: 0.1, y: 0.1 }] });
  });
});

describe('pins', () => {
  const there = [{ x: 0.1, y: 0.1 }];
  it('are set on a frame in the order of time, and taken away again', () => {
    const pinned = pinToggled(drawing, 15, there).keys!;
    expect(pinned.map(({ frame }) => frame)).toEqual([10, 15, 20]);
    expect(pinToggled({ keys: pinned }, 15, there)).toEqual({ keys: drawing.keys });
  });

  it('leave a drawing where the last of them held it', () => {
    expect(pinToggled({ keys: [key(10, 0.2)] }, 10, there)).toEqual({ keys: [], points: there });
  });
});

describe('a copy on another frame', () => {
  const whole: Drawing = {
    ...drawing,
    id: 'd',
    footageId: 'f',
    tool: 'post',
    colour: 'chalk',
    weight: 'bold',
    words: '',
    fromFrame: 5,
    toFrame: 40,
  };
  it('lives as long and has its pins as far apart, and ends with the footage', () => {
    const copy = pastedDrawing(whole, 105, 1000, secondsAt);
    expect([copy.fromFrame, copy.toFrame, copy.keys.map(({ frame }) => frame)]).toEqual([105, 140, [110, 120]]);
    expect(pastedDrawing(whole, 105, 120, secondsAt).toFrame).toBe(120);
    expect(copy).not.toHaveProperty('id');
  });
});

describe('the life of a drawing', () => {
  it('fades in and out, is whole between, and is not there outside', () => {
    const opacity = (frame: number) => drawingOpacity({ fromFrame: 30, toFrame: 60 }, frame, secondsAt);
    expect([opacity(29), opacity(45), opacity(60)]).toEqual([0, 1, 0]);
    expect(opacity(33)).toBeCloseTo(0.5, 6);
    expect(opacity(30)).toBeLessThan(0.2);
    expect(drawingOpacity({ fromFrame: 5, toFrame: 6 }, 5, secondsAt)).toBeGreaterThan(0);
  });
});
