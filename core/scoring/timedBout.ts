import type { BoutSeconds, ClockSeconds } from '../footage/index.ts';
import type { Athlete } from './athlete.ts';
import type { Athletic } from './legality.ts';
import type { TimedEvent } from './boutEvent.ts';
import type { Holder, PositionCode, Posture } from '../positions/index.ts';

/** A span in seconds since the bout's start on the footage clock; `from` inclusive, `to` exclusive. */
export interface TimedSpan {
  position: PositionCode;
  holder: Holder;
  from: BoutSeconds;
  to: BoutSeconds;
  /** What the position is called, more closely than its code says. */
  name?: string;
  posture?: Posture;
}

export const threatEnds = ['tap', 'escape', 'traded', 'let go', 'time'] as const;

/** A finishing attack beside the position, in seconds like a span. `lockedAt`: from when it was tight. */
export interface TimedThreat {
  athlete: Athlete;
  name: string;
  from: BoutSeconds;
  lockedAt?: BoutSeconds;
  to: BoutSeconds;
  ended: (typeof threatEnds)[number];
  /** The position it was given up for. */
  tradedFor?: string;
}

export const afterFinishes = ['ends', 'restarts'] as const;
/** Whether a finish ends the bout, or closes a fall after which the two start again (docs/domain.md §2, falls). */
export type AfterFinish = (typeof afterFinishes)[number];

/** A coded bout in seconds: what everything in this room is computed from. */
export interface TimedBout {
  /** Length on the footage clock, stoppages not taken out. */
  lengthSeconds: BoutSeconds;
  /** How long it was meant to be on the bout clock; null where nobody set it. */
  clockSeconds?: ClockSeconds | null;
  /** Where that is not known: whether it ended with its picture only, so that nobody knows how much was left. */
  openEnd?: boolean;
  /** Ascending, without gap or overlap. */
  spans: readonly TimedSpan[];
  /** In any order. */
  events: readonly TimedEvent[];
  /** "ends" where it is not said. */
  afterFinish?: AfterFinish;
  threats?: readonly TimedThreat[];
  /** Who they are, as far as it is known: what a sheet forbids depends on it. */
  people?: Readonly<Record<Athlete, Athletic>>;
}
