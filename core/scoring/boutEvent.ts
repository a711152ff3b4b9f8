import type { BoutSeconds, FrameIndex } from '../footage/index.ts';
import type { Athlete } from './athlete.ts';
import type { Holder, PositionCode } from '../positions/index.ts';

/** Techniques an attempt may be of. Others may be written; these are what the palette offers and the score knows. */
export const attemptTechniques = ['takedown', 'sweep', 'pass', 'back-take', 'escape', 'finish'] as const;
export const attemptOutcomes = ['success', 'failed', 'countered'] as const;
export type AttemptOutcome = (typeof attemptOutcomes)[number];

/**
 * What happens at an instant of a bout, without where it stands. `athlete` is who does it; of a penalty, who gets it. `name`: what it is
 * called, more closely than its technique says.
 */
export type BoutHappening =
  | { kind: 'attempt'; athlete: Athlete; technique: string; outcome: AttemptOutcome; close?: boolean; name?: string }
  /** `gripped`: the other athlete already had a grip for a takedown. */
  | { kind: 'guard-pull'; athlete: Athlete; gripped?: boolean }
  | { kind: 'stoppage' }
  /** The referee has them go on; where the position is not named, the one that is coded there holds. */
  | { kind: 'restart'; position?: PositionCode; holder?: Holder }
  | { kind: 'penalty'; athlete: Athlete }
  | { kind: 'finish'; athlete: Athlete; technique: string; name?: string }
  /** A finish that was there and let go, as partners who mind one another do: nobody taps, nothing ends. */
  | { kind: 'catch-and-release'; athlete: Athlete; technique: string; name?: string };
export const boutEventKinds = [
  'attempt',
  'guard-pull',
  'stoppage',
  'restart',
  'penalty',
  'finish',
  'catch-and-release',
] as const satisfies readonly BoutHappening['kind'][];

/** An event at a time: seconds since the bout's start on the footage clock (stoppages not taken out). */
export type TimedEvent = BoutHappening & { at: BoutSeconds };
/** An event on a frame of the footage. */
export type FrameEvent = BoutHappening & { atFrame: FrameIndex };
