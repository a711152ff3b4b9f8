/** The part of the picture that is on the stage: its upper left corner in shares of the picture, and how often it is enlarged. */
export interface StageView {
  /** 1 shows the whole picture; at most 8. */
  zoom: number;
  x: number;
  y: number;
}

interface Point {
  x: number;
  y: number;
}

export const wholePicture: StageView = { zoom: 1, x: 0, y: 0 };
const mostZoom = 8;

const between = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value));

/** No edge of the picture comes inside the stage. */
const inside = ({ zoom, x, y }: StageView): StageView => ({ zoom, x: between(x, 0, 1 - 1 / zoom), y: between(y, 0, 1 - 1 / zoom) });

/** Enlarged `factor` times about a point of the stage (shares of it, 0..1), which goes on showing the same spot of the picture. */
export function zoomedAt({ zoom, x, y }: StageView, at: Point, factor: number): StageView {
  const next = between(zoom * factor, 1, mostZoom);
  return inside({ zoom: next, x: x + at.x / zoom - at.x / next, y: y + at.y / zoom - at.y / next });
}

/** Moved as if the picture were taken by the hand: `by` in shares of the stage. */
export const pannedBy = ({ zoom, x, y }: StageView, by: Point): StageView => inside({ zoom, x: x - by.x / zoom, y: y - by.y / zoom });

/** Two fingers moved from one pair of points of the stage to another: enlarged by their distance, moved by their middle. */
export function pinched(view: StageView, before: readonly [Point, Point], now: readonly [Point, Point]): StageView {
  const apart = ([a, b]: readonly [Point, Point]): number => Math.hypot(a.x - b.x, a.y - b.y);
  const middle = ([a, b]: readonly [Point, Point]): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
  const [from, to] = [middle(before), middle(now)];
  const factor = apart(before) > 0 ? apart(now) / apart(before) : 1;
  return pannedBy(zoomedAt(view, from, factor), { x: to.x - from.x, y: to.y - from.y });
}
