import type { PicturePoint } from '../drawing.ts';
import { handPixels, ninetyFive, type Pixel } from './angle.ts';
import { convexHull, depthInHull } from './convexHull.ts';
import { through, type Homography } from './matPlane.ts';

export const bodyJoints = [
  'head',
  'shoulderLeft',
  'shoulderRight',
  'elbowLeft',
  'elbowRight',
  'wristLeft',
  'wristRight',
  'hipLeft',
  'hipRight',
  'kneeLeft',
  'kneeRight',
  'ankleLeft',
  'ankleRight',
  'toeLeft',
  'toeRight',
] as const;
export type BodyJoint = (typeof bodyJoints)[number];
/** Dots on the joints that can be seen. */
export type BodyDots = Partial<Record<BodyJoint, PicturePoint>>;

/**
 * Segment masses as shares of the body, and where along the segment their middle lies, from the first end on (de Leva 1996,
 * "Adjustments to Zatsiorsky-Seluyanov's segment inertia parameters", J. Biomech. 29; the mean of women and men for the places).
 * The head's dot is put on its middle, the hand's on the wrist. The trunk runs between the middles of shoulders and hips.
 */
const segments: readonly { share: number; from: readonly BodyJoint[]; to: readonly BodyJoint[]; place: number }[] = [
  { share: 0.069, from: ['head'], to: ['head'], place: 0 },
  { share: 0.435, from: ['shoulderLeft', 'shoulderRight'], to: ['hipLeft', 'hipRight'], place: 0.431 },
  ...(['Left', 'Right'] as const).flatMap((side) => [
    { share: 0.027, from: [`shoulder${side}`] as const, to: [`elbow${side}`] as const, place: 0.576 },
    { share: 0.016, from: [`elbow${side}`] as const, to: [`wrist${side}`] as const, place: 0.457 },
    { share: 0.006, from: [`wrist${side}`] as const, to: [`wrist${side}`] as const, place: 0 },
    { share: 0.142, from: [`hip${side}`] as const, to: [`knee${side}`] as const, place: 0.385 },
    { share: 0.043, from: [`knee${side}`] as const, to: [`ankle${side}`] as const, place: 0.444 },
    { share: 0.014, from: [`ankle${side}`] as const, to: [`toe${side}`] as const, place: 0.42 },
  ]),
];

export interface Balance {
  /** Where the weight is, in pixels. */
  weight: Pixel;
  /** Where the plumb line from it meets the line of the base, in pixels. */
  plumb: Pixel;
  /** Both ends of the base, in pixels, left first. */
  base: readonly [Pixel, Pixel];
  /** From the plumb line to the nearer edge, in % of the base; below 0 outside. */
  marginPercent: number;
  plusMinus: number;
  /** The side of the nearer edge in the picture: to there one tips first. */
  tips: 'left' | 'right';
  /** Share of the body's mass that the dots cover, 0..1. */
  covered: number;
  confidence: 'good' | 'fair' | 'poor';
}

/** The middle of those joints that have a dot; null where none has. */
function middle(dots: Partial<Record<BodyJoint, Pixel>>, joints: readonly BodyJoint[]): Pixel | null {
  const there = joints.flatMap((joint) => dots[joint] ?? []);
  if (there.length === 0) return null;
  return { x: there.reduce((s, p) => s + p.x, 0) / there.length, y: there.reduce((s, p) => s + p.y, 0) / there.length };
}

/** The middle of the mass of all segments that have their dots; missing ones are left out and the shares made whole again. */
export function bodyWeight(dots: Partial<Record<BodyJoint, Pixel>>): { weight: Pixel; covered: number; spread: number } | null {
  let [covered, x, y, squares] = [0, 0, 0, 0];
  for (const { share, from, to, place } of segments) {
    const [a, b] = [middle(dots, from), middle(dots, to)];
    if (!a || !b) continue;
    covered += share;
    x += share * (a.x + (b.x - a.x) * place);
    y += share * (a.y + (b.y - a.y) * place);
    squares += share ** 2 * ((1 - place) ** 2 + place ** 2);
  }
  return covered > 0 ? { weight: { x: x / covered, y: y / covered }, covered, spread: Math.sqrt(squares) / covered } : null;
}

/** Joints are found less exactly than corners: they lie under cloth. Pixels of error a hundred of the picture's height. */
const jointError = 1.5;
const leastBase = 4;

/**
 * The balance check of one body seen from the side. Two contacts with the mat at least; null when there are fewer, when they lie
 * on one spot, or when no segment has its dots. With the mat's plane and three contacts the margin is taken inside their convex hull on the
 * mat.
 */
export function balanceCheck(
  dots: Partial<Record<BodyJoint, Pixel>>,
  contacts: readonly Pixel[],
  pictureHeight: number,
  toMat: Homography | null,
): Balance | null {
  const body = bodyWeight(dots);
  const sorted = [...contacts].sort((a, b) => a.x - b.x || a.y - b.y);
  const [left, right] = [sorted[0], sorted[sorted.length - 1]];
  if (!body || !left || !right || right.x - left.x < leastBase) return null;
  const { weight, covered } = body;
  // Straight down in the picture, to the line through the outermost contacts.
  const share = (weight.x - left.x) / (right.x - left.x);
  const plumb = { x: weight.x, y: left.y + share * (right.y - left.y) };
  const alongBase = Math.min(share, 1 - share) * 100;
  const marginPercent = (toMat && onMat(sorted, plumb, toMat)) ?? alongBase;
  const weightError = body.spread * (jointError / 100) * pictureHeight;
  const plusMinus = (ninetyFive * Math.hypot(weightError, handPixels) * 100) / (right.x - left.x);
  const confidence = covered >= 0.85 ? 'good' : covered >= 0.6 ? 'fair' : 'poor';
  return { weight, plumb, base: [left, right], marginPercent, plusMinus, tips: share < 0.5 ? 'left' : 'right', covered, confidence };
}

/** Margin inside the hull of the contacts on the mat, in % of the hull's breadth across its nearest edge; null for fewer than three. */
function onMat(contacts: readonly Pixel[], plumb: Pixel, toMat: Homography): number | null {
  const hull = convexHull(contacts.map((contact) => through(toMat, contact)));
  if (hull.length < 3) return null;
  const { depth, breadth } = depthInHull(hull, through(toMat, plumb));
  return breadth > 0 ? (depth / breadth) * 100 : null;
}
