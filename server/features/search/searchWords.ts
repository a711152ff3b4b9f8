import type { BodyOf, Found, ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { searchAsked } from '@lean-mentor/core/search';
import type { House } from '../../house/house.ts';
import { findEntries, formsOf } from './repository.ts';

/** So many are answered at once. */
const mostFound = 50;
/** Among so many of the newest most searches end; to look through more takes longer than to ask the words. */
const newest = 3000;
/** Of a long text so many letters are shown. */
const shownWords = 400;

/** What each letter stands for before what an entry is found by without saying it. */
const becauseWords: Readonly<Record<string, (words: string) => string>> = {
  c: (words) => `its principle counts “${words}”`,
  l: (words) => `in ${words}`,
  n: (words) => `of ${words}`,
  h: (words) => `hurt that day: ${words}`,
};

const wordsIn = (text: string): Set<string> => new Set(text.toLocaleLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []);

/** What of an entry the words were found in beside what it says, in words. */
function becauseOf(words: string, also: string, forms: readonly (readonly string[])[]): string[] {
  const said = wordsIn(words);
  const unsaid = forms.filter((group) => !group.some((form) => said.has(form)));
  return also.split('\n').flatMap((line) => {
    const holds = wordsIn(line);
    const tell = becauseWords[line.charAt(0)];
    return tell && unsaid.some((group) => group.some((form) => holds.has(form))) ? [tell(line.slice(2))] : [];
  });
}

/**
 * Everything that was said with these words, in any of their forms. What says them all comes before what is found by what it is about; of
 * each, the newest first.
 */
export async function searchWords(
  house: House,
  { words, clientId }: BodyOf<typeof contract.searchWords>,
): Promise<ResponseOf<typeof contract.searchWords>> {
  const asked = searchAsked(words);
  if (asked.words.length === 0 && asked.kinds.length === 0) return { found: [], more: false };
  const forms = await formsOf(house, asked.words);
  const rows = await findEntries(house, { kinds: asked.kinds, forms, clientId, most: mostFound + 1, newest });
  const found = rows.slice(0, mostFound).map(({ also, ...row }): Found => {
    const said = wordsIn(row.words);
    return {
      ...row,
      words: row.words.trim().slice(0, shownWords),
      at: row.at.toISOString(),
      hits: forms.flat().filter((form) => said.has(form)),
      because: becauseOf(row.words, also, forms),
    };
  });
  const isAside = ({ because }: Found): number => Number(because.length > 0);
  return { found: found.sort((a, b) => isAside(a) - isAside(b)), more: rows.length > mostFound };
}
