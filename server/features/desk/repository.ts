import { emptyDesk, shelfOf, type DeskChange, type DeskDocument, type DeskEntity, type Note } from '@lean-mentor/core/desk';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { deskThings, wholeThings } from '@lean-mentor/contract';
import { jsonOf, plain, plainAll, type Table } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import type { DeskChangeRow } from './model.ts';

const without = <Row extends { requestId: string }>({ requestId: _requestId, ...rest }: Row) => rest;
const shelf = <T extends { id: string }>(things: T[]): Record<string, T> => Object.fromEntries(things.map((t) => [t.id, t]));
type AnyTable = Table<Record<string, unknown>>;

/** All that lies on the desk of a request, drawings in the order they were made, and the book's principles. */
export async function findDeskDocument({ db, log }: House, requestId: string, transaction?: Transaction): Promise<DeskDocument> {
  const within = transaction && { transaction };
  const options = { where: { requestId }, ...within };
  const [marks, notes, drawings, things, principles] = await Promise.all([
    db.marks.findAll({ ...options, order: [['atFrame', 'ASC']] }),
    db.notes.findAll({ ...options, order: [['fromFrame', 'ASC']] }),
    db.drawings.findAll({ ...options, order: [['made', 'ASC']] }),
    db.deskThings.findAll({ ...options, order: [['made', 'ASC']] }),
    db.principles.findAll({ attributes: ['id', 'name'], order: [['name', 'ASC']], ...within }),
  ]);
  const document: DeskDocument = {
    ...emptyDesk(),
    marks: shelf(plainAll(marks).map(without)),
    notes: shelf(plainAll(notes).map(without)),
    drawings: shelf(plainAll(drawings).map(({ made: _made, ...row }) => without(row))),
    principles: shelf(plainAll(principles)),
  };
  for (const { entity, thing } of plainAll(things)) (document[shelfOf[entity]] as Record<string, object>)[thing.id] = thing;
  return wholeThings(document, (shelf, id) => log.warn({ requestId, shelf, id }, 'a thing on a desk is not whole and is left out'));
}

/** The newest edit of a request; 0 before the first. */
export async function newestSequence({ db }: House, requestId: string): Promise<number> {
  return Number((await db.deskChanges.max('sequence', { where: { requestId } })) ?? 0);
}

/** What came of the edits of a request after one of them, oldest first, and the newest of them. */
export async function findEffectsSince(
  { db }: House,
  requestId: string,
  since: number,
  transaction: Transaction,
): Promise<{ sequence: number; changes: DeskChange[] }> {
  const rows = plainAll(
    await db.deskChanges.findAll({ where: { requestId, sequence: { [Op.gt]: since } }, order: [['sequence', 'ASC']], transaction }),
  );
  return { sequence: Number(rows.at(-1)?.sequence ?? since), changes: rows.flatMap(({ effects }) => effects) };
}

/** Whether a change of this id was taken before. */
export const wasTaken = async ({ db }: House, changeId: string, transaction: Transaction): Promise<boolean> =>
  (await db.deskChanges.count({ where: { changeId }, transaction })) > 0;

export async function recordChange({ db }: House, row: DeskChangeRow, transaction: Transaction): Promise<void> {
  await db.deskChanges.create(row, { transaction });
}

/** An edit of a thing: who made it, and what came of it for this thing. */
export interface Touch {
  accountId: string | null;
  by: string;
  effect: DeskChange;
}

/** Further back than this nobody looks for who changed a field. */
const mostTouches = 60;

/** The last edits of a thing that changed it, newest first. */
export async function findTouches({ db }: House, requestId: string, thingId: string, transaction: Transaction): Promise<Touch[]> {
  const rows = await db.sequelize.query<{ accountId: string | null; by: string | null; effects: string | DeskChange[] }>(
    `SELECT c.account_id AS accountId, a.name AS \`by\`, c.effects FROM desk_changes c LEFT JOIN accounts a ON a.id = c.account_id
     WHERE c.thing_id = :thingId AND c.request_id = :requestId AND c.effects <> '[]' ORDER BY c.sequence DESC LIMIT :mostTouches`,
    { replacements: { thingId, requestId, mostTouches }, type: QueryTypes.SELECT, transaction },
  );
  return rows.flatMap(({ accountId, by, effects }) => {
    const effect = jsonOf(effects).find(({ id }) => id === thingId);
    return effect ? [{ accountId, by: by ?? 'somebody', effect }] : [];
  });
}

const columnTable = ({ db }: House, entity: DeskEntity): AnyTable | null =>
  ((entity === 'mark' || entity === 'note' || entity === 'drawing') &&
    ({ mark: db.marks, note: db.notes, drawing: db.drawings }[entity] as unknown as AnyTable)) ||
  null;

/** A thing as it stands, and the request it belongs to; a principle belongs to all. Null when it is not there. */
export async function findDeskThing(
  house: House,
  { entity, id }: Pick<DeskChange, 'entity' | 'id'>,
  transaction: Transaction,
): Promise<{ requestId: string | null; thing: Record<string, unknown> } | null> {
  if (entity === 'principle') {
    const row = plain(await house.db.principles.findByPk(id, { attributes: ['id', 'name'], transaction }));
    return row && { requestId: null, thing: { ...row } };
  }
  const table = columnTable(house, entity);
  if (!table) {
    // Under one id there is one thing: what is of another kind is not this one, and its id is taken.
    const row = plain(await house.db.deskThings.findByPk(id, { transaction }));
    if (row && row.entity !== entity) throw new ContractError('not-valid', { message: `There is something else under the id ${id}.` });
    return row && { requestId: row.requestId, thing: { ...row.thing } };
  }
  const row = plain(await table.findByPk(id, { transaction }));
  if (!row) return null;
  const { requestId, made: _made, ...thing } = row;
  return { requestId: requestId as string, thing };
}

interface At {
  requestId: string;
  clientId: string;
  transaction: Transaction;
}

/** What an edit may name beside what lies on its own desk, and how it is looked up. */
const namedThings = {
  principle: 'SELECT 1 FROM principles WHERE id = :id',
  'principle-called': 'SELECT 1 FROM principles WHERE LOWER(TRIM(name)) = LOWER(TRIM(:id))',
  'unused-principle': `SELECT 1 FROM principles p WHERE p.id = :id AND p.entry = '{}' AND NOT EXISTS (SELECT 1 FROM notes n WHERE n.principle_id = p.id)`,
  clip: 'SELECT 1 FROM clips WHERE id = :id',
  coder: `SELECT 1 FROM accounts WHERE id = :id AND role IN ('coach', 'assistant')`,
  'note-of-client': `SELECT 1 FROM notes n JOIN requests r ON r.id = n.request_id WHERE n.id = :id AND r.client_id = :clientId AND r.state NOT IN ('draft', 'guardian')`,
  'footage-of-client': `SELECT f.request_id AS requestId, f.frame_count AS frameCount FROM footages f JOIN requests r ON r.id = f.request_id
    WHERE f.id = :id AND r.client_id = :clientId AND f.released AND r.state NOT IN ('draft', 'guardian')`,
} as const;

/** Something that an edit of a request names, as far as it is there and may be named; null otherwise. */
export async function findNamed(
  { db }: House,
  kind: keyof typeof namedThings,
  id: string,
  { clientId, transaction }: At,
): Promise<object | null> {
  const [row] = await db.sequelize.query<object>(namedThings[kind], {
    replacements: { id, clientId },
    type: QueryTypes.SELECT,
    transaction,
  });
  return row ?? null;
}

/** Does to the tables what `applyDeskChange` does to the document. */
export async function storeChange(house: House, requestId: string, change: DeskChange, transaction: Transaction): Promise<void> {
  const { entity, id, before, after } = change;
  const where = { id, requestId };
  if (entity === 'principle') {
    if (after === null) await house.db.principles.destroy({ where: { id }, transaction });
    else if (before === null) await house.db.principles.upsert({ ...(after as { name: string }), id }, { transaction });
    else await house.db.principles.update(after, { where: { id }, transaction });
    return;
  }
  const table = columnTable(house, entity);
  if (!table) {
    if (after === null) await house.db.deskThings.destroy({ where, transaction });
    else {
      const present = before === null ? null : ((await findDeskThing(house, change, transaction))?.thing ?? {});
      const thing = { ...present, ...after, id };
      if (!deskThings[entity].safeParse(thing).success)
        throw new ContractError('not-valid', { message: `What would be left of ${entity} ${id} is not whole.` });
      await house.db.deskThings.upsert({ id, requestId, entity, thing }, { transaction }); // prettier-ignore
    }
    return;
  }
  if (after === null) await table.destroy({ where, transaction });
  else if (before === null) await table.upsert({ ...after, id, requestId }, { transaction });
  else await table.update({ ...after, id }, { where, transaction });
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

/** A note of a client as it came up in one of their requests. */
export interface ClientNote {
  id: string;
  requestId: string;
  footageId: string;
  fromFrame: number;
  toFrame: number | null;
  kind: Note['kind'];
  what: string;
  principleId: string | null;
  sentAt: Date;
  critiqueId: string | null;
  critiqueSentAt: Date | null;
  /** As which fix it was sent; null where it was not. */
  position: number | null;
}

/** Notes of a client, newest request first, at most `most`, each with the fix it was sent in. */
export const findClientNotes = ({ db }: House, clientId: string, most: number): Promise<ClientNote[]> =>
  db.sequelize.query<ClientNote>(
    `SELECT n.id, n.request_id AS requestId, n.footage_id AS footageId, n.from_frame AS fromFrame, n.to_frame AS toFrame, n.kind, n.what,
       n.principle_id AS principleId, r.sent_at AS sentAt, c.id AS critiqueId, c.sent_at AS critiqueSentAt,
       (SELECT MIN(s.position) FROM sent_fixes s WHERE s.critique_id = c.id AND JSON_CONTAINS(s.note_ids, JSON_QUOTE(CAST(n.id AS CHAR)))) AS position
     FROM requests r JOIN notes n ON n.request_id = r.id LEFT JOIN critiques c ON c.request_id = r.id AND c.sent_at IS NOT NULL
     WHERE r.client_id = :clientId AND r.state <> 'guardian' ORDER BY r.sent_at DESC, n.from_frame LIMIT :most`,
    { replacements: { clientId, most }, type: QueryTypes.SELECT },
  );
