import type { Seconds } from '../footage/index.ts';
import { cutClock, leftOf, type CutClock } from './cuts.ts';
import type { Caption, Take, TakeStretch } from './take.ts';

/** As many letters as one caption has room for, in two lines on a phone. */
export const captionLetters = 74;

/** Where a caption best ends: after a sentence, after a part of one, between words. */
const breaks = [/[.!?…]["”’)]?$/u, /[,;:–—]["”’)]?$/u, /$/u] as const;

/**
 * A text in captions, each short enough to be read: whole sentences where they fit, else as much of one as ends well. A word longer than a
 * caption stands alone.
 */
export function captionTexts(text: string): string[] {
  const words = text.split(/\s+/u).filter(Boolean);
  const texts: string[] = [];
  let at = 0;
  while (at < words.length) {
    let most = at + 1;
    while (most < words.length && words.slice(at, most + 1).join(' ').length <= captionLetters) most += 1;
    const ends = most === words.length ? most : endOf(words, at, most);
    texts.push(words.slice(at, ends).join(' '));
    at = ends;
  }
  return texts;
}

/** After which word to end, of those that fit: the last of the best kind, but not so early that little is said. */
function endOf(words: readonly string[], from: number, most: number): number {
  const least = from + Math.ceil((most - from) / 2);
  for (const end of breaks) for (let i = most; i >= least; i--) if (end.test(words[i - 1]!)) return i;
  return most;
}

/**
 * Captions for a text of which it is known only that it was spoken within a stretch: each gets time by its letters, and the silences in it
 * get none. A draft, to be corrected by ear. `silences` ascend, in seconds of the recording.
 */
export const spreadCaptions = (text: string, stretch: TakeStretch, silences: readonly TakeStretch[] = []): Caption[] =>
  spreadTexts(captionTexts(text), stretch, silences);

/** The same for lines that are made already. */
export function spreadTexts(texts: readonly string[], { from, to }: TakeStretch, silences: readonly TakeStretch[] = []): Caption[] {
  const letters = texts.reduce((sum, { length }) => sum + length, 0);
  if (letters === 0 || to <= from) return [];
  const spoken = cutClock({ seconds: to, cuts: [{ from: 0, to: from }, ...silences] });
  let said = 0;
  /** When so many letters have been said; a beginning is after a silence, an end before it. */
  const at = (share: number): Seconds => share * spoken.seconds;
  return texts.flatMap((words): Caption[] => {
    const [begins, ends] = [at(said / letters), at((said + words.length) / letters)];
    said += words.length;
    const [first, last] = [spoken.toRecorded(begins), lastBefore(spoken, ends)];
    return last > first ? [{ from: first, to: last, words, origin: 'drafted' }] : [];
  });
}

/** The instant of the recording up to which so much is heard: before a silence that follows, not after it. */
function lastBefore({ cuts, toNew, toRecorded }: CutClock, heard: Seconds): Seconds {
  const after = toRecorded(heard);
  const silence = cuts.find(({ to, from }) => Math.abs(to - after) < 1e-9 && toNew(from) >= heard - 1e-9);
  return silence ? silence.from : after;
}

/** The captions of a take as they are heard, its cuts taken out, in the order of time. */
export function heardCaptions(take: Pick<Take, 'captions' | 'cuts' | 'seconds'>): Caption[] {
  const { toNew } = cutClock(take);
  return take.captions
    .map((caption) => ({ ...caption, from: toNew(caption.from), to: toNew(caption.to) }))
    .filter(({ from, to }) => to > from)
    .sort((a, b) => a.from - b.from);
}

/** A gap between captions this short is a breath. */
const breath: Seconds = 0.6;

/**
 * Where something is said that no caption carries, longer than a breath: what is missing for a client who needs every word written. What is
 * heard by a recogniser and not yet read by anybody does not count. `speech`: where there is a voice; all in seconds of the recording.
 */
export function uncaptioned(take: Pick<Take, 'captions' | 'cuts' | 'seconds'>, speech: readonly TakeStretch[]): TakeStretch[] {
  const carried = take.captions.filter(({ origin, words }) => origin !== 'heard' && words.trim() !== '');
  const { cuts } = cutClock({ seconds: take.seconds, cuts: [...take.cuts, ...carried] });
  return speech.flatMap((said) => leftOf(said, cuts).filter((gap) => gap.to - gap.from > breath));
}
