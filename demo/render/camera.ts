import { dot, subtract, unit, cross, type Vec3 } from '../figure/vector.ts';

export const pictureWidth = 960;
export const pictureHeight = 540;

const eye: Vec3 = [0, -4.1, 1.5];
const aim: Vec3 = [0, 0, 0.62];
const forward = unit(subtract(aim, eye));
const rightward = unit(cross(forward, [0, 0, 1]));
const downward = cross(forward, rightward);
/** Pixels: half the width over the tangent of half the 52° horizontal field. */
const focal = pictureWidth / 2 / Math.tan((26 * Math.PI) / 180);

/** A point of the plane picture before the hand-held part: pixels right of and below the optical axis, and depth in metres. */
export interface PlanePoint {
  u: number;
  v: number;
  depth: number;
}

export function project(point: Vec3): PlanePoint {
  const d = subtract(point, eye);
  const depth = dot(d, forward);
  return { u: (focal * dot(d, rightward)) / depth, v: (focal * dot(d, downward)) / depth, depth };
}

/** Floor point (x, y metres) seen at a plane point, or null at or above the horizon. */
export function floorAt(u: number, v: number): readonly [number, number] | null {
  const ray: Vec3 = [
    forward[0] + (rightward[0] * u + downward[0] * v) / focal,
    forward[1] + (rightward[1] * u + downward[1] * v) / focal,
    forward[2] + (rightward[2] * u + downward[2] * v) / focal,
  ];
  if (ray[2] > -1e-3) return null;
  const t = -eye[2] / ray[2];
  return [eye[0] + ray[0] * t, eye[1] + ray[1] * t];
}

export const directionToEye = (point: Vec3): Vec3 => unit(subtract(eye, point));

/** What the hand does to the plane picture: zoom, what stands in the middle, roll in radians. */
export interface View {
  zoom: number;
  centreU: number;
  centreV: number;
  roll: number;
}

/** Plane point → picture pixel. Origin top left, x right, y down. */
export function toPicture(view: View, { u, v }: { u: number; v: number }): { x: number; y: number } {
  const c = Math.cos(view.roll) * view.zoom;
  const s = Math.sin(view.roll) * view.zoom;
  const du = u - view.centreU;
  const dv = v - view.centreV;
  return { x: pictureWidth / 2 + c * du - s * dv, y: pictureHeight / 2 + s * du + c * dv };
}
