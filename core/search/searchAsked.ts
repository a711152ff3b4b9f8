import { stemmer } from 'stemmer';

/** What a search asks for: kinds of notes, and words that must all be there, the last one perhaps only begun. */
export interface SearchAsked {
  kinds: ('mistake' | 'missed-chance' | 'good' | 'question' | 'caution')[];
  words: string[];
}

/** How people say what kind of note they mean. */
const kindWords: Readonly<Record<string, SearchAsked['kinds'][number]>> = {
  good: 'good',
  praise: 'good',
  mistake: 'mistake',
  mistakes: 'mistake',
  missed: 'missed-chance',
  chance: 'missed-chance',
  chances: 'missed-chance',
  caution: 'caution',
  cautions: 'caution',
  question: 'question',
  questions: 'question',
};

/** Words that carry no meaning here, and those that a full-text index leaves out (InnoDB's own list). */
const idleWords = new Set(
  'a about an and are as at be by com de en every all each any for from how i in is it la my me note notes of on or show that the their them they this to was what when where who will with und www'.split(
    ' ',
  ),
);
/** Shorter words are not in the index. */
const shortest = 3;
const mostWords = 12;

/**
 * Reads a search as a person writes it: "every good post when lifted" asks for good moments with the words "post" and "lifted". Nothing
 * that a person writes can be taken for a command of the index.
 */
export function searchAsked(text: string): SearchAsked {
  const tokens = text.toLocaleLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
  const kinds = [...new Set(tokens.flatMap((token) => kindWords[token] ?? []))];
  const words = tokens.filter((token) => token.length >= shortest && !idleWords.has(token) && !(token in kindWords));
  return { kinds, words: [...new Set(words)].slice(0, mostWords) };
}

/** Whether two words are forms of one, such as "elbow" and "elbows", or "lift" and "lifted"; "post" and "posture" are not. */
export const isFormOf = (word: string, other: string): boolean => stemmer(word) === stemmer(other);

/** What all forms of a word begin with: its stem less the last letter, which endings change. */
export const formsBegin = (word: string): string => {
  const stem = stemmer(word);
  return word.startsWith(stem) ? stem.slice(0, Math.max(3, stem.length - 1)) : word.slice(0, Math.max(3, stem.length - 2));
};
