import type { Seconds } from '../footage/index.ts';
import { spreadTexts } from './captions.ts';
import type { Caption, TakeStretch } from './take.ts';

/** A word that an aligner is asked to find in a voice, and the line it belongs to. */
export interface AskedWord {
  word: string;
  line: number;
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
    (
      text
        .toLowerCase()
        .replaceAll('’', "'")
        .match(/[\p{L}\d]+(?:'\p{L}+)*/gu) ?? []
    )
      .flatMap((word) => knownWords(word, isKnown))
      .map((word) => ({ word, line })),
  );

/**
 * Lines as captions where an aligner found their words. A line of which it is sure of less than half is spread over what its neighbours
 * leave; where it is unsure of too much, the text is not what was said, and all are. `placed`: how many lie where they were heard.
 */
export function alignedCaptions(
  lines: readonly string[],
  asked: readonly AskedWord[],
  found: readonly FoundWord[],
  { from, to }: TakeStretch,
  silences: readonly TakeStretch[],
): { captions: Caption[]; placed: number } {
  const places = lines.map((_, line) => {
    const own = found.filter((_, i) => asked[i]!.line === line);
    const sure = own.filter((one) => one.sure);
    return sure.length > 0 && sure.length * 2 >= own.length ? { from: sure[0]!.from, to: sure.at(-1)!.to } : null;
  });
  const placed = places.filter((place) => place !== null).length;
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
    spreadWaiting(place.from);
    captions.push({ ...place, words, origin: 'drafted' });
    free = place.to;
  });
  spreadWaiting(to);
  return { captions, placed };
}
