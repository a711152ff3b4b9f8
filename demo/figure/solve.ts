import type { BodyMeasures } from './body.ts';
import { bodyFrame, fromLocal, type BodyFrame } from './frame.ts';
import type { LimbName } from './pose.ts';
import { add, along, distance, perpendicular, scale, subtract, unit, type Vec3 } from './vector.ts';

export const jointNames = [
  'pelvis',
  'mid',
  'waist',
  'chest',
  'neck',
  'head',
  'rHip',
  'rKnee',
  'rAnk',
  'rToe',
  'lHip',
  'lKnee',
  'lAnk',
  'lToe',
  'rSh',
  'rElb',
  'rWr',
  'rTip',
  'lSh',
  'lElb',
  'lWr',
  'lTip',
] as const;
export type JointName = (typeof jointNames)[number];

/** An athlete at one instant: joints in metres and the frames that the mesh is hung on. */
export interface Solved {
  joints: Record<JointName, Vec3>;
  pelvisFrame: BodyFrame;
  chestFrame: BodyFrame;
  headFrame: BodyFrame;
  grip: { right: number; left: number };
}

/** What the trunk does: the part of a pose that is solved before any limb. */
export interface Trunk {
  pelvis: Vec3;
  pelvisFrame: BodyFrame;
  chestFrame: BodyFrame;
  headFrame: BodyFrame;
}

/** A limb's aim with its anchor already looked up in the world. */
export interface Aim {
  target: Vec3;
  pole: Vec3;
  tip: Vec3;
  grip: number;
}

/**
 * Two-bone inverse kinematics by the law of cosines. `pole` is the direction in which the middle joint bends.
 * A target out of reach is approached with the limb stretched to 99.9 %.
 */
export function bendLimb(root: Vec3, target: Vec3, pole: Vec3, upper: number, lower: number): { middle: Vec3; end: Vec3 } {
  const direction = unit(subtract(target, root));
  const reach = Math.min(Math.max(distance(root, target), Math.abs(upper - lower) * 1.02 + 1e-3), (upper + lower) * 0.999);
  const toMiddle = (upper * upper - lower * lower + reach * reach) / (2 * reach);
  const out = Math.sqrt(Math.max(0, upper * upper - toMiddle * toMiddle));
  const middle = along(along(root, direction, toMiddle), perpendicular(pole, direction), out);
  return { middle, end: along(root, direction, reach) };
}

/** Trunk joints; limbs start folded at their roots until `solveLegs` and `solveArms` place them. */
export function solveTrunk(trunk: Trunk, body: BodyMeasures): Solved {
  const { pelvis, pelvisFrame: p, chestFrame: c, headFrame: h } = trunk;
  const waist = along(pelvis, p.up, body.lumbar);
  const top = along(waist, c.up, body.thorax);
  const hip = (side: number): Vec3 => along(along(pelvis, p.right, side * body.hipHalfWidth), p.up, -body.hipDrop);
  const shoulder = (side: number): Vec3 => along(along(top, c.right, side * body.shoulderHalfWidth), c.up, -body.shoulderDrop);
  const neck = along(top, c.up, body.neck * 0.4);
  const joints = {
    pelvis,
    mid: along(pelvis, p.up, body.lumbar * 0.6),
    waist,
    chest: along(waist, c.up, body.thorax * 0.55),
    neck,
    head: along(along(top, unit(add(h.up, scale(c.up, 0.6))), body.neck), h.up, body.headRadius),
    rHip: hip(1),
    rKnee: hip(1),
    rAnk: hip(1),
    rToe: hip(1),
    lHip: hip(-1),
    lKnee: hip(-1),
    lAnk: hip(-1),
    lToe: hip(-1),
    rSh: shoulder(1),
    rElb: shoulder(1),
    rWr: shoulder(1),
    rTip: shoulder(1),
    lSh: shoulder(-1),
    lElb: shoulder(-1),
    lWr: shoulder(-1),
    lTip: shoulder(-1),
  };
  return { joints, pelvisFrame: p, chestFrame: c, headFrame: h, grip: { right: 0, left: 0 } };
}

const limbJoints = {
  rightHand: { root: 'rSh', middle: 'rElb', end: 'rWr', tip: 'rTip' },
  leftHand: { root: 'lSh', middle: 'lElb', end: 'lWr', tip: 'lTip' },
  rightFoot: { root: 'rHip', middle: 'rKnee', end: 'rAnk', tip: 'rToe' },
  leftFoot: { root: 'lHip', middle: 'lKnee', end: 'lAnk', tip: 'lToe' },
} as const;

/** Joints of a limb stay this far above the mat, in metres. */
const floorClearance = { middle: 0.055, end: 0.05 };

/** Places one limb on `solved` in place: slides the shoulder toward a far hand, tilts the pole up where the middle joint would sink. */
export function solveLimb(solved: Solved, body: BodyMeasures, name: LimbName, aim: Aim): void {
  const { root, middle, end, tip } = limbJoints[name];
  const isArm = name.endsWith('Hand');
  const [upper, lower] = isArm ? [body.upperArm, body.forearm] : [body.thigh, body.shin];
  const { joints } = solved;
  const target: Vec3 = [aim.target[0], aim.target[1], Math.max(aim.target[2], floorClearance.end)];
  if (isArm) {
    const side = name === 'rightHand' ? 1 : -1;
    const home = along(
      along(along(joints.waist, solved.chestFrame.up, body.thorax), solved.chestFrame.right, side * body.shoulderHalfWidth),
      solved.chestFrame.up,
      -body.shoulderDrop,
    );
    const missing = distance(home, target) - (upper + lower) * 0.96;
    joints[root] = along(home, unit(subtract(target, home)), Math.min(Math.max(missing, 0), body.shoulderSlide));
  }
  let pole = aim.pole;
  let bent = bendLimb(joints[root], target, pole, upper, lower);
  for (let lift = 0; lift < 8 && bent.middle[2] < floorClearance.middle; lift++) {
    pole = add(pole, [0, 0, 0.35]);
    bent = bendLimb(joints[root], target, pole, upper, lower);
  }
  joints[middle] = bent.middle;
  joints[end] = bent.end;
  const tipLength = isArm ? 0.16 : 0.2;
  const reached = along(bent.end, unit(aim.tip), tipLength);
  joints[tip] = [reached[0], reached[1], Math.max(reached[2], isArm ? 0.02 : 0.025)];
  if (name === 'rightHand') solved.grip.right = aim.grip;
  if (name === 'leftHand') solved.grip.left = aim.grip;
}

/** World point of an anchor on `other`: a joint with a world offset or a local [right, front, up] of the frame it belongs to. */
export function anchorPoint(other: Solved, anchor: { joint: string; offset?: Vec3; local?: Vec3 }): Vec3 {
  const name = anchor.joint.replace(/^o\./, '') as JointName;
  const joint = other.joints[name];
  if (!joint) throw new Error(`A pose anchors on "${anchor.joint}", which is no joint.`);
  let point = anchor.offset ? add(joint, anchor.offset) : joint;
  if (anchor.local) {
    const low = name === 'pelvis' || name === 'mid' || name === 'waist' || /Hip|Knee|Ank|Toe/.test(name);
    const frame = name === 'head' ? other.headFrame : low ? other.pelvisFrame : other.chestFrame;
    point = add(point, fromLocal(frame, anchor.local));
  }
  return point;
}

export const trunkOf = (pose: {
  pelvis: Vec3;
  up: Vec3;
  face: Vec3;
  chestUp: Vec3;
  chestFace?: Vec3;
  look: Vec3;
  headUp?: Vec3;
}): Trunk => {
  const chestFrame = bodyFrame(pose.chestUp, pose.chestFace ?? pose.face);
  // A head without a stated up follows the chest, half righted; it then looks where the pose says.
  const headUp = pose.headUp ?? add(scale(chestFrame.up, 1), [0, 0, 0.35]);
  const look = unit(pose.look);
  const squared = perpendicular(headUp, look);
  return {
    pelvis: pose.pelvis,
    pelvisFrame: bodyFrame(pose.up, pose.face),
    chestFrame,
    headFrame: bodyFrame(squared, look),
  };
};
