import type { Part } from '../care/index.ts';
import type { RoundTest, WorkPartner } from './terms.ts';

/** A count of one end: which, and when in ms of the round's running time; null: told from memory. */
export interface Press {
  wayId: string;
  atMs: number | null;
}

/** Who counted: a third person, the two between goes, or from memory afterwards. */
export const countedBy = ['third', 'between', 'memory'] as const;
export type CountedBy = (typeof countedBy)[number];

/** A round as it was done. */
export interface DoneRound {
  when: 'before' | 'after' | null;
  place: 'own' | 'other';
  /** How long it ran, in ms. */
  ranMs: number;
  partner: WorkPartner;
  by: CountedBy;
  presses: readonly Press[];
}

/** Where it hurt, and how that is said. */
export interface Pain extends Part {
  words: string;
}

/** Work as it was done on one day. */
export interface WorkSession {
  id: string;
  /** The day where the client is, YYYY-MM-DD. */
  doneOn: string;
  rounds: readonly DoneRound[];
  /** 1 badly … 5 very well; null: not said. */
  felt: number | null;
  line: string;
  pains: readonly Pain[];
}

export type Counted = { successes: number; chances: number } | { mistakes: number; minutes: number };

const minuteMs = 60_000;

/**
 * What was counted in one round for the client: goes won of goes ended, or what the other one won in the minutes it ran. Where the two
 * had changed places the ends change theirs. Goes that nobody won are no chance.
 */
export function countsOf({ place, ranMs, presses }: DoneRound, { ways, counts }: Pick<RoundTest, 'ways' | 'counts'>): Counted {
  const wonBy = new Map(ways.map((way) => [way.id, way.wonBy]));
  const [mine, theirs] = place === 'own' ? (['own', 'other'] as const) : (['other', 'own'] as const);
  const won = presses.filter(({ wayId }) => wonBy.get(wayId) === mine).length;
  const lost = presses.filter(({ wayId }) => wonBy.get(wayId) === theirs).length;
  return counts === 'chance' ? { successes: won, chances: won + lost } : { mistakes: lost, minutes: ranMs / minuteMs };
}

/** Whether anything was counted against: a round without a go, or that did not run, tells nothing. */
export const tells = (counted: Counted): boolean => ('chances' in counted ? counted.chances > 0 : counted.minutes > 0);

/** Counts of several rounds together. */
export function addCounts(all: readonly Counted[]): Counted | null {
  const [first] = all;
  if (!first) return null;
  return all.slice(1).reduce<Counted>((sum, one) => {
    if ('chances' in sum && 'chances' in one) return { successes: sum.successes + one.successes, chances: sum.chances + one.chances };
    if ('minutes' in sum && 'minutes' in one) return { mistakes: sum.mistakes + one.mistakes, minutes: sum.minutes + one.minutes };
    throw new RangeError('Chances and minutes are counted apart.');
  }, first);
}

/** Minutes as one says them: whole where they are, to a tenth otherwise. */
const minuteWords = (minutes: number): string => (Number.isInteger(minutes) ? String(minutes) : minutes.toFixed(1));

/** What was counted, in words: "3 of 11", "5 in 7 min". */
export const countedWords = (counted: Counted): string =>
  'chances' in counted ? `${counted.successes} of ${counted.chances}` : `${counted.mistakes} in ${minuteWords(counted.minutes)} min`;
