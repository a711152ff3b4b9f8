import { add, cross, perpendicular, scale, unit, type Vec3 } from './vector.ts';

/** A right-handed body frame: `right = front × up`, all three of length one. */
export interface BodyFrame {
  right: Vec3;
  front: Vec3;
  up: Vec3;
}

/** Frame from an up direction (kept) and a facing direction (made square to it). */
export function bodyFrame(up: Vec3, facing: Vec3): BodyFrame {
  const u = unit(up);
  const front = perpendicular(facing, u);
  return { right: cross(front, u), front, up: u };
}

/** World vector of a local [right, front, up] one. */
export const fromLocal = (frame: BodyFrame, [r, f, u]: Vec3): Vec3 =>
  add(add(scale(frame.right, r), scale(frame.front, f)), scale(frame.up, u));

type Quaternion = [number, number, number, number];

/** Quaternion (w, x, y, z) of the rotation whose columns are right, front, up (Shepperd 1978). */
function quaternionOf({ right: r, front: f, up: u }: BodyFrame): Quaternion {
  const [m00, m10, m20] = r;
  const [m01, m11, m21] = f;
  const [m02, m12, m22] = u;
  const trace = m00 + m11 + m22;
  if (trace > 0) {
    const s = 2 * Math.sqrt(trace + 1);
    return [s / 4, (m21 - m12) / s, (m02 - m20) / s, (m10 - m01) / s];
  }
  if (m00 > m11 && m00 > m22) {
    const s = 2 * Math.sqrt(1 + m00 - m11 - m22);
    return [(m21 - m12) / s, s / 4, (m01 + m10) / s, (m02 + m20) / s];
  }
  if (m11 > m22) {
    const s = 2 * Math.sqrt(1 + m11 - m00 - m22);
    return [(m02 - m20) / s, (m01 + m10) / s, s / 4, (m12 + m21) / s];
  }
  const s = 2 * Math.sqrt(1 + m22 - m00 - m11);
  return [(m10 - m01) / s, (m02 + m20) / s, (m12 + m21) / s, s / 4];
}

function frameOf([w, x, y, z]: Quaternion): BodyFrame {
  return {
    right: [1 - 2 * (y * y + z * z), 2 * (x * y + w * z), 2 * (x * z - w * y)],
    front: [2 * (x * y - w * z), 1 - 2 * (x * x + z * z), 2 * (y * z + w * x)],
    up: [2 * (x * z + w * y), 2 * (y * z - w * x), 1 - 2 * (x * x + y * y)],
  };
}

/** Shortest-way spherical interpolation between two frames, t in 0..1 (Shoemake 1985). */
export function slerpFrame(a: BodyFrame, b: BodyFrame, t: number): BodyFrame {
  const qa = quaternionOf(a);
  let qb = quaternionOf(b);
  let cosine = qa.reduce((sum, v, i) => sum + v * qb[i]!, 0);
  if (cosine < 0) {
    qb = qb.map((v) => -v) as Quaternion;
    cosine = -cosine;
  }
  const angle = Math.acos(Math.min(1, cosine));
  const wa = angle < 1e-4 ? 1 - t : Math.sin((1 - t) * angle) / Math.sin(angle);
  const wb = angle < 1e-4 ? t : Math.sin(t * angle) / Math.sin(angle);
  const blended = qa.map((v, i) => v * wa + qb[i]! * wb);
  const norm = Math.hypot(...blended);
  return frameOf(blended.map((v) => v / norm) as Quaternion);
}
