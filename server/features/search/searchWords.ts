import type { BodyOf, Found, ResponseOf } from '@lean-mentor/contract';
import type * as contract from '@lean-mentor/contract';
import { searchAsked } from '@lean-mentor/core/search';
import type { House } from '../../house/house.ts';
import { findEntries, formsOf } from './repository.ts';

/** So many are answered at once. */
const mostFound = 50;
/** Among so many of the newest most searches end; to look through more takes longer than to ask the words. */
const newest = 3000;
/** Of a long text so many letters are shown, beginning so many before the first word that was looked for. */
const shownWords = 200;
const lead = 60;

/** What each letter stands for before what an entry is found by without saying it. */
const becauseWords: Readonly<Record<string, (words: string) => string>> = {
  c: (words) => `its principle counts “${words}”`,
  l: (words) => `in ${words}`,
  n: (words) => `of ${words}`,
  h: (words) => `hurt that day: ${words}`,
};

/** The part of a text in which the first of the words stands. */
function excerptOf(text: string, hits: readonly string[]): string {
  if (text.length <= shownWords) return text;
  const first = hits.length > 0 ? text.search(new RegExp(`(?<![\\p{L}\\p{N}])(${hits.join('|')})(?![\\p{L}\\p{N}])`, 'iu')) : 0;
  const begin = first > shownWords - lead ? text.lastIndexOf(' ', first - lead) + 1 : 0;
  const part = text.slice(begin, begin + shownWords).trim();
  return `${begin > 0 ? '… ' : ''}${part}${begin + shownWords < text.length ? ' …' : ''}`;
}

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
    const hits = forms.flat().filter((form) => said.has(form));
    return {
      ...row,
      words: excerptOf(row.words.trim(), hits),
      at: row.at.toISOString(),
      hits,
      because: becauseOf(row.words, also, forms),
    };
  });
  const isAside = ({ because }: Found): number => Number(because.length > 0);
  return { found: found.sort((a, b) => isAside(a) - isAside(b)), more: rows.length > mostFound };
}
