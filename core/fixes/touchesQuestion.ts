import type { BookPrinciple } from '../book/index.ts';
import { positionName } from '../scoring/index.ts';

/** Words that say nothing of what a question is about. */
const plainWords = new Set(
  'the and then that this what when where which with from into over have been were will would could should does did doing done goes going gone keep keeps getting they them their there your you mine myself after before again always never everything anything something people first second still just only more most much many some than very well good bad how why who whom can cannot'.split(
    ' ',
  ),
);

/** The stems of words of four letters and more: endings of plural and tense are cut, so that "frames" and "framing" meet. */
const stems = (text: string): Set<string> =>
  new Set(
    (text.toLocaleLowerCase().match(/[\p{L}]{4,}/gu) ?? [])
      .filter((word) => !plainWords.has(word))
      .map((word) => word.replace(/(ing|ies|ed|es|s|e|y)$/, ''))
      .filter((stem) => stem.length >= 3),
  );

/**
 * Which words of a client's question a principle touches, by its name, cue, positions and chances: a first guess at what they asked
 * about, which the coach sets right.
 */
export function touchesQuestion(
  question: string,
  { name, cue, where, chances }: Pick<BookPrinciple, 'name' | 'cue' | 'where' | 'chances'>,
): boolean {
  const asked = stems(question);
  const own = stems([name, cue, chances, ...where.map(({ position }) => positionName(position))].join(' '));
  return [...own].some((stem) => asked.has(stem));
}
