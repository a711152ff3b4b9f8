import type { ThreadRequest } from '@lean-mentor/core/followup';
import type { OwnSchool, RequestFixChoice } from '@lean-mentor/contract';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { jsonOf, plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { FixChoiceRow } from './model.ts';

export async function findChoice({ db }: House, requestId: string, transaction?: Transaction): Promise<RequestFixChoice | null> {
  return plain(await db.fixChoices.findByPk(requestId, { ...(transaction && { transaction }) }))?.choice ?? null;
}

export async function putChoice({ db }: House, requestId: string, choice: RequestFixChoice): Promise<void> {
  await db.fixChoices.upsert({ requestId, choice } as FixChoiceRow, { fields: ['choice'] });
}

/** Writes down what went out beside what each school would have said. */
export async function putSentOrder({ db }: House, row: FixChoiceRow, transaction: Transaction): Promise<void> {
  await db.fixChoices.upsert(row, { transaction });
}

/** Decisions for a client's other requests, newest request first. */
export async function findChoicesOfClient({ db }: House, clientId: string, exceptRequestId: string): Promise<RequestFixChoice[]> {
  const rows = await db.sequelize.query<{ choice: string | RequestFixChoice }>(
    `SELECT f.choice FROM fix_choices f JOIN requests r ON r.id = f.request_id
     WHERE r.client_id = :clientId AND r.id <> :exceptRequestId ORDER BY r.sent_at DESC LIMIT 12`,
    { replacements: { clientId, exceptRequestId }, type: QueryTypes.SELECT },
  );
  return rows.map(({ choice }) => jsonOf(choice));
}

/** More sent critiques than this are not compared. */
const mostOrders = 200;

/** What went out, newest first. */
export async function findSentOrders({ db }: House): Promise<FixChoiceRow[]> {
  const rows = await db.fixChoices.findAll({ where: { sentAt: { [Op.not]: null } }, order: [['sentAt', 'DESC']], limit: mostOrders });
  return plainAll(rows);
}

/** The client's name of each request. */
export async function findClientNames({ db }: House, requestIds: string[]): Promise<Map<string, string>> {
  if (requestIds.length === 0) return new Map();
  const rows = await db.sequelize.query<{ id: string; name: string }>(
    'SELECT r.id, c.name FROM requests r JOIN clients c ON c.id = r.client_id WHERE r.id IN (:requestIds)',
    { replacements: { requestIds }, type: QueryTypes.SELECT },
  );
  return new Map(rows.map(({ id, name }) => [id, name]));
}

const schoolName = 'own-school';
/** Everything alike until the coach says otherwise. */
const evenSchool: OwnSchool = { weights: { C: 0.2, F: 0.2, R: 0.2, G: 0.2, B: 0.2 }, share: 0.6, missedChance: 1 };

export async function findOwnSchool({ db }: House): Promise<OwnSchool> {
  return (plain(await db.practiceSettings.findByPk(schoolName))?.value as OwnSchool | undefined) ?? evenSchool;
}

export async function putOwnSchool({ db }: House, value: OwnSchool): Promise<void> {
  await db.practiceSettings.upsert({ name: schoolName, value });
}

/** A reviewed request of a client: what its notes name, and what was sent. */
export type ReviewedRequest = Pick<ThreadRequest, 'requestId' | 'sentAt' | 'notes' | 'sent'> & {
  /** Of its footage, a second camera left out. */
  footageSeconds: number;
};

function byRequest<T extends { requestId: string }>(rows: readonly T[]): (requestId: string) => T[] {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const group = groups.get(row.requestId);
    if (group) group.push(row);
    else groups.set(row.requestId, [row]);
  }
  return (requestId) => groups.get(requestId) ?? [];
}

/** Requests of a client whose critique stands, sent before an instant, oldest first; with the notes that these readers may read. */
export async function findReviewed(
  { db }: House,
  clientId: string,
  before: Date,
  readers: 'coaching' | 'client',
): Promise<ReviewedRequest[]> {
  const select = <T extends object>(sql: string): Promise<T[]> =>
    db.sequelize.query<T>(sql, { replacements: { clientId, before }, type: QueryTypes.SELECT });
  // From the client's requests on, always: left to the database, every call was three to five times slower right after a large filling.
  const from = `FROM requests r JOIN critiques c ON c.request_id = r.id AND c.sent_at IS NOT NULL`;
  const where = 'WHERE r.client_id = :clientId AND r.sent_at < :before';
  const [requests, notes, fixes] = await Promise.all([
    select<{ id: string; sentAt: Date; seconds: number | null }>(
      `SELECT STRAIGHT_JOIN r.id, r.sent_at AS sentAt, (SELECT SUM(f.seconds) FROM footages f WHERE f.request_id = r.id AND f.alignment IS NULL) AS seconds
       ${from} ${where} ORDER BY r.sent_at`,
    ),
    select<{ requestId: string } & ThreadRequest['notes'][number]>(
      `SELECT STRAIGHT_JOIN n.request_id AS requestId, n.principle_id AS principleId, n.kind, n.athlete ${from} JOIN notes n ON n.request_id = r.id
       ${where} AND n.principle_id IS NOT NULL${readers === 'client' ? " AND n.visible = 'client'" : ''}`,
    ),
    select<{ requestId: string; principleId: string }>(
      `SELECT STRAIGHT_JOIN r.id AS requestId, s.principle_id AS principleId ${from} JOIN sent_fixes s ON s.critique_id = c.id
       ${where} AND s.principle_id IS NOT NULL ORDER BY s.position`,
    ),
  ]);
  const [notesOf, fixesOf] = [byRequest(notes), byRequest(fixes)];
  return requests.map(({ id, sentAt, seconds }) => ({
    requestId: id,
    sentAt: sentAt.toISOString(),
    footageSeconds: Number(seconds ?? 0),
    notes: notesOf(id).map(({ principleId, kind, athlete }) => ({ principleId, kind, athlete })),
    sent: fixesOf(id).map(({ principleId }) => principleId),
  }));
}

/** Requests that wait and have something coded in footage that is ready, promised first. */
export async function findCodedWaiting({ db }: House, most: number): Promise<string[]> {
  const rows = await db.sequelize.query<{ id: string }>(
    `SELECT r.id FROM requests r WHERE r.state IN ('waiting', 'need-first') AND EXISTS (SELECT 1 FROM footages f JOIN bouts b ON b.footage_id = f.id
       WHERE f.request_id = r.id AND f.state = 'ready' AND b.timed IS NOT NULL) ORDER BY r.due_at LIMIT :most`,
    { replacements: { most }, type: QueryTypes.SELECT },
  );
  return rows.map(({ id }) => id);
}
