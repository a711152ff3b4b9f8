import type { PicturePoint } from './drawing.ts';

interface Pixel {
  x: number;
  y: number;
}

/** A pen that presses half as hard draws this much of the width; the pressure that draws the plain width. */
const leastWidth = 0.35;
const plainPressure = 0.5;

/**
 * Outline of a stroke that is wider where the pen pressed harder, as a closed path in pixels; null where no point carries a
 * pressure. At each point the outline lies across the direction from the point before to the point after.
 */
export function pressedOutline(
  points: readonly Pixel[],
  pressures: readonly Pick<PicturePoint, 'pressure'>[],
  stroke: number,
): string | null {
  if (points.length < 2 || !pressures.some(({ pressure }) => pressure !== undefined)) return null;
  const sides = points.map((point, i) => {
    const [from, to] = [points[Math.max(0, i - 1)]!, points[Math.min(points.length - 1, i + 1)]!];
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1;
    const half = (stroke / 2) * Math.max(leastWidth, (pressures[i]?.pressure ?? plainPressure) / plainPressure);
    const across = { x: (-(to.y - from.y) / length) * half, y: ((to.x - from.x) / length) * half };
    return { left: { x: point.x + across.x, y: point.y + across.y }, right: { x: point.x - across.x, y: point.y - across.y } };
  });
  const outline = [...sides.map(({ left }) => left), ...sides.map(({ right }) => right).reverse()];
  return `${outline.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${Math.round(x * 100) / 100} ${Math.round(y * 100) / 100}`).join('')}Z`;
}
