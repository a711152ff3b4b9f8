import type { Training } from '@lean-mentor/contract';
import { Op, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { PainRow, WorkDoneRow, WorkRow } from './model.ts';

const inside = (transaction?: Transaction) => (transaction ? { transaction } : {});

/** Work of some clients, newest first. */
export const findWork = async ({ db }: House, clientIds: readonly string[]): Promise<WorkRow[]> =>
  plainAll(
    await db.work.findAll({
      where: { clientId: [...clientIds] },
      order: [
        ['givenAt', 'DESC'],
        ['id', 'ASC'],
      ],
    }),
  );

/** Work of all clients that was given for a principle, oldest first. */
export const findWorkFor = async ({ db }: House, principleId: string): Promise<WorkRow[]> =>
  plainAll(await db.work.findAll({ where: { principleId }, order: [['givenAt', 'ASC']] }));

/** Work of all clients that was not ended before a day and begins before another. */
export const findWorkBetween = async ({ db }: House, fromOn: string, beforeOn: string): Promise<WorkRow[]> =>
  plainAll(
    await db.work.findAll({
      where: { fromOn: { [Op.lt]: beforeOn }, endedOn: { [Op.or]: [{ [Op.is]: null }, { [Op.gte]: fromOn }] } },
      order: [['givenAt', 'DESC']],
    }),
  );

/** A piece of work, locked; null where there is none. */
export const lockWork = async ({ db }: House, id: string, transaction: Transaction): Promise<WorkRow | null> =>
  plain(await db.work.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }));

export async function insertWork({ db }: House, row: WorkRow, transaction?: Transaction): Promise<void> {
  await db.work.create(row, inside(transaction));
}

export async function changeWork({ db }: House, id: string, fields: Partial<WorkRow>, transaction?: Transaction): Promise<void> {
  await db.work.update(fields, { where: { id }, ...inside(transaction) });
}

/** What was done of some work, oldest first. */
export const findDone = async ({ db }: House, workIds: readonly string[], transaction?: Transaction): Promise<WorkDoneRow[]> =>
  plainAll(
    await db.workDone.findAll({
      where: { workId: [...workIds] },
      order: [
        ['doneOn', 'ASC'],
        ['enteredAt', 'ASC'],
      ],
      ...inside(transaction),
    }),
  );

export const findDoneRow = async ({ db }: House, id: string, transaction?: Transaction): Promise<WorkDoneRow | null> =>
  plain(await db.workDone.findByPk(id, inside(transaction)));

/** What was done and nobody of the coaching side has looked at, oldest first. */
export const findUnseen = async ({ db }: House): Promise<WorkDoneRow[]> =>
  plainAll(await db.workDone.findAll({ where: { seenAt: null }, order: [['doneOn', 'ASC']] }));

export async function putDone({ db }: House, row: WorkDoneRow, transaction?: Transaction): Promise<void> {
  await db.workDone.upsert(row, inside(transaction));
}

/** Notes as which request footage of what was done is sent. */
export async function markSentAs({ db }: House, id: string, requestId: string): Promise<void> {
  await db.workDone.update({ requestId }, { where: { id } });
}

export async function deleteDone({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.workDone.destroy({ where: { id }, transaction });
}

export async function markSeen({ db, now }: House, clientId: string): Promise<void> {
  await db.workDone.update({ seenAt: now() }, { where: { clientId, seenAt: null } });
}

/** How clients train, of those who said so. */
export async function findTraining({ db }: House, clientIds: readonly string[]): Promise<Map<string, Training>> {
  const rows = plainAll(await db.training.findAll({ where: { clientId: [...clientIds] } }));
  return new Map(rows.map(({ clientId, training }) => [clientId, training]));
}

export async function putTraining({ db, now }: House, clientId: string, training: Training): Promise<void> {
  await db.training.upsert({ clientId, training, changedAt: now() });
}

/** Pains of some clients, newest first. */
export const findPains = async ({ db }: House, clientIds: readonly string[], transaction?: Transaction): Promise<PainRow[]> =>
  plainAll(await db.pains.findAll({ where: { clientId: [...clientIds] }, order: [['raisedOn', 'DESC']], ...inside(transaction) }));

/** Pains that nobody has spoken about yet, oldest first. */
export const findOpenPains = async ({ db }: House): Promise<PainRow[]> =>
  plainAll(await db.pains.findAll({ where: { settledAt: null }, order: [['raisedOn', 'ASC']] }));

export async function insertPain({ db }: House, row: PainRow, transaction?: Transaction): Promise<void> {
  await db.pains.create(row, inside(transaction));
}

/** Settles a pain; false where it was settled before. */
export async function settlePainRow(
  { db }: House,
  id: string,
  fields: Pick<PainRow, 'settledAt' | 'settledOn' | 'settledBy' | 'settledWords'>,
  transaction: Transaction,
): Promise<boolean> {
  const [many] = await db.pains.update(fields, { where: { id, settledAt: null }, transaction });
  return many === 1;
}
