import type { OwnSchool, RequestFixChoice } from '@lean-mentor/contract';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { jsonOf, plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house.ts';
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
