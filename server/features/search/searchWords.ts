import type { BodyOf, ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { searchAsked } from '@lean-mentor/core/search';
import type { House } from '../../house/house.ts';
import { findEntries } from './repository.ts';

/** So many are answered at once. */
const mostFound = 50;
/** Among so many of the newest most searches end; to look through more takes longer than to ask the words. */
const newest = 3000;
/** Of a long text so many letters are shown. */
const shownWords = 400;

/** Everything that was said with these words, newest first. */
export async function searchWords(
  house: House,
  { words, clientId }: BodyOf<typeof contract.searchWords>,
): Promise<ResponseOf<typeof contract.searchWords>> {
  const asked = searchAsked(words);
  if (asked.words.length === 0 && asked.kinds.length === 0) return { found: [], more: false };
  const rows = await findEntries(house, { ...asked, clientId, most: mostFound + 1, newest });
  return {
    found: rows.slice(0, mostFound).map((row) => ({ ...row, words: row.words.trim().slice(0, shownWords), at: row.at.toISOString() })),
    more: rows.length > mostFound,
  };
}
