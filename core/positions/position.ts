import type { FrameIndex } from '../footage/index.ts';
import type { Posture } from './posture.ts';

export type Holder = 'client' | 'partner' | null;

/** A stretch of a bout in one position with one holder; `fromFrame` inclusive, `toFrame` exclusive. */
export interface Span {
  position: PositionCode;
  holder: Holder;
  fromFrame: FrameIndex;
  toFrame: FrameIndex;
  /** What it is called, more closely than its code says. */
  name?: string;
  posture?: Posture;
}

/** Value to the holder, −100..100, under the preset "balanced" (docs/domain.md §1; the coach may set others, see valuePreset.ts). */
const table = {
  standing: ['neutral', 'Standing', 0],
  clinch: ['neutral', 'Clinch', 0],
  'both-seated': ['neutral', 'Both seated', 0],
  scramble: ['neutral', 'Scramble', 0],
  'fifty-fifty': ['neutral', 'Fifty-fifty', 0],
  'front-headlock': ['attack', 'Front headlock', 25],
  'rear-clinch': ['attack', 'Rear clinch', 45],
  'leg-entanglement': ['attack', 'Leg entanglement', 30],
  'closed-guard': ['guard', 'Closed guard', -5],
  'seated-guard': ['guard', 'Seated guard', 0],
  'open-guard': ['guard', 'Open guard', 0],
  'knee-shield': ['guard', 'Knee shield', 10],
  'single-leg-x': ['guard', 'Single-leg X', -15],
  'x-guard': ['guard', 'X guard', -15],
  'k-guard': ['guard', 'K guard', -15],
  'deep-half': ['guard', 'Deep half', 0],
  'half-guard': ['guard', 'Half guard', 20],
  'quarter-guard': ['guard', 'Quarter guard', 30],
  turtle: ['pin', 'Turtle', 35],
  'side-control': ['pin', 'Side control', 55],
  'north-south': ['pin', 'North-south', 55],
  // What looks like it with the arm triangle on is side control or mount, called by name.
  'head-and-arm': ['pin', 'Scarf hold', 55],
  'knee-on-belly': ['pin', 'Knee on belly', 65],
  mount: ['pin', 'Mount', 80],
  'three-quarter-mount': ['pin', 'Three-quarter mount', 70],
  'back-mount': ['pin', 'Back mount', 90],
  'back-seatbelt': ['pin', 'Back, seatbelt', 60],
  truck: ['pin', 'Truck', 45],
  'back-control': ['pin', 'Back control', 95],
  crucifix: ['pin', 'Crucifix', 95],
} as const satisfies Record<string, readonly [family: 'neutral' | 'attack' | 'guard' | 'pin', name: string, value: number]>;

export type PositionCode = keyof typeof table;
export const positionCodes = Object.keys(table) as [PositionCode, ...PositionCode[]];
export const positionFamily = (code: PositionCode): 'neutral' | 'attack' | 'guard' | 'pin' => table[code][0];
export const positionName = (code: PositionCode): string => table[code][1];

export const isNeutral = (code: PositionCode): boolean => table[code][0] === 'neutral';

/** Value of a position to its holder under the preset "balanced". */
export const balancedValue = (code: PositionCode): number => table[code][2];

/** Pins whose holder is behind or beside, attacking, not on top. */
const attacking: ReadonlySet<PositionCode> = new Set(['back-seatbelt', 'truck', 'back-control', 'crucifix']);

/** Whether the holder is on top: the passer of a guard, or on top of a turtle or pin. */
export const isOnTop = (code: PositionCode): boolean => (table[code][0] === 'guard' || table[code][0] === 'pin') && !attacking.has(code);

/** Whether the holder controls the other on the ground: in a guard, a turtle or a pin. */
export const isGroundControl = (code: PositionCode): boolean => table[code][0] === 'guard' || table[code][0] === 'pin';

/** Lean of a span, −100 (partner in full control) to +100 (client in full control); neutral positions are 0. */
export function leanOfSpan({ position, holder }: Pick<Span, 'position' | 'holder'>, values: PositionValues = balancedValue): number {
  if (holder === null) return 0;
  const lean = values(position) * (holder === 'client' ? 1 : -1);
  return lean === 0 ? 0 : lean;
}

/** Value of each position to its holder, −100..100. */
export type PositionValues = (code: PositionCode) => number;

/** Why spans do not tile the bout without gap or overlap, in words, or null when they do. */
export function tilingFault(spans: readonly Span[], fromFrame: number, toFrame: number): string | null {
  let expected = fromFrame;
  for (const [i, span] of spans.entries()) {
    if (span.toFrame <= span.fromFrame) return `spans[${i}] ends at frame ${span.toFrame}, not after its start ${span.fromFrame}.`;
    if (span.fromFrame !== expected) return `spans[${i}] starts at frame ${span.fromFrame}; frame ${expected} is expected.`;
    expected = span.toFrame;
  }
  return expected === toFrame || spans.length === 0 ? null : `The spans end at frame ${expected}; the bout ends at ${toFrame}.`;
}
