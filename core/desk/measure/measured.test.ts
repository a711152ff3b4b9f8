import { describe, expect, it } from 'vitest';
import { dotPath } from './dotPath.ts';
import { measured, type MeasuredOn } from './measured.ts';
import { frameTiming } from './timing.ts';
import type { MeasureInput } from './measure.ts';

const table = { times: Array.from({ length: 60 }, (_, i) => i / 30), endSeconds: 2 };
/** Tiles of a metre seen straight from above, 200 px a metre, on a picture of 1000 × 800. */
const corners = [[0, 0], [3, 0], [0, 2], [3, 2]].map(([column, row]) => ({ column: column!, row: row!, picture: { x: (100 + column! * 200) / 1000, y: (100 + row! * 200) / 800 } })); // prettier-ignore
const mat: MeasureInput = { kind: 'mat', corners, tileMetres: 1 };
const on: MeasuredOn = { width: 1000, height: 800, table, atFrame: 10, toFrame: null, measures: { m: { input: mat } } };
const at = (x: number, y: number) => ({ x: x / 1000, y: y / 800 });
const value = (input: MeasureInput, where: Partial<MeasuredOn> = {}) => measured(input, { ...on, ...where });

describe('a measurement', () => {
  it('of an angle says its degrees, its ± and when it is right', () => {
    const result = value({ kind: 'angle', points: [at(400, 300), at(300, 300), at(300, 400)] });
    expect(result).toMatchObject({ unit: '°', words: '90° ± 4° in the picture, right only where the limb lies across the view.' });
  });

  it('of the mat says how well its corners fit, and that four always do', () => {
    const result = value(mat);
    expect(result).toMatchObject({ unit: 'px', words: expect.stringContaining('to within 0.0 px. Four corners always fit') });
  });

  it('of a distance is in metres on the mat', () => {
    const result = value({ kind: 'distance', points: [at(100, 100), at(400, 500)], matId: 'm' });
    expect(result).toMatchObject({ unit: 'm', words: '2.50 m ± 0.03 m, for what touches the mat.' });
  });

  it('of a time counts seconds and frames', () => {
    expect(value({ kind: 'time' }, { toFrame: 23 })).toMatchObject({ words: '0.43 s ± 0.03 s, 13 frames.' });
  });

  it('of a path has metres where the mat is known, and picture heights where it is not', () => {
    const dots = [0, 3, 6].map((frame, i) => ({ frame, point: at(100 + i * 40, 300) }));
    expect(value({ kind: 'path', dots, matId: 'm' })).toMatchObject({ unit: 'm/s', value: expect.closeTo(2, 6) });
    expect(value({ kind: 'path', dots, matId: null })).toMatchObject({ unit: 'heights/s', value: expect.closeTo(0.5, 6) });
  });

  it('that lacks something says what', () => {
    const lacking: [MeasureInput, string][] = [
      [{ kind: 'angle', points: [at(1, 1)] }, 'three dots'],
      [{ kind: 'mat', corners: corners.slice(0, 3), tileMetres: 1 }, 'four corners'],
      [{ kind: 'distance', points: [at(1, 1), at(2, 2)], matId: 'gone' }, 'corners first'],
      [{ kind: 'balance', dots: {}, contacts: [], matId: null }, 'joints that can be seen'],
      [{ kind: 'time' }, 'later frame'],
      [{ kind: 'path', dots: [], matId: null }, 'two frames'],
    ];
    for (const [input, words] of lacking) expect(value(input)).toEqual({ lacks: expect.stringContaining(words) });
  });
});

describe('timing', () => {
  it('goes by the footage’s own times', () => {
    const uneven = { times: [0, 0.04, 0.05, 0.2], endSeconds: 0.25 };
    expect(frameTiming(uneven, 1, 3)).toEqual({ seconds: 0.16, frames: 2, plusMinus: expect.closeTo(0.095, 9) });
  });
});

describe('a path of dots', () => {
  it('tells the fastest stretch and where it begins', () => {
    const path = dotPath(
      [
        { x: 0, y: 0, seconds: 0 },
        { x: 3, y: 4, seconds: 1 },
        { x: 3, y: 24, seconds: 2 },
      ],
      0.5,
    )!;
    expect(path).toMatchObject({ length: 25, seconds: 2, meanSpeed: 12.5, topSpeed: 20, topFrom: 1 });
    expect(path.plusMinus).toBeCloseTo(1.96 * 0.5 * Math.SQRT2, 9);
    expect(dotPath([{ x: 0, y: 0, seconds: 0 }])).toBeNull();
  });
});
