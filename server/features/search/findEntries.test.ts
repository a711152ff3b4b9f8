import { isFormOf, searchAsked } from '@lean-mentor/core/search';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { fillPractice } from '../../testing/fillPractice.ts';
import { putStarterBookOnce } from '../book/index.ts';
import { openTestHouse, type TestHouse } from '../../testing/testHouse.ts';
import { findEntries, formsOf } from './repository.ts';

const most = 51;
let house: TestHouse;
/** Every word that is said. */
let vocabulary: string[];
let entries: { id: string; rowId: number; kind: string | null; words: string[] }[];

beforeAll(async () => {
  house = await openTestHouse();
  await putStarterBookOnce(house);
  await fillPractice(house, { clients: 20, requests: 100, notes: 3000, waiting: 0 });
  const rows = await house.db.sequelize.query<{ id: string; rowId: string; kind: string | null; words: string }>(
    "SELECT entry_id AS id, row_id AS rowId, kind, CONCAT(words, ' ', also) AS words FROM search_entries ORDER BY row_id DESC",
    { type: QueryTypes.SELECT },
  );
  entries = rows.map(({ words, rowId, ...row }) => ({ ...row, rowId: Number(rowId), words: words.toLowerCase().split(/[^\p{L}\p{N}]+/u) }));
  vocabulary = [...new Set(entries.flatMap(({ words }) => words))];
});
afterAll(() => house.close());

/**
 * What a reader with patience finds: a form of each word in the entry, the last one, where nobody says it, perhaps only begun; newest
 * first.
 */
const byReading = (said: string): string[] => {
  const { words, kinds } = searchAsked(said);
  const forms = words.map((word) => new Set(vocabulary.filter((one) => isFormOf(one, word))));
  const holds = (all: string[], word: string, i: number): boolean =>
    i === words.length - 1 && forms[i]!.size === 0 ? all.some((one) => one.startsWith(word)) : all.some((one) => forms[i]!.has(one));
  return entries
    .filter(({ kind }) => kinds.length === 0 || (kind !== null && (kinds as string[]).includes(kind)))
    .filter((entry) => words.every((word, i) => holds(entry.words, word, i)))
    .slice(0, most)
    .map(({ id }) => id);
};

describe('the search over all clients', () => {
  const searches = [
    'elbow',
    'elbow late',
    'late elb',
    'hand inside the knee',
    'hand inside kne',
    'missed chances in half guard heel',
    'every good post when lifted',
    'good frame',
    'mistake shoulder grip',
    'weight over hooks',
    'opens early ang',
    'nothing of the kind',
    'elbows late',
    'lifting the knees',
    'posts',
    'good posture',
  ];

  it.each(searches)('finds “%s” by the words’ index as by reading every entry', async (said) => {
    // With so few of the newest looked through by hand, the index has to find the rest.
    for (const newest of [1, 60]) {
      const { kinds, words } = searchAsked(said);
      const found = await findEntries(house, { kinds, forms: await formsOf(house, words), clientId: null, most, newest });
      expect(found.map(({ id }) => id)).toEqual(byReading(said));
    }
  });

  it('has something to find, and something that is rare', () => {
    expect(searches.map((said) => byReading(said).length)).toEqual(expect.arrayContaining([most, 0]));
    expect(searches.filter((said) => byReading(said).length % most > 0).length).toBeGreaterThan(0);
  });
});
