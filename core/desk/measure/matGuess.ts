import type { PicturePoint } from '../drawing.ts';
import { through } from './matPlane.ts';
import { planeOf } from './measured.ts';
import type { MatCorner } from './measure.ts';

/** The first four corners go round a rectangle of tiles: which crossing each is, `wide` × `deep` tiles large. */
const round = (wide: number, deep: number): readonly (readonly [column: number, row: number])[] => [
  [0, 0],
  [wide, 0],
  [wide, deep],
  [0, deep],
];

/**
 * Corners from spots that were pressed: four round a rectangle of tiles; each further one is taken for the crossing that the plane
 * of the four puts nearest to it.
 */
export function matGuess(spots: readonly PicturePoint[], wide: number, deep: number, size: { width: number; height: number }): MatCorner[] {
  const corners = spots.slice(0, 4).map((picture, i) => ({ picture, column: round(wide, deep)[i]![0], row: round(wide, deep)[i]![1] }));
  const plane = corners.length === 4 ? planeOf(corners, 1, size) : null;
  if (!plane) return corners;
  const further = spots.slice(4).map((picture) => {
    const { x, y } = through(plane.toMat, { x: picture.x * size.width, y: picture.y * size.height });
    return { picture, column: Math.round(x), row: Math.round(y) };
  });
  return [...corners, ...further];
}
