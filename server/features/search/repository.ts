import type { Client, Found } from '@lean-mentor/contract';
import type { DeskTake } from '@lean-mentor/core/desk';
import { formsBegin, isFormOf, type SearchAsked } from '@lean-mentor/core/search';
import { QueryTypes, type Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';

/**
 * A note as it is found by its words: what was said of it, what to do instead, and what its principle is called. Beside these, what it is
 * found by without being said: the chance its principle counts, the position it stands in and what that is called, and whose it is, each
 * after a letter.
 */
export const noteEntries = (where: string): string => `
  INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, also, at)
  SELECT n.id, 'note', n.kind, r.client_id, n.request_id,
    CONCAT_WS(' ', p.name, n.what, REGEXP_REPLACE(n.instead, '"(when|do)":|[\\\\[\\\\]{}",]', ' ')),
    CONCAT_WS('\\n', CONCAT('c ', NULLIF(JSON_VALUE(p.entry, '$.chances'), '')), CONCAT('l ', REPLACE((
      SELECT CONCAT_WS(', ', s.position, s.name) FROM bouts b, JSON_TABLE(b.spans, '$[*]' COLUMNS (position VARCHAR(40) PATH '$.position', name VARCHAR(60) PATH '$.name', f INT PATH '$.fromFrame', t INT PATH '$.toFrame')) s
      WHERE b.footage_id = n.footage_id AND b.from_frame <= n.from_frame AND n.from_frame < b.to_frame AND s.f <= n.from_frame AND n.from_frame < s.t LIMIT 1
    ), '-', ' ')), CONCAT('n ', c.name)),
    r.sent_at
  FROM notes n JOIN requests r ON r.id = n.request_id JOIN clients c ON c.id = r.client_id LEFT JOIN principles p ON p.id = n.principle_id WHERE ${where}`;

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

/** The same for all notes on a footage: they stand in other positions now. */
export async function indexNotesOfFootage(house: House, footageId: string, transaction?: Transaction): Promise<void> {
  const of = { footageId };
  await run(house, 'DELETE s FROM search_entries s JOIN notes n ON n.id = s.entry_id WHERE n.footage_id = :footageId', of, transaction);
  await run(house, noteEntries('n.footage_id = :footageId'), of, transaction);
}

/** The same for all notes of a request. */
export async function indexNotesOfRequest(house: House, requestId: string, transaction?: Transaction): Promise<void> {
  await run(house, `DELETE FROM search_entries WHERE request_id = :requestId AND entry = 'note'`, { requestId }, transaction);
  await run(house, noteEntries('n.request_id = :requestId'), { requestId }, transaction);
}

/** What is found of a request, a critique, a question or a take; null: nothing any more. */
export async function indexWords(
  house: House,
  {
    id,
    entry,
    requestId,
    words,
    at,
    also = [],
  }: {
    id: string;
    entry: 'request' | 'critique' | 'question' | 'take';
    requestId: string;
    words: string | null;
    at: Date;
    /** What it is found by without being said in it, each after its letter. */
    also?: readonly string[];
  },
  transaction?: Transaction,
): Promise<void> {
  await run(house, 'DELETE FROM search_entries WHERE entry_id = :id', { id }, transaction);
  if (words === null) return;
  await run(
    house,
    `INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, also, at)
     SELECT :id, :entry, NULL, r.client_id, r.id, :words, CONCAT_WS('\\n', CONCAT('n ', c.name), :also), :at
     FROM requests r JOIN clients c ON c.id = r.client_id WHERE r.id = :requestId`,
    { id, entry, requestId, words, at, also: also.join('\n') },
    transaction,
  );
}

/** Longest that is found of a take, in letters: an hour of speech. */
const mostOfTake = 60_000;

/** What is found of a take on the desk: its title, its parts and what is said in it; null: nothing any more. */
export const indexTake = (
  house: House,
  { id, requestId, take }: { id: string; requestId: string; take: Pick<DeskTake, 'title' | 'chapters' | 'captions'> | null },
  transaction?: Transaction,
): Promise<void> => {
  const words = take && [take.title, ...take.chapters.map(({ title }) => title), ...take.captions.map((one) => one.words)].join('\n');
  return indexWords(house, { id, entry: 'take', requestId, words: words && words.slice(0, mostOfTake), at: house.now() }, transaction);
};

/** What is found of a client themselves: name, what hurts, how they are to be reached. */
export async function indexClient(
  house: House,
  { id, name, hurts, agreements, about }: Pick<Client, 'id' | 'name' | 'hurts' | 'agreements' | 'about'>,
  transaction?: Transaction,
): Promise<void> {
  await run(house, 'DELETE FROM search_entries WHERE entry_id = :id', { id }, transaction);
  await run(
    house,
    `INSERT INTO search_entries (entry_id, entry, kind, client_id, request_id, words, also, at)
     VALUES (:id, 'client', NULL, :id, NULL, :words, '', :at)`,
    { id, words: [name, ...hurts, ...agreements, about].filter(Boolean).join('\n'), at: house.now() },
    transaction,
  );
}

type Row = Omit<Found, 'at' | 'hits' | 'because'> & { at: Date; also: string };

export interface Wanted {
  kinds: SearchAsked['kinds'];
  /** The words asked for, each with all its forms there are. */
  forms: readonly (readonly string[])[];
  clientId: string | null;
  most: number;
  /** So many of the newest entries are looked through by hand before the words are asked. */
  newest: number;
}

/** A word that is only begun may go on as so many. */
const mostEndings = 40;

/**
 * Each word of a search with its forms as they are said here; the last one, where none of its forms is, with whatever it may go on as. A
 * word that is never said stands for itself.
 */
export async function formsOf({ db }: House, words: readonly string[]): Promise<string[][]> {
  const begunBy = async (begin: string, limit = ''): Promise<string[]> => {
    const sql = `SELECT DISTINCT word FROM search_words WHERE word LIKE :begin ${limit}`;
    const rows = await db.reading.query<{ word: string }>(sql, { replacements: { begin: `${begin}%` }, type: QueryTypes.SELECT });
    return rows.map(({ word }) => word);
  };
  return Promise.all(
    words.map(async (word, i) => {
      const forms = (await begunBy(formsBegin(word))).filter((one) => isFormOf(one, word));
      if (forms.length > 0) return forms;
      const endings = i === words.length - 1 ? await begunBy(word, `LIMIT ${mostEndings}`) : [];
      return endings.length > 0 ? endings : [word];
    }),
  );
}

/** Looks through entries word by word: the way to go where few come into question, or where most searches end soon. */
const byHand = ({ forms }: Wanted): string[] =>
  forms.map((group) => `CONCAT(s.words, ' ', s.also) REGEXP '\\\\b(${group.join('|')})\\\\b'`);

/** The words of a search, the rarest first. */
async function rarestFirst({ db }: House, forms: Wanted['forms']): Promise<(readonly string[])[]> {
  const counted = await Promise.all(
    forms.map(async (group) => {
      // How many there are about, as the index knows without being read.
      const [plan] = await db.reading.query<{ rows: number | string }>('EXPLAIN SELECT 1 FROM search_words WHERE word IN (:group)', {
        replacements: { group: [...group] },
        type: QueryTypes.SELECT,
      });
      return { group, count: Number(plan?.rows ?? 0) };
    }),
  );
  return counted.sort((x, y) => x.count - y.count).map(({ group }) => group);
}

/** What belongs to entries, looked up for those few that were found. */
const select = (chosen: string): string => `
  SELECT s.entry_id AS id, s.entry, s.kind, s.client_id AS clientId, c.name AS clientName, s.request_id AS requestId, k.id AS critiqueId,
    n.footage_id AS footageId, n.from_frame AS frame, s.words, s.also, s.at
  FROM (${chosen} ORDER BY s.row_id DESC LIMIT :most) s
  JOIN clients c ON c.id = s.client_id LEFT JOIN critiques k ON k.request_id = s.request_id AND k.sent_at IS NOT NULL
  LEFT JOIN notes n ON n.id = s.entry_id ORDER BY s.row_id DESC`;

/** Over so many of the last entries, about, words are looked up one by one. */
const lookedUp = 50_000;

/** From which entry on an entry is among the newest; 0 where there are no more than those. */
async function newestFrom({ db }: House, newest: number): Promise<number> {
  const sql = 'SELECT row_id AS rowId FROM search_entries ORDER BY row_id DESC LIMIT 1 OFFSET :newest';
  const [row] = await db.reading.query<{ rowId: string | number }>(sql, { replacements: { newest }, type: QueryTypes.SELECT });
  return Number(row?.rowId ?? 0);
}

/**
 * Entries with a form of each of these words, of these kinds, those written last first. Words of the mat are few and common: the first
 * fifty are mostly among the newest entries, and are found there. Otherwise the words are asked, beginning with the rarest. One client's
 * entries are few enough to be looked through.
 */
export async function findEntries(house: House, wanted: Wanted): Promise<Row[]> {
  const { forms, kinds, clientId, most, newest } = wanted;
  const kind = kinds.length > 0 ? ['s.kind IN (:kinds)'] : [];
  const where = (...conditions: string[]): string => `WHERE ${[...kind, ...conditions].join(' AND ') || 'TRUE'}`;
  const run = (chosen: string, more: object = {}, how = ''): Promise<Row[]> =>
    house.db.reading.query<Row>(how + select(chosen), { replacements: { kinds, clientId, most, ...more }, type: QueryTypes.SELECT });
  if (clientId) return run(`SELECT s.* FROM search_entries s ${where('s.client_id = :clientId', ...byHand(wanted))}`);
  // A number, not a subquery: the entries are then read from the newest down, and no further than until there are enough.
  const from = await newestFrom(house, newest);
  const recent = await run(`SELECT s.* FROM search_entries s ${where('s.row_id > :from', ...byHand(wanted))}`, { from });
  if (recent.length === most || from === 0) return recent;
  if (forms.length === 0) return run(`SELECT s.* FROM search_entries s ${where()}`);
  const [rarest, ...others] = await rarestFirst(house, forms);
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
