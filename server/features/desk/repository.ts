import type { DeskChange, DeskDocument } from '@lean-mentor/core/desk';
import { QueryTypes, type Transaction } from 'sequelize';
import { plainAll, type Table } from '../../db/table.ts';
import type { House } from '../../house.ts';

const without = <Row extends { requestId: string }>({ requestId: _requestId, ...rest }: Row) => rest;
const shelf = <T extends { id: string }>(things: T[]): Record<string, T> => Object.fromEntries(things.map((t) => [t.id, t]));

/** All that lies on the desk of a request; drawings in the order they were made. */
export async function findDeskDocument({ db }: House, requestId: string, transaction?: Transaction): Promise<DeskDocument> {
  const options = { where: { requestId }, ...(transaction && { transaction }) };
  const [marks, notes, drawings] = await Promise.all([
    db.marks.findAll({ ...options, order: [['atFrame', 'ASC']] }),
    db.notes.findAll({ ...options, order: [['fromFrame', 'ASC']] }),
    db.drawings.findAll({ ...options, order: [['made', 'ASC']] }),
  ]);
  return {
    marks: shelf(plainAll(marks).map(without)),
    notes: shelf(plainAll(notes).map(without)),
    drawings: shelf(plainAll(drawings).map(({ made: _made, ...row }) => without(row))),
  };
}

/** Writes a change down. False when a change of this id was taken before. */
export async function recordChange(
  { db }: House,
  requestId: string,
  accountId: string,
  change: DeskChange,
  transaction: Transaction,
): Promise<boolean> {
  const taken = await db.deskChanges.findByPk(change.changeId, { transaction });
  if (taken) return false;
  await db.deskChanges.create({ changeId: change.changeId, requestId, accountId, changeJson: change }, { transaction });
  return true;
}

/** Does to the tables what `applyDeskChange` does to the document. */
export async function storeChange(
  { db }: House,
  requestId: string,
  { entity, id, before, after }: DeskChange,
  transaction: Transaction,
): Promise<void> {
  const table = { mark: db.marks, note: db.notes, drawing: db.drawings }[entity] as unknown as Table<Record<string, unknown>>;
  const where = { id, requestId };
  if (after === null) await table.destroy({ where, transaction });
  else if (before === null) await table.upsert({ ...after, id, requestId }, { transaction });
  else await table.update({ ...after, id }, { where, transaction });
}

/** Whether a thing of this id belongs to another request, so that an id cannot be used to reach across. */
export async function belongsElsewhere(
  { db }: House,
  requestId: string,
  { entity, id }: DeskChange,
  transaction: Transaction,
): Promise<boolean> {
  const table = { mark: db.marks, note: db.notes, drawing: db.drawings }[entity] as unknown as Table<{ id: string; requestId: string }>;
  const row = await table.findByPk(id, { transaction });
  return row !== null && row.get('requestId') !== requestId;
}

/** Open marks and notes of each request. */
export async function countDeskByRequest({ db }: House, requestIds: string[]): Promise<Map<string, { marks: number; notes: number }>> {
  if (requestIds.length === 0) return new Map();
  const rows = await db.sequelize.query<{ requestId: string; marks: string; notes: string }>(
    `SELECT r.id AS requestId,
       CAST((SELECT COUNT(*) FROM marks m WHERE m.request_id = r.id AND m.state = 'open') AS CHAR) AS marks,
       CAST((SELECT COUNT(*) FROM notes n WHERE n.request_id = r.id) AS CHAR) AS notes
     FROM requests r WHERE r.id IN (:requestIds)`,
    { replacements: { requestIds }, type: QueryTypes.SELECT },
  );
  return new Map(rows.map((r) => [r.requestId, { marks: Number(r.marks), notes: Number(r.notes) }]));
}
