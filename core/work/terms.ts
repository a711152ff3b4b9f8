import type { DrillPartner } from '../book/index.ts';
import type { CautionClass } from '../care/index.ts';
import type { PositionCode } from '../scoring/index.ts';
import type { Load } from '../care/index.ts';

export const partnerLevels = ['lower', 'same', 'higher', 'unknown'] as const;
export const partnerSizes = ['smaller', 'same', 'larger', 'unknown'] as const;
export type PartnerLevel = (typeof partnerLevels)[number];
export type PartnerSize = (typeof partnerSizes)[number];

/** Who a round is done with. */
export interface WorkPartner {
  level: PartnerLevel;
  size: PartnerSize;
}

/** An end of one go from a start, and whose it is: of whoever is in the client's place in the start, of the other one, or of neither. */
export interface Way {
  id: string;
  words: string;
  wonBy: 'own' | 'other' | 'nobody';
}

/** From where a positional round begins each time. */
export interface RoundStart {
  position: PositionCode;
  /** Whether the client holds the position (is above); null where nobody does. */
  clientHolds: boolean | null;
  /** Grips by their names ("collar and sleeve"); empty: none. */
  grips: string;
}

/** Everything that makes two tests tests of the same: where it begins, how it can end, how long, and what is counted. */
export interface RoundTest {
  start: RoundStart;
  ways: readonly Way[];
  minutes: number;
  /** chance: each go is won or not; rate: what the other one wins, by minutes. */
  counts: 'chance' | 'rate';
}

/** All before the advice, then all after it; or the old way in the first and the last, the new way in between (A-B-B-A). */
export const roundOrders = ['one-way', 'balanced'] as const;
export type RoundOrder = (typeof roundOrders)[number];

interface Common {
  name: string;
  /** What is said on the mat; empty: nothing. */
  cue: string;
  how: string;
  caution: CautionClass;
  loads: readonly Load[];
  /** Techniques as rule sheets name them, for what is restricted. */
  techniques: readonly string[];
  equipment: string;
  weeks: number;
  timesPerWeek: number;
  clipIds: readonly string[];
}

/** A drill for some minutes. */
export interface DrillTerms extends Common {
  kind: 'drill';
  partner: DrillPartner;
  minutes: number;
}

/** A positional round: the same start again and again, and what comes of it counted. */
export interface RoundTerms extends Common {
  kind: 'round';
  test: RoundTest;
  rounds: number;
  restSeconds: number;
  wanted: WorkPartner;
  /** Whether the two change places from round to round. */
  swaps: boolean;
  /** One or two details, heard between the rounds before and those after; empty: all rounds are alike. */
  advice: string;
  order: RoundOrder;
}

export type WorkTerms = DrillTerms | RoundTerms;

/** One round as it is to be done. */
export interface PlannedRound {
  when: 'before' | 'after' | null;
  /** own: the client is where the start says; other: the two have changed places. */
  place: 'own' | 'other';
}

/** The rounds of a day in their order. Each stretch before or after the advice has both places where they change. */
export function plannedRounds({ rounds, swaps, advice, order }: Pick<RoundTerms, 'rounds' | 'swaps' | 'advice' | 'order'>): PlannedRound[] {
  const goes = Array.from({ length: rounds }, (_, i) => i);
  const half = Math.ceil(rounds / 2);
  const quarter = Math.floor(rounds / 4);
  const isAfter = (i: number): boolean => (order === 'balanced' && rounds >= 4 ? i >= quarter && i < rounds - quarter : i >= half);
  return goes.map((i) => ({
    when: advice === '' || rounds < 2 ? null : isAfter(i) ? 'after' : 'before',
    place: swaps && i % 2 === 1 ? 'other' : 'own',
  }));
}

const likeness = (terms: WorkTerms): string => JSON.stringify(terms.kind === 'round' ? [terms.test, terms.swaps] : terms.kind);

/** Whether what is counted of two is counted of the same: start, ends, minutes, places. Retests are of one such test only. */
export const isSameTest = (a: WorkTerms, b: WorkTerms): boolean => likeness(a) === likeness(b);
