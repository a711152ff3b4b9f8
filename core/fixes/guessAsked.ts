import { stemmer } from 'stemmer';
import type { BookPrinciple } from '../book/index.ts';
import { positionCodes, positionFamily, positionName } from '../scoring/index.ts';

/** Words that say nothing of what a question is about. */
const plainWords = new Set(
  'the and then that this what when where which with from into over have been were will would could should does did doing done goes going gone get gets getting got keep keeps keeping they them their there your you mine myself after before again always never everything anything something people first second still just only more most much many some than very well good bad better how why who whom can cannot not for but was are has had all any out off one two too way ways time times work works start starts end ends try trying tried want feel feels think know make makes made take takes took give gives leave leaves leaving left lose loses losing lost happen happens come comes came put round rounds match partner opponent him his her hers'.split(
    ' ',
  ),
);

/** The stem of each word that means something, with the word itself as it was written. */
function stemsOf(text: string): Map<string, string> {
  const words = (text.toLocaleLowerCase().match(/[\p{L}]{3,}/gu) ?? []).filter((word) => !plainWords.has(word));
  return new Map(words.map((word) => [stemmer(word), word]));
}

/** A principle that a question seems to be about, and the words of the question that say so. */
export interface GuessedAsked {
  principleId: string;
  words: string[];
}

type Told = Pick<BookPrinciple, 'id' | 'name' | 'cue' | 'where' | 'chances'>;

/** At most so many are guessed. */
const mostGuessed = 3;
/** One that shares less than this share of what the best one does is no guess. */
const nearBest = 0.6;
/** A word that more than this share of the book has in common says nothing by itself. */
const commonShare = 0.1;

/** Guards that somebody calls their own ("my knee shield"): they play them, and do not pass them. */
const ownGuards = (question: string): Set<string> =>
  new Set(
    positionCodes.filter(
      (code) => positionFamily(code) === 'guard' && new RegExp(`\\bmy (\\w+ )?${positionName(code)}\\b`, 'i').test(question),
    ),
  );

/** Whether a principle is for the other one alone of a guard that is one's own. */
const isForTheOther = ({ where }: Told, own: ReadonlySet<string>): boolean => {
  const named = where.filter(({ position }) => own.has(position));
  return named.length > 0 && named.every(({ role }) => role === 'holder');
};

/**
 * What a question seems to be about: the principles whose name, cue, positions and chances share its rarest words, at most three, best
 * first. A guard of one’s own is asked about by who plays it. A word weighs the more, the fewer principles have it. None is an answer:
 * where all that is shared is common in the book.
 */
export function guessAsked(question: string, principles: readonly Told[]): GuessedAsked[] {
  const asked = stemsOf(question);
  const ownGuard = ownGuards(question);
  const own = principles.map(({ name, cue, chances, where }) => ({
    named: stemsOf(name),
    all: stemsOf([name, cue, chances, ...where.map(({ position }) => positionName(position))].join(' ')),
  }));
  const holders = new Map([...asked.keys()].map((stem) => [stem, own.filter(({ all }) => all.has(stem)).length]));
  const weight = (stem: string): number => Math.log((principles.length + 1) / holders.get(stem)!);
  const isCommon = (stem: string): boolean => holders.get(stem)! > Math.max(2, commonShare * principles.length);
  const scored = principles
    .map(({ id }, i) => {
      const shared = [...asked.keys()].filter((stem) => own[i]!.all.has(stem));
      // What a principle is called tells more of it than where it is used.
      const score = shared.reduce((sum, stem) => sum + weight(stem) * (own[i]!.named.has(stem) ? 1.5 : 1), 0);
      return {
        principleId: id,
        words: shared.map((stem) => asked.get(stem)!),
        score,
        tells: shared.some((stem) => !isCommon(stem)) || shared.length > 2,
      };
    })
    .filter(({ words, tells }, i) => words.length > 0 && tells && !isForTheOther(principles[i]!, ownGuard))
    .sort((a, b) => b.score - a.score);
  return scored
    .slice(0, mostGuessed)
    .filter(({ score }) => score >= nearBest * scored[0]!.score)
    .map(({ principleId, words }) => ({ principleId, words }));
}
