interface Point {
  x: number;
  y: number;
  pressure?: number | undefined;
}

/** A point may lie this far off the thinned line, as a share of the picture's height. */
const tolerance = 0.0015;
/** A stroke keeps at most this many points. */
const mostPoints = 2000;

/**
 * Fewer points for the same line (Ramer 1972, Douglas and Peucker 1973): points whose distance from the line through the
 * kept ones is under the tolerance are left out; the ends stay. `aspect` is the picture's width over its height, since x
 * and y are shares of each. Points are rounded to five places. Longer strokes are thinned with a growing tolerance.
 */
export function thinStroke(points: readonly Point[], aspect: number): Point[] {
  const places = (v: number): number => Math.round(v * 1e5) / 1e5;
  const round = (point: Point): Point => ({ ...point, x: places(point.x), y: places(point.y) });
  let kept = thin(points, aspect, tolerance);
  for (let wider = tolerance * 2; kept.length > mostPoints; wider *= 2) kept = thin(points, aspect, wider);
  return kept.map(round);
}

function thin(points: readonly Point[], aspect: number, most: number): Point[] {
  if (points.length < 3) return [...points];
  const keep = new Uint8Array(points.length);
  keep[0] = keep[points.length - 1] = 1;
  // A stack of stretches instead of recursion: a long scribble would overflow it.
  const stretches: [number, number][] = [[0, points.length - 1]];
  for (let stretch = stretches.pop(); stretch; stretch = stretches.pop()) {
    const [from, to] = stretch;
    let farthest = -1;
    let distance = most;
    for (let i = from + 1; i < to; i++) {
      const d = distanceToSegment(points[i]!, points[from]!, points[to]!, aspect);
      if (d > distance) [farthest, distance] = [i, d];
    }
    if (farthest < 0) continue;
    keep[farthest] = 1;
    stretches.push([from, farthest], [farthest, to]);
  }
  return points.filter((_, i) => keep[i] === 1);
}

/** Distance of p from the segment a–b, in heights of the picture. */
function distanceToSegment(p: Point, a: Point, b: Point, aspect: number): number {
  const [px, ax, bx] = [p.x * aspect, a.x * aspect, b.x * aspect];
  const [dx, dy] = [bx - ax, b.y - a.y];
  const length2 = dx * dx + dy * dy;
  const share = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((px - ax) * dx + (p.y - a.y) * dy) / length2));
  return Math.hypot(px - ax - share * dx, p.y - a.y - share * dy);
}
