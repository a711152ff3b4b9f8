import type { Transaction } from 'sequelize';
import { amountOfColumn, plain } from '../db/table.ts';
import type { House } from '../house/house.ts';
import type { StandInRow } from './model.ts';

const rowOf = (row: StandInRow | null): StandInRow | null => row && { ...row, amount: amountOfColumn(row.amount) };

export async function insertStandIn({ db }: House, row: StandInRow): Promise<void> {
  await db.standInPayments.create(row);
}

export const findStandIn = async ({ db }: House, reference: string): Promise<StandInRow | null> =>
  rowOf(plain(await db.standInPayments.findByPk(reference)));

/** The payment, locked: one key after another. */
export const lockStandIn = async ({ db }: House, reference: string, transaction: Transaction): Promise<StandInRow | null> =>
  rowOf(plain(await db.standInPayments.findByPk(reference, { transaction, lock: transaction.LOCK.UPDATE })));

export async function changeStandIn({ db }: House, reference: string, told: StandInRow['told'], transaction: Transaction): Promise<void> {
  await db.standInPayments.update({ told }, { where: { reference }, transaction });
}
