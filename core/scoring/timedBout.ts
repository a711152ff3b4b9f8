import type { BoutSeconds, ClockSeconds } from '../footage/index.ts';
import type { TimedEvent } from './boutEvent.ts';
import type { Holder, PositionCode } from './position.ts';

/** A span in seconds since the bout's start on the footage clock; `from` inclusive, `to` exclusive. */
export interface TimedSpan {
  position: PositionCode;
  holder: Holder;
  from: BoutSeconds;
  to: BoutSeconds;
}

/** A coded bout in seconds: what everything in this room is computed from. */
export interface TimedBout {
  /** Length on the footage clock, stoppages not taken out. */
  lengthSeconds: BoutSeconds;
  /** How long it was meant to be on the bout clock; null where nobody set it. */
  clockSeconds?: ClockSeconds | null;
  /** Ascending, without gap or overlap. */
  spans: readonly TimedSpan[];
  /** In any order. */
  events: readonly TimedEvent[];
}
