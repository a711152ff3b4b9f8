import type { Outfit } from '../figure/outfit.ts';
import type { Placement, PoseName } from '../figure/pose.ts';
import type { HallColours } from '../render/hall.ts';

export type Holder = 'client' | 'partner' | null;

/** One held pose of a clip. `hold` and `change` are seconds: how long it lasts, and how long getting there took. */
export interface Step {
  pose: PoseName;
  position: string;
  holder: Holder;
  change: number;
  hold: number;
  placement?: Placement;
  through?: boolean;
  /** Someone lands: a thump in the sound and a bump of the camera when the pose is reached. */
  impact?: boolean;
}

/** What happens at an instant, tied to the step in which it happens; `after` seconds from the start of its change. */
export interface PlannedEvent {
  step: number;
  after: number;
  kind: 'attempt' | 'guard-pull' | 'finish';
  athlete: 'client' | 'partner';
  technique?: string;
  outcome?: 'success' | 'failed' | 'countered';
}

export type FaultKind = 'shake' | 'lost' | 'dark' | 'blur';

/** A stretch in which the camera fails: seconds of the clip, from inclusive, to exclusive. */
export interface Fault {
  kind: FaultKind;
  fromSeconds: number;
  toSeconds: number;
}

/** Everything a clip is made from. The client is always figure A, the partner figure B. */
export interface ClipPlan {
  name: string;
  seed: number;
  fps: number;
  /** Seconds the athletes stand apart before the first bell and after the last. */
  lead: number;
  tail: number;
  client: { outfit: Outfit; heightMetres: number };
  partner: { outfit: Outfit; heightMetres: number };
  hall: HallColours;
  steps: Step[];
  events: PlannedEvent[];
  faults: Fault[];
}

/** The client is on top or attacking: the library pose as it is. */
export const clientOnTop: Placement = {};
/** The partner is: exchanged and reflected in the plane x = 0, so that the readable side still faces the camera. */
export const partnerOnTop: Placement = { swap: true, yaw: 180, mirror: true };

const positionOf: Partial<Record<PoseName, string>> = {
  stance: 'standing',
  collarTie: 'clinch',
  singleLegShot: 'clinch',
  singleLegUp: 'clinch',
  fallBack: 'clinch',
  closedGuard: 'closed-guard',
  butterfly: 'seated-guard',
  openGuard: 'open-guard',
  kneeShield: 'knee-shield',
  passKneeCut: 'knee-shield',
  sideControl: 'side-control',
  kneeOnBelly: 'knee-on-belly',
  mount: 'mount',
  backControl: 'back-control',
  turtle: 'turtle',
  rollMid: 'scramble',
};
const neutral = new Set(['standing', 'clinch', 'scramble']);

/** A step with its position read off the pose; who attacks is told by `top`. */
export function step(pose: PoseName, top: 'client' | 'partner', change: number, hold: number, more: Partial<Step> = {}): Step {
  const position = positionOf[pose] ?? 'scramble';
  return {
    pose,
    position,
    holder: neutral.has(position) ? null : top,
    change,
    hold,
    placement: top === 'client' ? clientOnTop : partnerOnTop,
    ...more,
  };
}
