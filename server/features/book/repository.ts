import type { Clip } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house.ts';
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
