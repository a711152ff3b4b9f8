import type { StrokePoint } from './take.ts';

/** A spot that the pen was seen at while a shape was being drawn. */
export interface SeenPoint {
  x: number;
  y: number;
  /** Since the stroke began. */
  ms: number;
}

/** Spots this close are the same: what is drawn is rounded when it is done. */
const sameSpot = 1e-4;

/**
 * The points of a finished shape with the times at which the pen was there. A line is thinned when it is done, so that fewer points are
 * left than were seen; they are looked for one after another. One that was not seen came at the end.
 */
export function strokeTimes(
  points: readonly { x: number; y: number; pressure?: number | undefined }[],
  seen: readonly SeenPoint[],
): StrokePoint[] {
  let at = 0;
  const last = seen.at(-1)?.ms ?? 0;
  return points.map(({ x, y, pressure }) => {
    const found = seen.findIndex((one, i) => i >= at && Math.abs(one.x - x) < sameSpot && Math.abs(one.y - y) < sameSpot);
    if (found >= 0) at = found;
    const ms = found >= 0 ? seen[found]!.ms : last;
    return pressure === undefined ? [x, y, ms] : [x, y, ms, pressure];
  });
}
