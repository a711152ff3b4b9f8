import { assertNever } from '../../never/index.ts';
import type { PicturePoint, StrokeColour, StrokeWeight } from '../drawing.ts';
import type { Shaped } from '../drawingShape.ts';
import { balanceOf, planeOf, type MeasuredOn } from './measured.ts';
import type { Measure } from './measure.ts';
import { inverse, through } from './matPlane.ts';

export type MeasureDrawing = Shaped & { colour: StrokeColour };

/** A result in few letters, as it stands on the picture. */
export function shortResult({ value, unit, plusMinus }: Measure['result']): string {
  const digits = { '°': 0, px: 1, m: 2, '%': 0, s: 2, 'm/s': 1, 'heights/s': 2 }[unit];
  const gap = unit === '°' || unit === '%' ? '' : ' ';
  const number = `${value.toFixed(digits)}${gap}${unit}`;
  return plusMinus === null ? number : `${number} ± ${plusMinus.toFixed(digits)}`;
}

const drawn = (tool: Shaped['tool'], points: PicturePoint[], weight: StrokeWeight = 'thin', words = ''): MeasureDrawing => ({
  tool,
  points,
  weight,
  words,
  colour: 'chalk',
});

/** A measurement as drawings, so that stage and still show the same. `frame`: a path is shown as far as that frame. */
export function measureDrawings(
  { input, result, atFrame }: Pick<Measure, 'input' | 'result' | 'atFrame'>,
  on: MeasuredOn,
  frame = atFrame,
): MeasureDrawing[] {
  const words = shortResult(result);
  const beside = ({ x, y }: PicturePoint): PicturePoint => ({ x: x + 0.012, y: y - 0.015 });
  switch (input.kind) {
    case 'angle':
      return [drawn('angle', input.points)];
    case 'mat': {
      // The crossings as the plane has them, as a net over the picture.
      const plane = planeOf(input.corners, input.tileMetres, on);
      const toPicture = plane && inverse(plane.toMat);
      if (!toPicture) return input.corners.map((corner) => drawn('post', [corner.picture]));
      const [columns, rows] = [input.corners.map((c) => c.column), input.corners.map((c) => c.row)];
      const spot = (column: number, row: number): PicturePoint => {
        const { x, y } = through(toPicture, { x: column * input.tileMetres, y: row * input.tileMetres });
        return { x: x / on.width, y: y / on.height };
      };
      const [left, right, near, far] = [Math.min(...columns), Math.max(...columns), Math.min(...rows), Math.max(...rows)];
      const across = Array.from({ length: far - near + 1 }, (_, i) => drawn('freehand', [spot(left, near + i), spot(right, near + i)]));
      const along = Array.from({ length: right - left + 1 }, (_, i) => drawn('freehand', [spot(left + i, near), spot(left + i, far)]));
      return [...across, ...along];
    }
    case 'distance':
      return [drawn('arrow', input.points), drawn('label', [beside(input.points[1] ?? { x: 0, y: 0 })], 'thin', words)];
    case 'balance': {
      const balance = balanceOf(input, on);
      if (!balance) return [];
      const share = ({ x, y }: { x: number; y: number }): PicturePoint => ({ x: x / on.width, y: y / on.height });
      return [
        drawn('freehand', balance.base.map(share), 'bold'),
        drawn('weight-line', [share(balance.weight), share(balance.plumb)], 'plain'),
        drawn('label', [beside(share(balance.weight))], 'thin', words),
      ];
    }
    case 'path': {
      const dots = input.dots.filter((dot) => dot.frame <= frame).map(({ point }) => point);
      return dots.length < 2
        ? dots.map((dot) => drawn('post', [dot]))
        : [drawn('bent-arrow', dots), drawn('label', [beside(dots[dots.length - 1]!)], 'thin', words)];
    }
    case 'time':
      return [drawn('label', [{ x: 0.03, y: 0.95 }], 'thin', words)];
    default:
      return assertNever(input);
  }
}

/** Whether a measurement is seen on a frame: on its own, or from its first to its last. */
export const measureAtFrame = ({ atFrame, toFrame }: Pick<Measure, 'atFrame' | 'toFrame'>, frame: number): boolean =>
  toFrame === null ? frame === atFrame : frame >= atFrame && frame <= toFrame;
