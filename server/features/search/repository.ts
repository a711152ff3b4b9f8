import type { Found } from '@lean-mentor/contract';
import type { SearchAsked } from '@lean-mentor/core/search';
import { QueryTypes, type Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';

/** A note as it is found by its words: what was said of it, what to do instead, and what its principle is called. */
export const noteEntries = (where: string): string => `
  INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, at)
  SELECT n.id, 'note', n.kind, r.client_id, n.request_id,
    CONCAT_WS(' ', p.name, n.what, REGEXP_REPLACE(n.instead, '"(when|do)":|[\\\\[\\\\]{}",]', ' ')), r.sent_at
  FROM notes n JOIN requests r ON r.id = n.request_id LEFT JOIN principles p ON p.id = n.principle_id WHERE ${where}`;

const run = async ({ db }: House, sql: string, replacements: object, transaction?: Transaction): Promise<void> => {
  await db.sequelize.query(sql, { replacements: { ...replacements }, type: QueryTypes.RAW, ...(transaction && { transaction }) });
};

/** Brings what is found of notes up to date: those that are gone are found no longer. */
export async function indexNotes(house: House, noteIds: readonly string[], transaction?: Transaction): Promise<void> {
  if (noteIds.length === 0) return;
  await run(house, 'DELETE FROM search_entries WHERE entry_id IN (:noteIds)', { noteIds }, transaction);
  await run(house, noteEntries('n.id IN (:noteIds)'), { noteIds }, transaction);
}

/** The same for all notes that name a principle: it is called something else now. */
export async function indexNotesOfPrinciple(house: House, principleId: string, transaction?: Transaction): Promise<void> {
  await run(
    house,
    `DELETE s FROM search_entries s JOIN notes n ON n.id = s.entry_id WHERE n.principle_id = :principleId`,
    { principleId },
    transaction,
  );
  await run(house, noteEntries('n.principle_id = :principleId'), { principleId }, transaction);
}

/** The same for all notes of a request. */
export async function indexNotesOfRequest(house: House, requestId: string, transaction?: Transaction): Promise<void> {
  await run(house, `DELETE FROM search_entries WHERE request_id = :requestId AND entry = 'note'`, { requestId }, transaction);
  await run(house, noteEntries('n.request_id = :requestId'), { requestId }, transaction);
}

/** What is found of a request, a critique or a question; null: nothing any more. */
export async function indexWords(
  house: House,
  {
    id,
    entry,
    requestId,
    words,
    at,
  }: { id: string; entry: 'request' | 'critique' | 'question'; requestId: string; words: string | null; at: Date },
  transaction?: Transaction,
): Promise<void> {
  await run(house, 'DELETE FROM search_entries WHERE entry_id = :id', { id }, transaction);
  if (words === null) return;
  await run(
    house,
    `INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, at)
     SELECT :id, :entry, NULL, r.client_id, r.id, :words, :at FROM requests r WHERE r.id = :requestId`,
    { id, entry, requestId, words, at },
    transaction,
  );
}

type Row = Omit<Found, 'at'> & { at: Date };

interface Wanted extends SearchAsked {
  clientId: string | null;
  most: number;
  /** So many of the newest entries are looked through by hand before the words are asked. */
  newest: number;
}

/** A word that is only begun may go on as so many. */
const mostEndings = 40;
/** Looks through entries word by word: the way to go where few come into question, or where most searches end soon. */
const byHand = ({ words }: Wanted): string[] =>
  words.map((word, i) => `s.words REGEXP '\\\\b${word}${i === words.length - 1 ? '' : '\\\\b'}'`);

/** The words of a search as they stand in the index: each itself, the last one with whatever it may go on as; the rarest first. */
async function indexedWords({ db }: House, words: readonly string[]): Promise<string[][]> {
  const select = <T extends object>(sql: string, replacements: object): Promise<T[]> =>
    db.sequelize.query<T>(sql, { replacements: { ...replacements }, type: QueryTypes.SELECT });
  const begun = words.at(-1)!;
  const endings = await select<{ word: string }>('SELECT DISTINCT word FROM search_words WHERE word LIKE :begun LIMIT :mostEndings', {
    begun: `${begun}%`,
    mostEndings,
  });
  const groups = [...words.slice(0, -1).map((word) => [word]), [...new Set([begun, ...endings.map(({ word }) => word)])]];
  const counted = await Promise.all(
    groups.map(async (group) => {
      // How many there are about, as the index knows without being read.
      const [plan] = await select<{ rows: number | string }>('EXPLAIN SELECT 1 FROM search_words WHERE word IN (:group)', { group });
      return { group, count: Number(plan?.rows ?? 0) };
    }),
  );
  return counted.sort((x, y) => x.count - y.count).map(({ group }) => group);
}

/** What belongs to entries, looked up for those few that were found. */
const select = (chosen: string): string => `
  SELECT s.entry_id AS id, s.entry, s.kind, s.client_id AS clientId, c.name AS clientName, s.request_id AS requestId, k.id AS critiqueId,
    n.footage_id AS footageId, n.from_frame AS frame, s.words, s.at
  FROM (${chosen} ORDER BY s.row_id DESC LIMIT :most) s
  JOIN clients c ON c.id = s.client_id LEFT JOIN critiques k ON k.request_id = s.request_id AND k.sent_at IS NOT NULL
  LEFT JOIN notes n ON n.id = s.entry_id ORDER BY s.row_id DESC`;

/** Over so many of the last entries, about, words are looked up one by one. */
const lookedUp = 50_000;

/** From which entry on an entry is among the newest; 0 where there are no more than those. */
async function newestFrom({ db }: House, newest: number): Promise<number> {
  const sql = 'SELECT row_id AS rowId FROM search_entries ORDER BY row_id DESC LIMIT 1 OFFSET :newest';
  const [row] = await db.sequelize.query<{ rowId: string | number }>(sql, { replacements: { newest }, type: QueryTypes.SELECT });
  return Number(row?.rowId ?? 0);
}

/**
 * Entries with all of these words (the last may be only begun), of these kinds, those written last first. Words of the mat are few and
 * common:
 * the first fifty are mostly among the newest entries, and are found there. Otherwise the words are asked, beginning with the rarest. One
 * client's entries are few enough to be looked through.
 */
export async function findEntries(house: House, wanted: Wanted): Promise<Row[]> {
  const { words, kinds, clientId, most, newest } = wanted;
  const kind = kinds.length > 0 ? ['s.kind IN (:kinds)'] : [];
  const where = (...conditions: string[]): string => `WHERE ${[...kind, ...conditions].join(' AND ') || 'TRUE'}`;
  const run = (chosen: string, more: object = {}, how = ''): Promise<Row[]> =>
    house.db.sequelize.query<Row>(how + select(chosen), { replacements: { kinds, clientId, most, ...more }, type: QueryTypes.SELECT });
  if (clientId) return run(`SELECT s.* FROM search_entries s ${where('s.client_id = :clientId', ...byHand(wanted))}`);
  // A number, not a subquery: the entries are then read from the newest down, and no further than until there are enough.
  const from = await newestFrom(house, newest);
  const recent = await run(`SELECT s.* FROM search_entries s ${where('s.row_id > :from', ...byHand(wanted))}`, { from });
  if (recent.length === most || from === 0) return recent;
  if (words.length === 0) return run(`SELECT s.* FROM search_entries s ${where()}`);
  const [rarest, ...others] = await indexedWords(house, words);
  const also = [
    ...others.map((_, i) => `EXISTS (SELECT 1 FROM search_words o WHERE o.row_id = w.row_id AND o.word IN (:word${i}))`),
    ...kind.map((isKind) => `EXISTS (SELECT 1 FROM search_entries s WHERE s.row_id = w.row_id AND ${isKind})`),
  ];
  const named = Object.fromEntries([
    ...rarest!.map((ending, i) => [`ending${i}`, ending]),
    ...others.map((group, i) => [`word${i}`, group]),
  ]);
  // Each ending by itself is read from the newest down; put together first, all of their entries would be.
  const newerThan = (rowId: number, how = ''): Promise<Row[]> => {
    const ofEnding = rarest!.map((_, i) => {
      const wants = [`w.word = :ending${i}`, 'w.row_id > :rowId', ...also].join(' AND ');
      return `(SELECT w.row_id FROM search_words w WHERE ${wants} ORDER BY w.row_id DESC LIMIT :most)`;
    });
    const entries = `SELECT s.* FROM (${ofEnding.join(' UNION ')}) found JOIN search_entries s ON s.row_id = found.row_id`;
    return run(entries, { ...named, rowId }, how);
  };
  // Words that often go together are found among the last entries, each looked up under the other words, until there are enough.
  const likely = await newerThan(from - lookedUp, `SET STATEMENT optimizer_switch = 'semijoin=off,materialization=off' FOR `);
  // Where they seldom do, the entries of the other words are put together first.
  return likely.length === most ? likely : newerThan(0);
}
