export interface Pixel {
  x: number;
  y: number;
}

/** A spot put down by hand is this far off, in pixels of the footage (one standard deviation). */
export const handPixels = 2;
/** Half of a 95 % interval of a normal error, in standard deviations. */
export const ninetyFive = 1.96;

/**
 * Angle at the middle of three points, in degrees, 0 to 180, with its ± at 95 % when each point is off by `sigma` pixels.
 * The error is carried to first order: an end at distance a turns its ray by 1/a a pixel, the joint turns both.
 * Worked: ends 100 px away at right angles, 2 px: 90° ± 4.5°.
 */
export function jointAngle(
  [end, joint, other]: readonly [Pixel, Pixel, Pixel],
  sigma = handPixels,
): { degrees: number; plusMinus: number } {
  const [a, c] = [from(joint, end), from(joint, other)];
  if (a.length === 0 || c.length === 0) return { degrees: 0, plusMinus: 180 };
  const degrees = toDegrees(Math.abs(Math.atan2(a.x * c.y - a.y * c.x, a.x * c.x + a.y * c.y)));
  // Turning of each ray a pixel, as a vector across it; at the joint both turn at once.
  const [pa, pc] = [across(a), across(c)];
  const variance = sigma ** 2 * (1 / a.length ** 2 + 1 / c.length ** 2 + (pa.x - pc.x) ** 2 + (pa.y - pc.y) ** 2);
  return { degrees, plusMinus: Math.min(180, toDegrees(ninetyFive * Math.sqrt(variance))) };
}

const toDegrees = (radians: number): number => (radians * 180) / Math.PI;
const from = (origin: Pixel, to: Pixel) => {
  const [x, y] = [to.x - origin.x, to.y - origin.y];
  return { x, y, length: Math.hypot(x, y) };
};
const across = ({ x, y, length }: Pixel & { length: number }): Pixel => ({ x: -y / length ** 2, y: x / length ** 2 });
