import type { PositionCode } from '../positions/index.ts';
import { nameKey, readTable } from './readTable.ts';
import { backs } from './table/backs.ts';
import { backTakes } from './table/backTakes.ts';
import { entanglements } from './table/entanglements.ts';
import { escapes } from './table/escapes.ts';
import { finishes } from './table/finishes.ts';
import { grips } from './table/grips.ts';
import { guards } from './table/guards.ts';
import { passes } from './table/passes.ts';
import { passingStations } from './table/passingStations.ts';
import { pins } from './table/pins.ts';
import { sweeps } from './table/sweeps.ts';
import { takedowns } from './table/takedowns.ts';
import { placeKinds, type Technique, type TechniqueKind } from './technique.ts';

/** The one table of techniques. */
export const techniques: readonly Technique[] = [
  ...readTable('guard', guards),
  ...readTable('passing station', passingStations),
  ...readTable('entanglement', entanglements),
  ...readTable('pin', pins),
  ...readTable('back', backs),
  ...readTable('grip', grips),
  ...readTable('takedown', takedowns),
  ...readTable('pass', passes),
  ...readTable('sweep', sweeps),
  ...readTable('back take', backTakes),
  ...readTable('escape', escapes),
  ...readTable('finish', finishes),
];

const byId = new Map(techniques.map((one) => [one.id, one]));
export const techniqueOf = (id: string): Technique | null => byId.get(id) ?? null;

/** A name goes before another entry’s second name. */
const byName = new Map([
  ...techniques.flatMap((one) => one.aliases.map((alias) => [nameKey(alias), one] as const)),
  ...techniques.map((one) => [nameKey(one.name), one] as const),
]);
const singular = (key: string): string => key.replace(/s$/, '');

/** The entry that has this name, as its own or as another one; null where none has it. Case, accents and a plural do not matter. */
export const techniqueNamed = (name: string): Technique | null => {
  const key = nameKey(name);
  return byName.get(key) ?? byName.get(singular(key)) ?? null;
};

/** An entry, the one it is a way of, and so on. */
export function broaderOf(technique: Technique): Technique[] {
  const chain: Technique[] = [];
  for (let one: Technique | null = technique; one; one = one.under === null ? null : techniqueOf(one.under)) chain.push(one);
  return chain;
}

/** Kinds in which an attempt of a technique of the palette is looked for. */
const kindsOfAttempt: Readonly<Record<string, readonly TechniqueKind[]>> = {
  takedown: ['takedown'],
  sweep: ['sweep'],
  pass: ['pass'],
  'back-take': ['back take', 'takedown'],
  escape: ['escape'],
  finish: ['finish'],
};

/** What may be named: a stretch in a position, or an attempt or a finish that began in one. */
export type Named = { of: 'span'; position: PositionCode } | { of: 'act'; technique: string; position: PositionCode | null };

/** Entries that fit what is to be named: those met in the position, the nearest to it first; of an act those of its kind after them. */
export function fittingTechniques(named: Named): Technique[] {
  const { position } = named;
  const rank = (one: Technique): number => {
    const place = position === null ? -1 : one.parents.indexOf(position);
    return place < 0 ? 99 : place;
  };
  const kinds = named.of === 'span' ? placeKinds : (kindsOfAttempt[named.technique] ?? []);
  const fit = techniques.filter((one) => kinds.includes(one.kind) && (named.of === 'act' || rank(one) < 99));
  return fit
    .map((one, i) => ({ one, i }))
    .sort((a, b) => rank(a.one) - rank(b.one) || a.i - b.i)
    .map(({ one }) => one);
}

/** How two letters meet a name, the best first: its beginning, the beginnings of its words, a word within it; null: not at all. */
function fitOf(letters: string, name: string): number | null {
  const key = nameKey(name);
  if (key.startsWith(letters)) return 0;
  const words = key.split(' ');
  if (
    words
      .map((word) => word[0])
      .join('')
      .startsWith(letters)
  )
    return 1;
  if (words.some((word) => word.startsWith(letters))) return 2;
  return words.length > 1 &&
    words
      .map((word) => word[0])
      .join('')
      .includes(letters)
    ? 3
    : null;
}

/**
 * What one or two letters find among what fits: what the coach used most comes first, then the better fit, then what is nearer to the
 * position. `used`: how often each name was used.
 */
export function techniquesByLetters(letters: string, named: Named, used: Readonly<Record<string, number>>): Technique[] {
  const key = nameKey(letters).replaceAll(' ', '');
  return fittingTechniques(named)
    .flatMap((one, place) => {
      const own = fitOf(key, one.name);
      const others = one.aliases.map((alias) => fitOf(key, alias)).filter((fit) => fit !== null);
      const fit = key === '' ? 0 : Math.min(own ?? 9, ...others.map((other) => other + 0.5));
      return fit < 9 ? [{ one, fit, place }] : [];
    })
    .sort((a, b) => (used[b.one.name] ?? 0) - (used[a.one.name] ?? 0) || a.fit - b.fit || a.place - b.place)
    .map(({ one }) => one);
}

const mostWords = Math.max(...[...byName.keys()].map((key) => key.split(' ').length));
/** One word that is a technique’s name and nothing else on a mat. */
const soleNames: ReadonlySet<TechniqueKind> = new Set(['finish']);

/** Techniques that free words name: longer names before shorter, and of one word only those of locks and strangles. */
export function techniquesIn(words: string): Technique[] {
  const tokens = nameKey(words).split(' ');
  const found = new Set<Technique>();
  for (let i = 0; i < tokens.length; i++) {
    for (let count = Math.min(mostWords, tokens.length - i); count > 0; count--) {
      const one = techniqueNamed(tokens.slice(i, i + count).join(' '));
      if (!one || (count === 1 && !soleNames.has(one.kind))) continue;
      found.add(one);
      i += count - 1;
      break;
    }
  }
  return [...found];
}
