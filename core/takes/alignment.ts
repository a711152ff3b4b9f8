import type { Seconds } from '../footage/index.ts';
import { spreadTexts } from './captions.ts';
import { longestPause } from './pauses.ts';
import type { Caption, TakeStretch } from './take.ts';

/** A word that an aligner is asked to find in a voice, and the line it belongs to. */
export interface AskedWord {
  word: string;
  line: number;
  /** Where in the line it begins, in letters. */
  at: number;
}

/** Where it was found, in seconds of the recording; not `sure` where the voice does not sound like it there. */
export interface FoundWord extends TakeStretch {
  sure: boolean;
}

const small =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen';
const tens = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');

/** A number below a hundred as it is said; larger ones are said in many ways. */
function numberWords(digits: string): string[] {
  const number = Number(digits);
  if (number < 20) return [small.split(' ')[number]!];
  if (number > 99) return [];
  return [tens[Math.floor(number / 10) - 2]!, ...(number % 10 > 0 ? numberWords(String(number % 10)) : [])];
}

/** Of a text that was said, an aligner is sure of at least so much of its words. */
const saidShare = 0.6;

/** The shortest part of a word that is made of two: shorter ones are found in words of any language. */
const shortestPart = 4;

/** A word as an aligner knows it, that may be two ("underhook": under, hook); none where it knows nothing like it. */
function knownWords(word: string, isKnown: (word: string) => boolean): string[] {
  if (isKnown(word)) return [word];
  if (/^\d+$/.test(word)) return numberWords(word);
  if (word.endsWith("'s")) return knownWords(word.slice(0, -2), isKnown);
  for (let at = word.length - shortestPart; at >= shortestPart; at--) {
    const parts = [word.slice(0, at), word.slice(at)];
    if (parts.every(isKnown)) return parts;
  }
  return [];
}

/** The words of some lines that an aligner can be asked for. `isKnown`: whether it knows how a word (in small letters) is said. */
export const wordsToAlign = (lines: readonly string[], isKnown: (word: string) => boolean): AskedWord[] =>
  lines.flatMap((text, line) =>
    [...text.matchAll(/[\p{L}\d]+(?:['’]\p{L}+)*/gu)].flatMap(({ 0: written, index: at }) =>
      knownWords(written.toLowerCase().replaceAll('’', "'"), isKnown).map((word) => ({ word, line, at })),
    ),
  );

/** A line as captions by its words: one, or more where it is paused for long within it. */
function captionsOf(line: string, words: readonly (FoundWord & { at: number })[]): Caption[] {
  const begins = words.flatMap(({ from }, i) => (i === 0 || from - words[i - 1]!.to > longestPause ? [i] : []));
  return begins.map((first, n) => {
    const next = begins[n + 1];
    const said = line.slice(n === 0 ? 0 : words[first]!.at, next === undefined ? undefined : words[next]!.at);
    return { from: words[first]!.from, to: words[(next ?? words.length) - 1]!.to, words: said.trim(), origin: 'drafted' };
  });
}

/**
 * Lines as captions where an aligner found their words. A line of which it is sure of less than half is spread over what its neighbours
 * leave; where it is unsure of too much, the text is not what was said, and all are. A line with a long pause in it becomes two captions.
 * `placed`: how many captions lie where they were heard.
 */
export function alignedCaptions(
  lines: readonly string[],
  asked: readonly AskedWord[],
  found: readonly FoundWord[],
  { from, to }: TakeStretch,
  silences: readonly TakeStretch[],
): { captions: Caption[]; placed: number } {
  const places = lines.map((words, line) => {
    const own = asked.flatMap(({ at, line: of }, i) => (of === line && found[i] ? [{ ...found[i], at }] : []));
    const sure = own.filter((one) => one.sure);
    return sure.length > 0 && sure.length * 2 >= own.length ? captionsOf(words, sure) : null;
  });
  if (found.filter(({ sure }) => sure).length < saidShare * found.length)
    return { captions: spreadTexts(lines, { from, to }, silences), placed: 0 };
  const captions: Caption[] = [];
  let waiting: string[] = [];
  let free: Seconds = from;
  const spreadWaiting = (until: Seconds): void => {
    captions.push(...spreadTexts(waiting, { from: free, to: until }, silences));
    waiting = [];
  };
  lines.forEach((words, line) => {
    const place = places[line] ?? null;
    if (place === null) {
      waiting.push(words);
      return;
    }
    spreadWaiting(place[0]!.from);
    captions.push(...place);
    free = place.at(-1)!.to;
  });
  spreadWaiting(to);
  return { captions, placed: places.flatMap((place) => place ?? []).length };
}
