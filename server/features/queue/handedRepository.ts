import { QueryTypes, type Transaction } from 'sequelize';
import { jsonOf, plain } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { HandOverRow } from './model.ts';

/** Handed work with whose it is in words. */
export interface HandOverShown extends Omit<HandOverRow, 'madeAt'> {
  clientName: string;
  question: string;
  fromName: string;
  toName: string;
  /** Of the bout it is about. */
  footageId: string | null;
  fromFrame: number | null;
}

/** Work that is asked for or offered, of requests that wait, soonest first; of one hand, or of all. */
export async function findOpenHandOvers({ db }: House, toId: string | null, transaction?: Transaction): Promise<HandOverShown[]> {
  const rows = await db.sequelize.query<HandOverShown & { said: string | HandOverRow['said'] }>(
    `SELECT h.id, h.request_id AS requestId, h.part, h.bout_id AS boutId, h.from_id AS fromId, h.to_id AS toId, CAST(h.due_on AS CHAR) AS dueOn,
       h.state, h.said, c.name AS clientName, JSON_VALUE(r.intake, '$.question') AS question, a.name AS fromName, b.name AS toName,
       w.footage_id AS footageId, w.from_frame AS fromFrame
     FROM hand_overs h JOIN requests r ON r.id = h.request_id JOIN clients c ON c.id = r.client_id
       JOIN accounts a ON a.id = h.from_id JOIN accounts b ON b.id = h.to_id LEFT JOIN bouts w ON w.id = h.bout_id
     WHERE h.state IN ('asked', 'offered') AND r.state IN ('waiting', 'need-first') ${toId ? 'AND h.to_id = :toId' : ''}
     ORDER BY h.due_on, h.made_at`,
    { replacements: { toId }, type: QueryTypes.SELECT, ...(transaction && { transaction }) },
  );
  return rows.map((row) => ({ ...row, question: row.question ?? '', said: jsonOf(row.said) }));
}

export async function insertHandOver({ db }: House, row: HandOverRow, transaction: Transaction): Promise<void> {
  await db.handOvers.create(row, { transaction });
}

/** Handed work, locked: one act after another. */
export const lockHandOver = async ({ db }: House, id: string, transaction: Transaction): Promise<HandOverRow | null> =>
  plain(await db.handOvers.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }));

export async function changeHandOver(
  { db }: House,
  id: string,
  fields: Pick<HandOverRow, 'state' | 'said'>,
  transaction: Transaction,
): Promise<void> {
  await db.handOvers.update(fields, { where: { id }, transaction });
}

/** Whether a bout is one of a request's. */
export async function hasBout({ db }: House, requestId: string, boutId: string): Promise<boolean> {
  const rows = await db.sequelize.query(
    'SELECT 1 FROM bouts b JOIN footages f ON f.id = b.footage_id WHERE b.id = :boutId AND f.request_id = :requestId',
    { replacements: { requestId, boutId }, type: QueryTypes.SELECT },
  );
  return rows.length > 0;
}
