import { areaNames, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import { cautionNames } from '@lean-mentor/core/care';
import { positionName } from '@lean-mentor/core/scoring';
import MiniSearch from 'minisearch';

interface Searched {
  id: string;
  name: string;
  cue: string;
  rest: string;
}

const wordsOf = (principle: BookPrinciple): Searched => ({
  id: principle.id,
  name: principle.name,
  cue: principle.cue,
  rest: [
    ...[principle.good, principle.why, principle.chances, areaNames[principle.area], cautionNames[principle.caution]],
    ...[...principle.where.map(({ position }) => positionName(position)), ...principle.techniques, ...principle.errors],
    ...principle.variants.flatMap((variant) => [variant.when, variant.do]),
  ].join(' '),
});

/** Finds entries by any of their words, the beginnings of words and small slips of the hand; nearest first. Nothing asked: all of them. */
export function bookSearch(entries: readonly (BookPrinciple | BookDrill)[]): (asked: string) => string[] {
  const index = new MiniSearch<Searched>({
    fields: ['name', 'cue', 'rest'],
    searchOptions: { prefix: true, fuzzy: 0.15, combineWith: 'AND', boost: { name: 3, cue: 2 } },
  });
  index.addAll(
    entries.map((entry) => ('cue' in entry ? wordsOf(entry) : { id: entry.id, name: entry.name, cue: entry.equipment, rest: entry.how })),
  );
  return (asked) => (asked.trim() ? index.search(asked).map(({ id }) => String(id)) : entries.map(({ id }) => id));
}
