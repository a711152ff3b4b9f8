import library from './poses.json' with { type: 'json' };
import type { Vec3 } from './vector.ts';

/** A place for a wrist or ankle: a point, or an anchor on the other athlete that keeps a grip attached. */
export type Target = Vec3 | { joint: string; offset?: Vec3; local?: Vec3 };

export interface Limb {
  target: Target;
  /** Direction in which the elbow or knee points. */
  pole: Vec3;
  /** Direction of the hand or toes. */
  tip?: Vec3;
  /** 0 open hand … 1 closed. */
  grip?: number;
}

export const limbNames = ['rightHand', 'leftHand', 'rightFoot', 'leftFoot'] as const;
export type LimbName = (typeof limbNames)[number];

export interface AthletePose extends Record<LimbName, Limb> {
  pelvis: Vec3;
  up: Vec3;
  face: Vec3;
  chestUp: Vec3;
  chestFace?: Vec3;
  look: Vec3;
  headUp?: Vec3;
}

/** Two athletes locked together; A is on top or attacking. `yaw` (degrees) turns the pair to its most readable side. */
export interface PairPose {
  yaw: number;
  A: AthletePose;
  B: AthletePose;
}

export type PoseName = keyof typeof library;
export const poses = library as unknown as Record<PoseName, PairPose>;

/** Where a pose is put on the mat. `mirror` reflects it in the plane y = 0, `swap` exchanges the two athletes. */
export interface Placement {
  yaw?: number;
  at?: readonly [number, number];
  mirror?: boolean;
  swap?: boolean;
}

const sideSwap: Record<string, string> = { r: 'l', l: 'r' };
const mirrorJoint = (joint: string): string => joint.replace(/^o\.([rl])(?=[A-Z])/, (_, side: string) => `o.${sideSwap[side]}`);
const mirrorVec = ([x, y, z]: Vec3): Vec3 => [x, -y, z];

function mirrorLimb(limb: Limb): Limb {
  const { target } = limb;
  let mirrored: Target;
  if ('joint' in target) {
    const { offset, local } = target;
    mirrored = {
      joint: mirrorJoint(target.joint),
      ...(offset && { offset: mirrorVec(offset) }),
      ...(local && { local: [-local[0], local[1], local[2]] as Vec3 }),
    };
  } else mirrored = mirrorVec(target);
  return { ...limb, target: mirrored, pole: mirrorVec(limb.pole), ...(limb.tip && { tip: mirrorVec(limb.tip) }) };
}

function mirrorAthlete(pose: AthletePose): AthletePose {
  return {
    pelvis: mirrorVec(pose.pelvis),
    up: mirrorVec(pose.up),
    face: mirrorVec(pose.face),
    chestUp: mirrorVec(pose.chestUp),
    look: mirrorVec(pose.look),
    ...(pose.chestFace && { chestFace: mirrorVec(pose.chestFace) }),
    ...(pose.headUp && { headUp: mirrorVec(pose.headUp) }),
    rightHand: mirrorLimb(pose.leftHand),
    leftHand: mirrorLimb(pose.rightHand),
    rightFoot: mirrorLimb(pose.leftFoot),
    leftFoot: mirrorLimb(pose.rightFoot),
  };
}

function turnAthlete(pose: AthletePose, yawDegrees: number, [ax, ay]: readonly [number, number]): AthletePose {
  const c = Math.cos((yawDegrees * Math.PI) / 180);
  const s = Math.sin((yawDegrees * Math.PI) / 180);
  const turn = ([x, y, z]: Vec3): Vec3 => [c * x - s * y, s * x + c * y, z];
  const move = (p: Vec3): Vec3 => {
    const [x, y, z] = turn(p);
    return [x + ax, y + ay, z];
  };
  const limb = (l: Limb): Limb => ({
    ...l,
    target: 'joint' in l.target ? { ...l.target, ...(l.target.offset && { offset: turn(l.target.offset) }) } : move(l.target),
    pole: turn(l.pole),
    ...(l.tip && { tip: turn(l.tip) }),
  });
  return {
    pelvis: move(pose.pelvis),
    up: turn(pose.up),
    face: turn(pose.face),
    chestUp: turn(pose.chestUp),
    look: turn(pose.look),
    ...(pose.chestFace && { chestFace: turn(pose.chestFace) }),
    ...(pose.headUp && { headUp: turn(pose.headUp) }),
    rightHand: limb(pose.rightHand),
    leftHand: limb(pose.leftHand),
    rightFoot: limb(pose.rightFoot),
    leftFoot: limb(pose.leftFoot),
  };
}

/** A library pose put on the mat: mirrored, turned by its own yaw plus the placement's, moved, and swapped last. */
export function placePose(pose: PairPose, placement: Placement = {}): { A: AthletePose; B: AthletePose } {
  const at = placement.at ?? [0, 0];
  const sign = placement.mirror ? -1 : 1;
  const put = (athlete: AthletePose): AthletePose =>
    turnAthlete(placement.mirror ? mirrorAthlete(athlete) : athlete, sign * pose.yaw + (placement.yaw ?? 0), at);
  const A = put(pose.A);
  const B = put(pose.B);
  return placement.swap ? { A: B, B: A } : { A, B };
}
