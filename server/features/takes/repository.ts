import type { Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { TakePieceRow, TakeRow } from './model.ts';

export const findTake = async ({ db }: House, id: string, transaction?: Transaction): Promise<TakeRow | null> =>
  plain(await db.takes.findByPk(id, transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {}));

export const findTakesOf = async ({ db }: House, requestId: string): Promise<TakeRow[]> =>
  plainAll(await db.takes.findAll({ where: { requestId }, order: [['changedAt', 'ASC']] }));

export async function changeTake({ db }: House, id: string, fields: Partial<TakeRow>, transaction?: Transaction): Promise<void> {
  await db.takes.update(fields, { where: { id }, ...(transaction && { transaction }) });
}

/** A take of which the first piece comes; one that is there stays as it is. */
export async function beginTake({ db }: House, row: TakeRow, transaction: Transaction): Promise<void> {
  await db.takes.bulkCreate([row], { ignoreDuplicates: true, transaction });
}

export async function putPiece({ db }: House, row: TakePieceRow, transaction: Transaction): Promise<void> {
  await db.takePieces.upsert(row, { transaction });
}

/** The pieces of a take in the order in which they were spoken. */
export const findPieces = async ({ db }: House, takeId: string, transaction?: Transaction): Promise<TakePieceRow[]> =>
  plainAll(
    await db.takePieces.findAll({
      where: { takeId },
      order: [
        ['part', 'ASC'],
        ['piece', 'ASC'],
      ],
      ...(transaction && { transaction }),
    }),
  );

/** How many pieces of each part have come, whichever they are, without reading them. */
export async function countPieces({ db }: House, takeId: string, transaction: Transaction): Promise<number[]> {
  const counted = (await db.takePieces.count({ where: { takeId }, group: ['part'], transaction })) as unknown as {
    part: number;
    count: number;
  }[];
  const parts: number[] = [];
  for (const { part, count } of counted) parts[part] = Number(count);
  return Array.from(parts, (count) => count ?? 0);
}
