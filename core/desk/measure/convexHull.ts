import type { Pixel } from './angle.ts';

const turn = (a: Pixel, b: Pixel, c: Pixel): number => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);

/** Corners of the convex hull, counter-clockwise where y points up, without points on its edges (Andrew's monotone chain, 1979). */
export function convexHull(points: readonly Pixel[]): Pixel[] {
  const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
  const half = (order: readonly Pixel[]): Pixel[] => {
    const chain: Pixel[] = [];
    for (const point of order) {
      while (chain.length > 1 && turn(chain[chain.length - 2]!, chain[chain.length - 1]!, point) <= 1e-12) chain.pop();
      chain.push(point);
    }
    return chain.slice(0, -1);
  };
  return sorted.length < 3 ? sorted : [...half(sorted), ...half(sorted.reverse())];
}

/** Distance from a point to the nearest edge of a hull, below 0 outside, and how broad the hull is across that edge. */
export function depthInHull(hull: readonly Pixel[], point: Pixel): { depth: number; breadth: number } {
  let best = { depth: Infinity, breadth: 0 };
  hull.forEach((a, i) => {
    const b = hull[(i + 1) % hull.length]!;
    const length = Math.hypot(b.x - a.x, b.y - a.y);
    const depth = turn(a, b, point) / length;
    if (depth < best.depth) best = { depth, breadth: Math.max(...hull.map((corner) => turn(a, b, corner) / length)) };
  });
  return best;
}
