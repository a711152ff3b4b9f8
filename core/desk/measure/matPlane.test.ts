import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inverse, matDistance, matPlane, through } from './matPlane.ts';
import { smallestEigenvector } from './smallestEigenvector.ts';

/** A camera that looks down on a mat: metres to pixels. */
const camera = [180, 40, 300, -10, 60, 420, 0.01, 0.12, 1];
const metres = [[0, 0], [1, 0], [2, 0], [0, 1], [1, 1], [2, 2]].map(([x, y]) => ({ x: x!, y: y! })); // prettier-ignore
const pixels = metres.map((spot) => through(camera, spot));

describe('the plane of the mat', () => {
  it('gives back the metres of any spot from four exact corners', () => {
    const four = <T>(of: T[]): T[] => [0, 2, 3, 5].map((i) => of[i]!);
    const plane = matPlane(four(pixels), four(metres))!;
    expect(plane.residualPixels).toBeLessThan(1e-6);
    const spot = through(plane.toMat, through(camera, { x: 1.7, y: 0.4 }));
    expect(spot.x).toBeCloseTo(1.7, 6);
    expect(spot.y).toBeCloseTo(0.4, 6);
  });

  it('measures lengths as they are on the mat, wherever they lie in the picture', () => {
    const plane = matPlane(pixels, metres)!;
    const { metres: length, plusMinus } = matDistance(plane, through(camera, { x: 0.2, y: 0.2 }), through(camera, { x: 1.4, y: 1.8 }));
    expect(length).toBeCloseTo(2, 5);
    expect(plusMinus).toBeGreaterThan(0);
  });

  it('shows how badly a misplaced corner fits', () => {
    const moved = pixels.map((p, i) => (i === 4 ? { x: p.x + 9, y: p.y } : p));
    expect(matPlane(moved, metres)!.residualPixels).toBeGreaterThan(1);
  });

  it('is further off where the mat is far from the camera', () => {
    const plane = matPlane(pixels, metres)!;
    const near = matDistance(plane, through(camera, { x: 0, y: 0 }), through(camera, { x: 0, y: 1 })).plusMinus;
    const far = matDistance(plane, through(camera, { x: 0, y: 9 }), through(camera, { x: 0, y: 10 })).plusMinus;
    expect(far).toBeGreaterThan(near * 2);
  });

  it('is not there from three corners, nor from corners on one line', () => {
    expect(matPlane(pixels.slice(0, 3), metres.slice(0, 3))).toBeNull();
    const onLine = [0, 1, 2, 3].map((x) => ({ x, y: 0 }));
    expect(
      matPlane(
        onLine.map((spot) => through(camera, spot)),
        onLine,
      ),
    ).toBeNull();
  });

  it('holds for cameras of many kinds (seed 12)', () => {
    const entry = (least: number, most: number) => fc.double({ min: least, max: most, noNaN: true });
    const cameras = fc.tuple(entry(80, 300), entry(-80, 80), entry(0, 900), entry(-60, 60), entry(40, 200), entry(0, 600), entry(-0.05, 0.05), entry(0, 0.2)); // prettier-ignore
    fc.assert(
      fc.property(cameras, (h) => {
        const view = [...h, 1];
        const plane = matPlane(
          metres.map((spot) => through(view, spot)),
          metres,
        )!;
        const spot = through(plane.toMat, through(view, { x: 1.2, y: 1.6 }));
        expect(Math.hypot(spot.x - 1.2, spot.y - 1.6)).toBeLessThan(1e-4);
      }),
      { seed: 12, numRuns: 60 },
    );
  });
});

describe('what it stands on', () => {
  it('a matrix and its inverse undo each other', () => {
    const back = inverse(camera)!;
    const spot = through(back, through(camera, { x: 3, y: -2 }));
    expect(spot.x).toBeCloseTo(3, 9);
    expect(spot.y).toBeCloseTo(-2, 9);
    expect(inverse([1, 2, 3, 2, 4, 6, 0, 0, 1])).toBeNull();
  });

  it('the smallest eigenvector of a known matrix is found, and told where two are as small', () => {
    const { vector } = smallestEigenvector([
      [2, 1, 0],
      [1, 2, 0],
      [0, 0, 5],
    ]);
    expect(Math.abs(vector[0]! + vector[1]!)).toBeLessThan(1e-9);
    expect(Math.abs(vector[0]!)).toBeCloseTo(Math.SQRT1_2, 9);
    expect(
      smallestEigenvector([
        [1, 0, 0],
        [0, 1, 0],
        [0, 0, 5],
      ]).gap,
    ).toBe(0);
  });
});
