import {
  bookAreas,
  bookAttires,
  bookFaults,
  drillPartners,
  mostCueWords,
  placeRoles,
  stances,
  wordsIn,
  type BookDrill,
  type BookPrinciple,
} from '@lean-mentor/core/book';
import { bodyParts, cautionClasses } from '@lean-mentor/core/care';
import { positionCodes } from '@lean-mentor/core/scoring';
import { z } from 'zod';
import { load } from './care.ts';
import { schemaFault } from './schemaFault.ts';

const bookName = z.string().trim().min(1).max(120);
const line = z.string().trim().max(300);
const lines = z.array(line.min(1)).max(20).default([]);
const text = z.string().trim().max(2000).default('');

const loads = z.array(load).max(30).default([]);
const asks = z.object({ doer: loads, partner: loads }).default({ doer: [], partner: [] });
const attire = z.enum(bookAttires).default('either');

/** What a principle says, apart from what it points at. */
export const principleWords = z.object({
  name: bookName,
  area: z.enum(bookAreas),
  cue: line.default('').refine((cue) => wordsIn(cue) <= mostCueWords, `a cue has at most ${mostCueWords} words`),
  good: text,
  why: text,
  where: z
    .array(z.object({ position: z.enum(positionCodes), role: z.enum(placeRoles) }))
    .max(60)
    .default([]),
  chances: z.string().trim().max(120).default(''),
  level: z.int().min(1).max(5).default(1),
  caution: z.enum(cautionClasses).default('general'),
  loads: asks,
  attire,
  techniques: lines,
  variants: z
    .array(
      z.object({
        when: line.default(''),
        do: line.min(1),
        stance: z.enum(stances).default('taught'),
        spares: z.array(z.enum(bodyParts)).max(12).default([]),
      }),
    )
    .max(20)
    .default([]),
  errors: lines,
});

/** A principle in a file points at others by their names, so that a person can write it. */
export const bookFilePrinciple = principleWords.extend({ rests: lines, drills: lines, clips: lines });

export const drillWords = z.object({
  name: bookName,
  how: text,
  partner: z.enum(drillPartners).default('alone'),
  equipment: line.default(''),
  minutes: z.number().min(0.5).max(120).default(5),
  caution: z.enum(cautionClasses).default('general'),
  loads: asks,
  attire,
});

export const bookFormat = 'lean-mentor/book@1';
export const bookFile = z.object({
  format: z.literal(bookFormat),
  principles: z.array(bookFilePrinciple).max(2000).default([]),
  drills: z.array(drillWords).max(2000).default([]),
});
export type BookFile = z.infer<typeof bookFile>;
export type BookFilePrinciple = z.infer<typeof bookFilePrinciple>;

export type ReadBook = { book: BookFile } | { faults: string[] };

/** Reads a book that was parsed from JSON; every fault with its place. */
export function readBookFile(json: unknown): ReadBook {
  const parsed = bookFile.safeParse(json);
  return parsed.success ? { book: parsed.data } : { faults: parsed.error.issues.flatMap((issue) => schemaFault(json, issue)) };
}

/** What a house already has, by which the names of a file are found. */
export interface BookShelf {
  principles: readonly BookPrinciple[];
  drills: readonly BookDrill[];
  clips: readonly { id: string; title: string }[];
}

const nameKey = (name: string): string => name.trim().toLocaleLowerCase();

export interface BookChange {
  principles: BookPrinciple[];
  drills: BookDrill[];
  added: number;
  changed: number;
  /** Clips that are named and not there: they are left out and told. */
  missingClips: string[];
}

/**
 * What a file does to a book: entries of the same name are replaced, the others are new. Faults where the outcome would not be a sound
 * book: names that nothing has, circles, doubled names.
 */
export function bookChangeOf(file: BookFile, shelf: BookShelf, newId: () => string): { change: BookChange } | { faults: string[] } {
  const idsOf = (things: readonly { id: string; name: string }[]) => new Map(things.map(({ id, name }) => [nameKey(name), id]));
  const [principleIds, drillIds] = [idsOf(shelf.principles), idsOf(shelf.drills)];
  const clipIds = new Map(shelf.clips.map(({ id, title }) => [nameKey(title), id]));
  const known = { principles: new Set(principleIds.values()), drills: new Set(drillIds.values()) };
  const doubled = (names: readonly string[]): string[] =>
    names
      .filter((name, i) => names.findIndex((other) => nameKey(other) === nameKey(name)) < i)
      .map((name) => `“${name}” stands in the file twice.`);
  const faults = [...doubled(file.principles.map(({ name }) => name)), ...doubled(file.drills.map(({ name }) => name))];
  for (const { name } of file.principles) if (!principleIds.has(nameKey(name))) principleIds.set(nameKey(name), newId());
  for (const { name } of file.drills) if (!drillIds.has(nameKey(name))) drillIds.set(nameKey(name), newId());
  const missingClips = new Set<string>();
  const found = (names: readonly string[], ids: ReadonlyMap<string, string>, missing: (name: string) => void): string[] =>
    names.flatMap((name) => ids.get(nameKey(name)) ?? (missing(name), []));
  const principles = file.principles.map(({ rests, drills, clips, ...words }): BookPrinciple => ({
    id: principleIds.get(nameKey(words.name))!,
    ...words,
    prerequisites: found(rests, principleIds, (name) => faults.push(`“${words.name}” rests on “${name}”, which nothing is called.`)),
    drillIds: found(drills, drillIds, (name) => faults.push(`“${words.name}” names the drill “${name}”, which nothing is called.`)),
    clipIds: found(clips, clipIds, (name) => missingClips.add(name)),
  }));
  const drills = file.drills.map((words): BookDrill => ({ id: drillIds.get(nameKey(words.name))!, ...words }));
  const after = <T extends { id: string }>(before: readonly T[], put: readonly T[]): T[] => {
    const ids = new Set(put.map(({ id }) => id));
    return [...before.filter(({ id }) => !ids.has(id)), ...put];
  };
  if (faults.length === 0) faults.push(...bookFaults(after(shelf.principles, principles), after(shelf.drills, drills)));
  if (faults.length > 0) return { faults };
  const changed = principles.filter(({ id }) => known.principles.has(id)).length + drills.filter(({ id }) => known.drills.has(id)).length;
  return { change: { principles, drills, changed, added: principles.length + drills.length - changed, missingClips: [...missingClips] } };
}

/** A book as a file. */
export function bookFileOf({ principles, drills, clips }: BookShelf): BookFile {
  const principleNames = new Map(principles.map(({ id, name }) => [id, name]));
  const drillNames = new Map(drills.map(({ id, name }) => [id, name]));
  const clipTitles = new Map(clips.map(({ id, title }) => [id, title]));
  const named = (ids: readonly string[], names: ReadonlyMap<string, string>): string[] => ids.flatMap((id) => names.get(id) ?? []);
  return {
    format: bookFormat,
    principles: principles.map(({ id: _id, prerequisites, drillIds, clipIds, ...words }) => ({
      ...words,
      rests: named(prerequisites, principleNames),
      drills: named(drillIds, drillNames),
      clips: named(clipIds, clipTitles),
    })),
    drills: drills.map(({ id: _id, ...words }) => words),
  };
}
