import { slerpFrame } from '../figure/frame.ts';
import { limbNames, placePose, poses, type AthletePose, type LimbName, type Placement, type PoseName } from '../figure/pose.ts';
import { anchorPoint, solveLimb, solveTrunk, trunkOf, type Aim, type Solved, type Trunk } from '../figure/solve.ts';
import { add, distance, mix, scale, subtract, unit, type Vec3 } from '../figure/vector.ts';
import type { BodyMeasures } from '../figure/body.ts';
import { smoothNoise } from './noise.ts';

/** A pose to be in from `at` until `until` (seconds of the clip). A `through` key is passed with speed, not stopped at. */
export interface MotionKey {
  at: number;
  until: number;
  pose: PoseName;
  placement?: Placement;
  through?: boolean;
}

export interface Pair {
  A: Solved;
  B: Solved;
}

/** Cubic Hermite from 0 to 1 with end slopes 1 at pass-through keys and 0 at held ones. */
export function easeBetween(t: number, slopeIn: number, slopeOut: number): number {
  const t2 = t * t;
  const t3 = t2 * t;
  return slopeIn * (t3 - 2 * t2 + t) + (-2 * t3 + 3 * t2) + slopeOut * (t3 - t2);
}

/** Hands start a little before feet; by the end of the change all have arrived. */
const stagger: Record<LimbName, number> = { rightHand: 0, leftHand: 0.06, rightFoot: 0.09, leftFoot: 0.14 };
const staggerStretch = 1.14;
const footLiftMetres = 0.07;

function blendTrunk(a: Trunk, b: Trunk, u: number): Trunk {
  return {
    pelvis: mix(a.pelvis, b.pelvis, u),
    pelvisFrame: slerpFrame(a.pelvisFrame, b.pelvisFrame, u),
    chestFrame: slerpFrame(a.chestFrame, b.chestFrame, u),
    headFrame: slerpFrame(a.headFrame, b.headFrame, u),
  };
}

/** The key that holds at `seconds`, or the two it lies between with the share of the way, 0..1. */
function keysAround(keys: MotionKey[], seconds: number): { from: MotionKey; to: MotionKey; share: number } {
  const last = keys[keys.length - 1]!;
  for (let i = 0; i < keys.length - 1; i++) {
    const from = keys[i]!;
    const to = keys[i + 1]!;
    if (seconds < from.until) return { from, to: from, share: 0 };
    if (seconds < to.at) return { from, to, share: (seconds - from.until) / (to.at - from.until) };
  }
  return { from: last, to: last, share: 0 };
}

const slopeOf = (key: MotionKey): number => (key.through ? 1 : 0);

/** A hand in a long hold fidgets and every few seconds lets go and grips again, or the hold looks dead. */
function handPlay(seed: number, seconds: number): Vec3 {
  const drift = (axis: number): number => 0.022 * smoothNoise(seed + axis * 17, seconds * 0.9);
  const regrip = Math.max(0, smoothNoise(seed + 91, seconds * 0.8) - 0.45) * 0.22;
  return [drift(1), drift(2) - regrip * 0.4, drift(3) + regrip];
}

/** Keeps two trunks from standing in one another: each pair of spheres closer than their sum is pushed apart, evenly. */
function partTrunks(a: Trunk, b: Trunk, bodyA: BodyMeasures, bodyB: BodyMeasures): void {
  for (let pass = 0; pass < 2; pass++) {
    const sa = solveTrunk(a, bodyA).joints;
    const sb = solveTrunk(b, bodyB).joints;
    for (const [ja, jb] of [
      ['pelvis', 'pelvis'],
      ['chest', 'chest'],
      ['pelvis', 'chest'],
      ['chest', 'pelvis'],
    ] as const) {
      const gap = distance(sa[ja], sb[jb]);
      if (gap >= 0.22) continue;
      const push = scale(unit(subtract(sa[ja], sb[jb])), (0.22 - gap) / 2);
      a.pelvis = add(a.pelvis, push);
      b.pelvis = subtract(b.pelvis, push);
    }
  }
  for (const [trunk, body] of [
    [a, bodyA],
    [b, bodyB],
  ] as const) {
    const { chest, pelvis } = solveTrunk(trunk, body).joints;
    const sunk = Math.max(0, 0.115 - chest[2], 0.115 - pelvis[2]);
    trunk.pelvis = add(trunk.pelvis, [0, 0, sunk]);
  }
}

/**
 * Both athletes at `seconds`. Trunks are solved first, then legs (two passes), then arms (three), since a limb may
 * hang on the other athlete. Pure: the same keys, time and seed give the same joints.
 */
export function solvePairAt(keys: MotionKey[], seconds: number, bodies: { A: BodyMeasures; B: BodyMeasures }, seed: number): Pair {
  const { from, to, share } = keysAround(keys, seconds);
  const eased = easeBetween(share, slopeOf(from), slopeOf(to));
  const start = placePose(poses[from.pose], from.placement);
  const end = placePose(poses[to.pose], to.placement);

  const rock: Vec3 = [
    0.02 * smoothNoise(seed + 1, seconds * 0.8) + 0.008 * smoothNoise(seed + 4, seconds * 2.3),
    0.014 * smoothNoise(seed + 2, seconds * 0.7),
    0.008 * smoothNoise(seed + 3, seconds * 1.1) + 0.004 * Math.sin(seconds * 1.9),
  ];
  const trunks = (['A', 'B'] as const).map((who) => {
    const trunk = blendTrunk(trunkOf(start[who]), trunkOf(end[who]), eased);
    return { ...trunk, pelvis: add(trunk.pelvis, rock) };
  });
  const [trunkA, trunkB] = [trunks[0]!, trunks[1]!];
  partTrunks(trunkA, trunkB, bodies.A, bodies.B);
  const pair: Pair = { A: solveTrunk(trunkA, bodies.A), B: solveTrunk(trunkB, bodies.B) };

  const aimOf = (who: 'A' | 'B', name: LimbName): Aim => {
    const other = who === 'A' ? pair.B : pair.A;
    const u = easeBetween(Math.min(1, Math.max(0, share * staggerStretch - stagger[name])), slopeOf(from), slopeOf(to));
    const point = (pose: AthletePose): Vec3 => {
      const { target } = pose[name];
      return 'joint' in target ? anchorPoint(other, target) : target;
    };
    const a = point(start[who]);
    const b = point(end[who]);
    let target = mix(a, b, u);
    const isFoot = name.endsWith('Foot');
    if (isFoot && distance(a, b) > 0.1) target = add(target, [0, 0, footLiftMetres * Math.sin(Math.PI * Math.min(1, Math.max(0, u)))]);
    if (!isFoot) target = add(target, handPlay(seed + (who === 'A' ? 100 : 200) + name.length, seconds));
    const fallbackTip: Vec3 = isFoot ? [0, 0, -1] : [0, 0, -0.5];
    const [la, lb] = [start[who][name], end[who][name]];
    return {
      target,
      pole: mix(unit(la.pole), unit(lb.pole), u),
      tip: mix(unit(la.tip ?? fallbackTip), unit(lb.tip ?? fallbackTip), u),
      grip: (la.grip ?? 0) + ((lb.grip ?? 0) - (la.grip ?? 0)) * u,
    };
  };
  const solvePasses = (limbs: readonly LimbName[], passes: number): void => {
    for (let pass = 0; pass < passes; pass++)
      for (const who of ['A', 'B'] as const) for (const name of limbs) solveLimb(pair[who], bodies[who], name, aimOf(who, name));
  };
  solvePasses(limbNames.slice(2), 2);
  solvePasses(limbNames.slice(0, 2), 3);
  return pair;
}
