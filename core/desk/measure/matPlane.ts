import { handPixels, ninetyFive, type Pixel } from './angle.ts';
import { smallestEigenvector } from './smallestEigenvector.ts';

/** Row-major 3 × 3 matrix that takes a pixel (x, y, 1) to a spot of the mat in metres, up to scale. */
export type Homography = readonly number[];

export interface MatPlane {
  toMat: Homography;
  /** Root mean square distance, in pixels, between where the corners were put and where the plane has them. */
  residualPixels: number;
}

/** Scales points so that their middle is at 0 and their mean distance from it √2 (Hartley 1997), and says how. */
function normalised(points: readonly Pixel[]): { points: Pixel[]; scale: number; cx: number; cy: number } {
  const cx = points.reduce((sum, p) => sum + p.x, 0) / points.length;
  const cy = points.reduce((sum, p) => sum + p.y, 0) / points.length;
  const mean = points.reduce((sum, p) => sum + Math.hypot(p.x - cx, p.y - cy), 0) / points.length;
  const scale = mean > 0 ? Math.SQRT2 / mean : 1;
  return { points: points.map((p) => ({ x: (p.x - cx) * scale, y: (p.y - cy) * scale })), scale, cx, cy };
}

/**
 * The plane of the mat from corners of its tiles, by the normalised direct linear transform (Hartley 1997; Hartley & Zisserman,
 * algorithm 4.2). At least four corners, no three of the four on a line; null otherwise. The lens is taken as free of distortion.
 */
export function matPlane(pixels: readonly Pixel[], metres: readonly Pixel[]): MatPlane | null {
  if (pixels.length < 4 || pixels.length !== metres.length) return null;
  const [a, b] = [normalised(pixels), normalised(metres)];
  const rows = a.points.flatMap((p, i) => {
    const q = b.points[i]!;
    return [
      [-p.x, -p.y, -1, 0, 0, 0, q.x * p.x, q.x * p.y, q.x],
      [0, 0, 0, -p.x, -p.y, -1, q.y * p.x, q.y * p.y, q.y],
    ];
  });
  const square = Array.from({ length: 9 }, (_, i) => Array.from({ length: 9 }, (_, j) => rows.reduce((sum, r) => sum + r[i]! * r[j]!, 0)));
  const { vector: h, gap } = smallestEigenvector(square);
  // Two directions fit equally well: three corners of four on a line, or all the same.
  if (gap < 1e-9) return null;
  const toMat = undo(h, a, b);
  const toPicture = inverse(toMat);
  if (!toPicture) return null;
  const squares = pixels.reduce((sum, p, i) => {
    const back = through(toPicture, metres[i]!);
    return sum + (back.x - p.x) ** 2 + (back.y - p.y) ** 2;
  }, 0);
  return { toMat, residualPixels: Math.sqrt(squares / pixels.length) };
}

/** Where a pixel lies through a homography; infinite on its horizon. */
export function through(h: Homography, { x, y }: Pixel): Pixel {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return { x: (h[0]! * x + h[1]! * y + h[2]!) / w, y: (h[3]! * x + h[4]! * y + h[5]!) / w };
}

/**
 * Distance in metres between two spots of the mat, with its ± at 95 %: both spots are off by the hand's error and by the plane's
 * own residual, carried to first order by moving each a pixel in turn. Only for what touches the mat.
 */
export function matDistance(
  { toMat, residualPixels }: MatPlane,
  a: Pixel,
  b: Pixel,
  sigma = handPixels,
): { metres: number; plusMinus: number } {
  const length = (p: Pixel, q: Pixel): number => {
    const [u, v] = [through(toMat, p), through(toMat, q)];
    return Math.hypot(u.x - v.x, u.y - v.y);
  };
  const metres = length(a, b);
  const moves = [
    { x: 1, y: 0 },
    { x: 0, y: 1 },
  ].flatMap(({ x, y }) => [length({ x: a.x + x, y: a.y + y }, b) - metres, length(a, { x: b.x + x, y: b.y + y }) - metres]);
  const variance = (sigma ** 2 + residualPixels ** 2) * moves.reduce((sum, move) => sum + move ** 2, 0);
  return { metres, plusMinus: ninetyFive * Math.sqrt(variance) };
}

type Normalised = ReturnType<typeof normalised>;
const undo = (h: readonly number[], a: Normalised, b: Normalised): Homography => {
  const before = [a.scale, 0, -a.scale * a.cx, 0, a.scale, -a.scale * a.cy, 0, 0, 1];
  const after = [1 / b.scale, 0, b.cx, 0, 1 / b.scale, b.cy, 0, 0, 1];
  const whole = times(after, times(h, before));
  const size = Math.hypot(...whole);
  return whole.map((v) => v / size);
};

const times = (a: readonly number[], b: readonly number[]): number[] =>
  Array.from({ length: 9 }, (_, at) => {
    const [row, column] = [Math.floor(at / 3), at % 3];
    return a[row * 3]! * b[column]! + a[row * 3 + 1]! * b[column + 3]! + a[row * 3 + 2]! * b[column + 6]!;
  });

/** By cofactors; null where the matrix squeezes the plane into a line. */
export function inverse(m: Homography): Homography | null {
  const [a, b, c, d, e, f, g, h, i] = m as [number, number, number, number, number, number, number, number, number];
  const det = a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  if (Math.abs(det) < 1e-15) return null;
  return [
    e * i - f * h,
    c * h - b * i,
    b * f - c * e,
    f * g - d * i,
    a * i - c * g,
    c * d - a * f,
    d * h - e * g,
    b * g - a * h,
    a * e - b * d,
  ].map((cofactor) => cofactor / det);
}
