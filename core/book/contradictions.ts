import { stemmer } from 'stemmer';
import type { BookPrinciple } from './principle.ts';

/** Two pieces of advice for the same situation that cannot both be followed, for a person to look at. */
export interface Contradiction {
  one: string;
  other: string;
  /** Where both apply: a position with its role, or a chance that both count. */
  situation: string;
  words: [string, string];
}

/** Words that turn advice round. */
const opposites: readonly (readonly [string, string])[] = (
  [
    ['up', 'down'],
    ['push', 'pull'],
    ['toward', 'away'],
    ['near', 'far'],
    ['inside', 'outside'],
    ['in', 'out'],
    ['over', 'under'],
    ['high', 'low'],
    ['stand', 'kneel'],
    ['stand', 'sit'],
    ['straighten', 'bend'],
    ['straight', 'bent'],
    ['open', 'close'],
    ['cross', 'uncross'],
    ['forward', 'back'],
    ['first', 'last'],
    ['wide', 'narrow'],
    ['left', 'right'],
  ] as const
).map(([a, b]) => [stemmer(a), stemmer(b)] as const);
const turning: ReadonlySet<string> = new Set(opposites.flat());
const small: ReadonlySet<string> = new Set(
  'a an and are as at be before but by for from he her his if into is it its my no not of off on one or she so than that the their them then they this to until was while who with you your'.split(
    ' ',
  ),
);

/** What is said not to be done, up to the next break. */
const ruledOut = /\b(do not|never|not|without|instead of|rather than|don.?t)\b[^,;.:]*/gi;

/** What words say: their stems, without small words. */
const saidIn = (words: string): Set<string> =>
  new Set(
    (words.toLowerCase().match(/[a-z’']+/g) ?? [])
      .map((word) => word.replace(/[’']/g, ''))
      .filter((word) => !small.has(word))
      .map(stemmer),
  );
const shared = (a: ReadonlySet<string>, b: ReadonlySet<string>): number => [...a].filter((one) => b.has(one)).length;
const likeness = (a: ReadonlySet<string>, b: ReadonlySet<string>): number =>
  a.size + b.size === 0 ? 1 : shared(a, b) / (a.size + b.size - shared(a, b));
const plain = (said: ReadonlySet<string>): Set<string> => new Set([...said].filter((one) => !turning.has(one)));

/** So much of an error has to be in what is advised, and so many words of it, for the two to be one. */
const errorShare = 0.75;
const leastShared = 3;
/** So alike are conditions that are the same, and advice that is the same but for one word. */
const sameWhen = 0.6;
const sameAdvice = 0.5;

/** Situations in which a principle applies: places with their role, and the chance it counts. */
function situationsOf({ where, chances }: BookPrinciple): string[] {
  const places = where.flatMap(({ position, role }) =>
    (role === 'either' ? ['holder', 'other'] : [role]).map((one) => `${position}, ${one}`),
  );
  return [...places, ...(chances === '' ? [] : [chances])];
}

/** Whether one says a word of which the other says the opposite. */
const turnsRound = (a: ReadonlySet<string>, b: ReadonlySet<string>): boolean =>
  opposites.some(([x, y]) => (a.has(x) && b.has(y) && !a.has(y) && !b.has(x)) || (a.has(y) && b.has(x) && !a.has(x) && !b.has(y)));

/** Whether two pieces of advice are the same but that one says the opposite of the other. */
function isOpposite(a: ReadonlySet<string>, b: ReadonlySet<string>): boolean {
  const [plainA, plainB] = [plain(a), plain(b)];
  return turnsRound(a, b) && shared(plainA, plainB) >= 2 && likeness(plainA, plainB) >= sameAdvice;
}

/** What one principle advises that the other calls an error, or says the opposite of under the same condition. */
function against(one: BookPrinciple, other: BookPrinciple): [string, string][] {
  const found: [string, string][] = [];
  for (const { when, do: what } of one.variants) {
    const said = saidIn(what.replace(ruledOut, ' '));
    for (const error of other.errors) {
      const wrong = saidIn(error);
      const both = shared(said, wrong);
      if (both >= leastShared && both / wrong.size >= errorShare && !turnsRound(said, wrong)) found.push([what, error]);
    }
    if (one === other) continue;
    for (const variant of other.variants)
      if (likeness(saidIn(when), saidIn(variant.when)) >= sameWhen && isOpposite(said, saidIn(variant.do.replace(ruledOut, ' '))))
        found.push([what, variant.do]);
  }
  return found;
}

/**
 * Where a book advises opposite things for the same situation: as a place or a chance has it, by the words of the advice, without small
 * words and endings. A list to be looked through by a person: two schools may both be right, and then the stance says so.
 */
export function bookContradictions(principles: readonly BookPrinciple[]): Contradiction[] {
  const situations = new Map(principles.map((principle) => [principle.id, situationsOf(principle)]));
  const found: Contradiction[] = [];
  principles.forEach((one, i) => {
    principles.slice(i).forEach((other) => {
      const situation = one === other ? 'anywhere' : situations.get(one.id)!.find((place) => situations.get(other.id)!.includes(place));
      if (situation === undefined) return;
      const pairs = one === other ? against(one, one) : [...against(one, other), ...against(other, one)];
      // Each pair of sentences once, whichever of the two it was found from.
      const seen = new Set<string>();
      for (const words of pairs) {
        const key = [...words].sort().join('|');
        if (!seen.has(key)) found.push({ one: one.name, other: other.name, situation, words });
        seen.add(key);
      }
    });
  });
  return found;
}
