import type { BoutSeconds, ClockSeconds } from '../footage/index.ts';
import type { Athlete } from './athlete.ts';
import type { BoutClock } from './boutClock.ts';
import type { RuleSheet } from './ruleSheet.ts';
import type { TimedBout } from './timedBout.ts';

/** Who won and by what. `referee`: level in all that the sheet compares; `not-scored`: the sheet decides nothing. */
export interface Decision {
  winner: Athlete | null;
  decidedBy: 'finish' | 'points' | 'near-points' | 'penalties' | 'disqualification' | 'referee' | 'not-scored';
}

/** How it was decided, in words that follow a score; empty where nothing is. */
export const decisionWords: Readonly<Record<Decision['decidedBy'], string>> = {
  finish: 'by a finish',
  points: 'on points',
  'near-points': 'on near points',
  penalties: 'on penalties',
  disqualification: 'by disqualification',
  referee: 'left to the referee',
  'not-scored': '',
};

/** Something given or refused. Times are seconds of the footage clock since the bout's start. */
export interface ScoreEntry {
  athlete: Athlete;
  /** A scored action, "guard-pull", "penalty", or the technique of an attempt. */
  action: string;
  /** When it was reached. */
  at: BoutSeconds;
  /** When it was given, or refused for good. */
  bankedAt: BoutSeconds;
  points: number;
  near: number;
  /** In words, for a person. */
  reason: string;
}

/**
 * For the coach to answer. unexplained: somebody came to be on top and nothing says how; forbidden: a finish that the sheet forbids to one
 * of the two. `at` is on the footage clock.
 */
export interface Doubt {
  kind: 'unexplained' | 'forbidden';
  athlete: Athlete;
  at: BoutSeconds;
  words: string;
}

/**
 * A finish, and what led to it since the start or the fall before. Seconds of the footage clock; `athlete` is who finished. A bout that a
 * finish ends has at most one (docs/domain.md §2, falls).
 */
export interface Fall {
  athlete: Athlete;
  /** By what: its name where one was given, else its technique; empty where neither was. */
  name: string;
  from: BoutSeconds;
  at: BoutSeconds;
  /** From when the attack that ended in the tap was on, where that was coded. */
  attackFrom: BoutSeconds | null;
  /** What was given in it, and the penalties in it. */
  score: Score;
}

export interface AthleteScore {
  points: number;
  near: number;
  penalties: number;
}
export type Score = Record<Athlete, AthleteScore>;

export interface BoutScore extends Decision {
  score: Score;
  /** What was given, in the order in which it was given. */
  awards: ScoreEntry[];
  /** What was looked at and not given, in the order of time. */
  refusals: ScoreEntry[];
  /** In the order of time. */
  falls: Fall[];
  /** What neither was given nor refused, in the order of time. */
  doubts: Doubt[];
  /** When the bout was over, on the footage clock: a finish, a loss by penalties, or its end. */
  endedAt: BoutSeconds;
}

/** What the parts of the engine share. Inside the engine all times are of the bout clock. */
export interface Scoring {
  bout: TimedBout;
  sheet: RuleSheet;
  clock: BoutClock;
  /** Bout clock second at which it was over. */
  over: ClockSeconds;
  /** Bout clock second from which points count; never later than Infinity. */
  countsFrom: ClockSeconds;
}

/** An entry in bout clock seconds. */
export type ClockEntry = Omit<ScoreEntry, 'at' | 'bankedAt'> & {
  at: ClockSeconds;
  bankedAt: ClockSeconds;
  given: boolean;
  /** Of an event: its own second of the footage clock, which in a stoppage the bout clock does not tell. */
  instant?: BoutSeconds;
};
