/** A point or direction in metres: x along the mat, y away from the camera, z up. */
export type Vec3 = readonly [number, number, number];

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const subtract = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec3, s: number): Vec3 => [a[0] * s, a[1] * s, a[2] * s];
export const along = (from: Vec3, direction: Vec3, distance: number): Vec3 => add(from, scale(direction, distance));
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec3, b: Vec3): Vec3 => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
export const length = (a: Vec3): number => Math.hypot(a[0], a[1], a[2]);
export const distance = (a: Vec3, b: Vec3): number => length(subtract(a, b));
export const mix = (a: Vec3, b: Vec3, t: number): Vec3 => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];

/** Unit vector; a zero vector falls back to straight up so that a degenerate pose still draws. */
export function unit(a: Vec3): Vec3 {
  const l = length(a);
  return l < 1e-9 ? [0, 0, 1] : scale(a, 1 / l);
}

/** The part of `a` at right angles to the unit vector `axis`, as a unit vector. */
export function perpendicular(a: Vec3, axis: Vec3): Vec3 {
  const rest = subtract(a, scale(axis, dot(a, axis)));
  if (length(rest) > 1e-6) return unit(rest);
  const other: Vec3 = Math.abs(axis[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0];
  return unit(subtract(other, scale(axis, dot(other, axis))));
}
