import type { ForkChoice } from '@lean-mentor/contract';
import type { DeskChange, Note } from '@lean-mentor/core/desk';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { jsonOf, plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { DeskChangeRow } from './model.ts';

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

interface At {
  requestId: string;
  clientId: string;
  transaction: Transaction;
}

/** What an edit may name beside what lies on its own desk, and how it is looked up. */
const namedItems = {
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
  kind: keyof typeof namedItems,
  id: string,
  { clientId, transaction }: At,
): Promise<object | null> {
  const [row] = await db.sequelize.query<object>(namedItems[kind], {
    replacements: { id, clientId },
    type: QueryTypes.SELECT,
    transaction,
  });
  return row ?? null;
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
  fork: Note['fork'] | string;
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
       n.principle_id AS principleId, n.fork, r.sent_at AS sentAt, c.id AS critiqueId, c.sent_at AS critiqueSentAt,
       (SELECT MIN(s.position) FROM sent_fixes s WHERE s.critique_id = c.id AND JSON_CONTAINS(s.note_ids, JSON_QUOTE(CAST(n.id AS CHAR)))) AS position
     FROM requests r JOIN notes n ON n.request_id = r.id LEFT JOIN critiques c ON c.request_id = r.id AND c.sent_at IS NOT NULL
     WHERE r.client_id = :clientId AND r.state <> 'guardian' ORDER BY r.sent_at DESC, n.from_frame LIMIT :most`,
    { replacements: { clientId, most }, type: QueryTypes.SELECT },
  );

/** What the client said about moments at which the coach asks something, oldest first. */
export const findClientAnswers = ({ db }: House, requestId: string): Promise<{ noteId: string; by: string; words: string }[]> =>
  db.sequelize.query(
    `SELECT q.note_id AS noteId, q.asked_by AS \`by\`, q.words FROM questions q JOIN critiques c ON c.id = q.critique_id JOIN notes n ON n.id = q.note_id
     WHERE c.request_id = :requestId AND n.kind = 'question' ORDER BY q.asked_at`,
    { replacements: { requestId }, type: QueryTypes.SELECT },
  );

/** What the client chose at forks of this request, before they saw what happened: the note and which of its ways. */
export async function findForkChoices({ db }: House, requestId: string): Promise<{ noteId: string; choice: number; by: string }[]> {
  const row = plain(await db.critiques.findOne({ where: { requestId }, attributes: ['forkChoices'] }));
  return Object.entries<ForkChoice>(row?.forkChoices ?? {}).map(([noteId, { choice, by }]) => ({ noteId, choice, by }));
}

/** Names are counted over so many things that were put on desks last. */
const newestLooked = 50_000;

/** How often each name of a technique was used, the most used first, at most 500. */
export async function countNameUses({ db }: House): Promise<Record<string, number>> {
  const rows = await db.sequelize.query<{ name: string; uses: string }>(
    `SELECT JSON_VALUE(t.thing, '$.name') AS name, CAST(COUNT(*) AS CHAR) AS uses
     FROM (SELECT entity, thing FROM desk_things ORDER BY made DESC LIMIT :newestLooked) t
     WHERE t.entity IN ('cut', 'event', 'threat') AND COALESCE(JSON_VALUE(t.thing, '$.name'), '') <> ''
     GROUP BY name ORDER BY COUNT(*) DESC LIMIT 500`,
    { replacements: { newestLooked }, type: QueryTypes.SELECT },
  );
  return Object.fromEntries(rows.map(({ name, uses }) => [name, Number(uses)]));
}
