import type { Clip } from '@lean-mentor/contract';
import { blankDrill, blankPrinciple, type BookDrill, type BookPrinciple } from '@lean-mentor/core/book';
import { QueryTypes, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { ClipRow } from './model.ts';

const clipOf = (row: ClipRow): Clip => ({ ...row, madeAt: row.madeAt.toISOString() });

/** More clips than this are not listed at once. */
const mostClips = 2000;

export const findClips = async ({ db }: House): Promise<Clip[]> =>
  plainAll(await db.clips.findAll({ order: [['title', 'ASC']], limit: mostClips })).map(clipOf);

export async function findClip({ db }: House, id: string): Promise<Clip | null> {
  const row = plain(await db.clips.findByPk(id));
  return row && clipOf(row);
}

/** Takes a new clip; one that is there already stays as it is. */
export async function insertClip({ db, now }: House, id: string, title: string): Promise<void> {
  const row: ClipRow = { id, title, state: 'empty', failure: null, seconds: null, madeAt: now() };
  await db.clips.bulkCreate([row], { ignoreDuplicates: true });
}

export async function changeClip(
  { db }: House,
  id: string,
  fields: Partial<Pick<ClipRow, 'title' | 'state' | 'failure' | 'seconds'>>,
): Promise<void> {
  await db.clips.update(fields, { where: { id } });
}

export async function deleteClip({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.clips.destroy({ where: { id }, transaction });
}

/** All principles, by name; `locked` until the transaction ends, so that the book is judged and changed by one at a time. */
/** Ways that were written before a book said what they spare. */
const withSpares = (variants: BookPrinciple['variants']): BookPrinciple['variants'] =>
  variants.map((variant) => ({ ...variant, spares: (variant as Partial<typeof variant>).spares ?? [] }));

export async function findPrinciples({ db }: House, locked?: Transaction): Promise<BookPrinciple[]> {
  const rows = await db.principles.findAll({
    order: [['name', 'ASC']],
    ...(locked && { transaction: locked, lock: locked.LOCK.UPDATE }),
  });
  return plainAll(rows).map(({ id, name, entry }) =>
    blankPrinciple({ area: 'strategy', ...entry, variants: withSpares(entry?.variants ?? []), id, name }),
  );
}

export async function findDrills({ db }: House, transaction?: Transaction): Promise<BookDrill[]> {
  const rows = await db.drills.findAll({ order: [['name', 'ASC']], ...(transaction && { transaction }) });
  return plainAll(rows).map(({ id, name, entry }) => blankDrill({ id, name, ...entry }));
}

export async function putPrinciples({ db }: House, principles: readonly BookPrinciple[], transaction: Transaction): Promise<void> {
  const rows = principles.map(({ id, name, ...entry }) => ({ id, name, entry }));
  await db.principles.bulkCreate(rows, { updateOnDuplicate: ['name', 'entry'], transaction });
}

export async function putDrills({ db }: House, drills: readonly BookDrill[], transaction: Transaction): Promise<void> {
  const rows = drills.map(({ id, name, ...entry }) => ({ id, name, entry }));
  await db.drills.bulkCreate(rows, { updateOnDuplicate: ['name', 'entry'], transaction });
}

export async function deletePrinciple({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.principles.destroy({ where: { id }, transaction });
}

export async function deleteDrill({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.drills.destroy({ where: { id }, transaction });
}

/** How many notes name each principle. */
export async function countNotesByPrinciple({ db }: House, transaction?: Transaction): Promise<Map<string, number>> {
  const rows = await db.sequelize.query<{ id: string; notes: string }>(
    'SELECT principle_id AS id, CAST(COUNT(*) AS CHAR) AS notes FROM notes WHERE principle_id IS NOT NULL GROUP BY principle_id',
    { type: QueryTypes.SELECT, ...(transaction && { transaction }) },
  );
  return new Map(rows.map(({ id, notes }) => [id, Number(notes)]));
}

/** Where a principle is named by its id within a text of JSON; an id stands for nothing else there. */
const namedWithin = ['choice', 'computed', 'sent'].map((column) => `${column} = REPLACE(${column}, :from, :to)`).join(', ');

/**
 * Gives everything that names one principle another instead: notes, fixes that were sent, choices on the ladder, work, closed threads (of a
 * client who has both closed, one stays). Answers how many notes there were.
 */
export async function renamePrinciple({ db }: House, from: string, to: string, transaction: Transaction): Promise<number> {
  const within = { replacements: { from, to }, transaction };
  for (const table of ['sent_fixes', 'work'])
    await db.sequelize.query(`UPDATE ${table} SET principle_id = :to WHERE principle_id = :from`, within);
  await db.sequelize.query('UPDATE IGNORE closed_threads SET principle_id = :to WHERE principle_id = :from', within);
  await db.sequelize.query('DELETE FROM closed_threads WHERE principle_id = :from', within);
  await db.sequelize.query(
    `UPDATE fix_choices SET ${namedWithin} WHERE CONCAT_WS('', choice, computed, sent) LIKE CONCAT('%', :from, '%')`,
    within,
  );
  const [count] = await db.notes.update({ principleId: to }, { where: { principleId: from }, transaction });
  return count;
}

const starterName = 'starter-book';
export const starterWasPut = async ({ db }: House): Promise<boolean> => (await db.practiceSettings.findByPk(starterName)) !== null;
export async function noteStarterPut({ db, now }: House): Promise<void> {
  await db.practiceSettings.upsert({ name: starterName, value: { putAt: now().toISOString() } });
}
