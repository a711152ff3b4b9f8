import type { KeptKind } from '@lean-mentor/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import { aboutClient, keptRecords, type AboutClient } from './aboutClient.ts';
import type { ForgettingRow } from './model.ts';

const inside = (transaction?: Transaction) => (transaction ? { transaction } : {});

export interface NamedClient {
  id: string;
  name: string;
}

/** What stands for the client in the conditions of `aboutClient`. */
const bound = ({ id, name }: NamedClient) => ({ clientId: id, name, naming: `%${name.replace(/[\\%_]/g, '\\$&')}%` });

/**
 * A client by id. In a transaction they and their requests are held until it ends: whoever is just writing something about them comes to
 * the end first, and nobody begins. Requests before the client, as all who hold both.
 */
export async function findNamed({ db }: House, id: string, transaction?: Transaction): Promise<NamedClient | null> {
  if (transaction) await db.requests.findAll({ where: { clientId: id }, attributes: ['id'], transaction, lock: transaction.LOCK.UPDATE });
  const [row] = await db.sequelize.query<NamedClient>(`SELECT id, name FROM clients WHERE id = :id ${transaction ? 'FOR UPDATE' : ''}`, {
    replacements: { id },
    type: QueryTypes.SELECT,
    ...inside(transaction),
  });
  return row ?? null;
}

/** How many rows of each kind are a client's, who they are first; kinds of which there are none are left out. */
async function count(
  { db }: House,
  client: NamedClient,
  tables: Readonly<Record<string, AboutClient>>,
  transaction?: Transaction,
): Promise<KeptKind[]> {
  const named = Object.entries(tables).filter(([, { words }]) => words !== null);
  const rows = await db.sequelize.query<{ tableName: string; many: string }>(
    named
      .map(([table, { whose }]) => `SELECT '${table}' AS tableName, CAST(COUNT(*) AS CHAR) AS many FROM ${table} WHERE ${whose}`)
      .join(' UNION ALL '),
    { replacements: bound(client), type: QueryTypes.SELECT, ...inside(transaction) },
  );
  return rows
    .map(({ tableName, many }) => ({ words: tables[tableName]!.words!, many: Number(many) }))
    .filter(({ many }) => many > 0)
    .reverse();
}

export const countGoing = (house: House, client: NamedClient, transaction?: Transaction): Promise<KeptKind[]> =>
  count(house, client, aboutClient, transaction);
export const countStaying = (house: House, client: NamedClient): Promise<KeptKind[]> => count(house, client, keptRecords);

/** Bytes of video that a client has sent and that are still kept. */
export async function countBytes({ db }: House, { id }: NamedClient): Promise<number> {
  const [row] = await db.sequelize.query<{ bytes: string | null }>(
    `SELECT CAST(SUM(f.byte_size) AS CHAR) AS bytes FROM footages f JOIN requests r ON r.id = f.request_id
     WHERE r.client_id = :id AND f.state <> 'removed'`,
    { replacements: { id }, type: QueryTypes.SELECT },
  );
  return Number(row?.bytes ?? 0);
}

/** Removes a client's rows of every table. What they paid stays, and no longer leads to them. */
export async function deleteAbout({ db }: House, client: NamedClient, transaction: Transaction): Promise<void> {
  for (const [table, { whose }] of Object.entries(aboutClient))
    await db.sequelize.query(`DELETE FROM ${table} WHERE ${whose}`, {
      replacements: bound(client),
      type: QueryTypes.RAW,
      transaction,
    });
}

/** Under which ids files of a client lie, and where else. */
export interface FilesOf {
  footages: { id: string; originalKey: string | null; uploadId: string | null }[];
  requestIds: string[];
  critiqueIds: string[];
}

export async function findFilesOf({ db }: House, { id }: NamedClient, transaction: Transaction): Promise<FilesOf> {
  const lock = transaction.LOCK.UPDATE;
  const requests = plainAll(await db.requests.findAll({ where: { clientId: id }, attributes: ['id'], transaction, lock }));
  const requestId = requests.map((row) => row.id);
  const [footages, critiques] = [
    plainAll(await db.footages.findAll({ where: { requestId }, attributes: ['id', 'originalKey', 'uploadId'], transaction })),
    plainAll(await db.critiques.findAll({ where: { requestId }, attributes: ['id'], transaction })),
  ];
  return { footages, requestIds: requestId, critiqueIds: critiques.map((row) => row.id) };
}

/** A client's rows of every table that says something, by table, without what opens a way in. */
export async function findRows({ db }: House, client: NamedClient): Promise<Record<string, { words: string; rows: object[] }>> {
  const found: Record<string, { words: string; rows: object[] }> = {};
  for (const [table, { whose, words, secret = [] }] of Object.entries({ ...aboutClient, ...keptRecords })) {
    if (words === null) continue;
    const rows = await db.sequelize.query<Record<string, unknown>>(`SELECT * FROM ${table} WHERE ${whose}`, {
      replacements: bound(client),
      type: QueryTypes.SELECT,
    });
    found[table] = { words, rows: rows.map((row) => Object.fromEntries(Object.entries(row).filter(([name]) => !secret.includes(name)))) };
  }
  return found;
}

/** Columns by table, with the sort of database column they are. */
export async function findColumns({ db }: House): Promise<{ tableName: string; name: string; sort: string; nullable: boolean }[]> {
  const rows = await db.sequelize.query<{ tableName: string; name: string; sort: string; nullable: string }>(
    `SELECT c.TABLE_NAME AS tableName, c.COLUMN_NAME AS name, c.IS_NULLABLE AS nullable,
       IF(EXISTS (SELECT 1 FROM information_schema.CHECK_CONSTRAINTS k WHERE k.CONSTRAINT_SCHEMA = DATABASE() AND k.TABLE_NAME = c.TABLE_NAME
         AND k.CONSTRAINT_NAME = c.COLUMN_NAME AND k.CHECK_CLAUSE LIKE 'json_valid%'), 'json', c.DATA_TYPE) AS sort
     FROM information_schema.COLUMNS c WHERE c.TABLE_SCHEMA = DATABASE() ORDER BY c.TABLE_NAME, c.ORDINAL_POSITION`,
    { type: QueryTypes.SELECT },
  );
  return rows.map((row) => ({ ...row, nullable: row.nullable === 'YES' }));
}

/**
 * Where words of others, or of nobody, name a client in full; the newest thirty. Found by the rarest of the name's words, which is the
 * longest of them most often.
 */
export async function findNamedElsewhere(
  { db }: House,
  client: NamedClient,
): Promise<{ clientName: string | null; requestId: string | null; words: string }[]> {
  const [word = ''] = (client.name.toLocaleLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).sort((a, b) => b.length - a.length);
  const rows = await db.sequelize.query<{ clientName: string | null; requestId: string | null; words: string }>(
    `SELECT c.name AS clientName, e.request_id AS requestId, e.words FROM search_words w JOIN search_entries e ON e.row_id = w.row_id
     LEFT JOIN clients c ON c.id = e.client_id
     WHERE w.word = :word AND e.words LIKE :naming AND (e.client_id IS NULL OR e.client_id <> :clientId) ORDER BY e.at DESC LIMIT 30`,
    { replacements: { ...bound(client), word }, type: QueryTypes.SELECT },
  );
  return rows.map((row) => ({ ...row, words: row.words.slice(0, 200) }));
}

export const findForgetting = async ({ db }: House, clientId: string): Promise<ForgettingRow | null> =>
  plain(await db.forgettings.findOne({ where: { clientId, doneAt: null } }));

/** Those who asked and are not forgotten yet, with their names, first due first. */
export async function findForgettings({ db }: House): Promise<(ForgettingRow & { name: string })[]> {
  const rows = plainAll(await db.forgettings.findAll({ where: { doneAt: null }, order: [['dueAt', 'ASC']] }));
  const clients = plainAll(await db.clients.findAll({ where: { id: rows.map(({ clientId }) => clientId) } }));
  return rows.map((row) => ({ ...row, name: clients.find(({ id }) => id === row.clientId)?.name ?? '' }));
}

/** Notes that a client is to be forgotten; answers false where that is noted already. */
export async function insertForgetting({ db }: House, row: ForgettingRow, transaction: Transaction): Promise<boolean> {
  const [, made] = await db.forgettings.findOrCreate({ where: { clientId: row.clientId }, defaults: row, transaction });
  return made;
}

export async function putForgotten({ db }: House, row: ForgettingRow, transaction: Transaction): Promise<void> {
  await db.forgettings.upsert(row, { transaction });
}

/** Answers false where there was none, or it is done. */
export const deleteForgetting = async ({ db }: House, clientId: string, transaction: Transaction): Promise<boolean> =>
  (await db.forgettings.destroy({ where: { clientId, doneAt: null }, transaction })) === 1;
