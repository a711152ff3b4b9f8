import { describe, expect, it } from 'vitest';
import { comparisonCells, comparisonGrid, frameSeen } from './index.ts';

const wide = { width: 1280, height: 720 };
const tall = { width: 720, height: 1280 };

describe('pictures beside each other', () => {
  it('stand as large as they can: wide ones below, tall ones side by side, more than two in two rows', () => {
    const places = (many: number, size: typeof wide) => comparisonCells(many, comparisonGrid(many, size)).map(({ x, y }) => [x, y]);
    expect(places(1, wide)).toEqual([[0, 0]]);
    expect(places(2, wide)).toEqual([
      [0, 0],
      [0, 0.5],
    ]);
    expect(places(2, tall)).toEqual([
      [0, 0],
      [0.5, 0],
    ]);
    expect(places(3, wide)).toEqual([
      [0, 0],
      [0.5, 0],
      [0, 0.5],
    ]);
  });

  it('show each footage by its own times, within its own range', () => {
    const table = { times: Array.from({ length: 60 }, (_, i) => i / 30), endSeconds: 2 };
    const item = { footageId: 'f', anchorFrame: 10, range: null, mirrored: false };
    expect(frameSeen(item, { offset: 0.5 }, table)).toBe(25);
    expect(frameSeen({ ...item, range: { fromFrame: 8, toFrame: 20 } }, { offset: 0.5 }, table)).toBe(19);
  });
});
