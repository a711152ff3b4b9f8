import type { Request } from '@lean-mentor/contract';
import { QueryTypes, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house.ts';
import { findClients } from '../clients/index.ts';
import { findFootagesOfRequests } from '../footage/index.ts';
import type { RequestRow } from './model.ts';

const mostListed = 500;

/** Rows with their client's name, footage and sent critique. */
async function requestsOf(house: House, rows: RequestRow[]): Promise<Request[]> {
  if (rows.length === 0) return [];
  const ids = rows.map((r) => r.id);
  const [clients, footages, critiques] = await Promise.all([
    findClients(house, [...new Set(rows.map((r) => r.clientId))]),
    findFootagesOfRequests(house, ids),
    house.db.sequelize.query<{ id: string; requestId: string }>(
      'SELECT id, request_id AS requestId FROM critiques WHERE sent_at IS NOT NULL AND request_id IN (:ids)',
      { replacements: { ids }, type: QueryTypes.SELECT },
    ),
  ]);
  const nameOf = new Map(clients.map((c) => [c.id, c.name]));
  const critiqueOf = new Map(critiques.map((c) => [c.requestId, c.id]));
  return rows.flatMap((row) => {
    const footage = footages.get(row.id);
    return footage
      ? [
          {
            ...row,
            sentAt: row.sentAt.toISOString(),
            dueAt: row.dueAt.toISOString(),
            clientName: nameOf.get(row.clientId) ?? '',
            footage,
            critiqueId: critiqueOf.get(row.id) ?? null,
          },
        ]
      : [];
  });
}

export async function findRequest(house: House, id: string): Promise<Request | null> {
  const row = plain(await house.db.requests.findByPk(id));
  return row ? ((await requestsOf(house, [row]))[0] ?? null) : null;
}

/** Newest first; all clients' when `clientIds` is null. */
export async function listRequestsOfClients(house: House, clientIds: string[] | null): Promise<Request[]> {
  const rows = await house.db.requests.findAll({
    ...(clientIds && { where: { clientId: clientIds } }),
    order: [['sentAt', 'DESC']],
    limit: mostListed,
  });
  return requestsOf(house, plainAll(rows));
}

/** Requests whose critique has not been sent, due first. */
export const listOpenRequests = async (house: House): Promise<Request[]> =>
  requestsOf(
    house,
    plainAll(await house.db.requests.findAll({ where: { state: ['uploading', 'waiting'] }, order: [['dueAt', 'ASC']], limit: mostListed })),
  );

export async function insertRequest({ db }: House, row: RequestRow, transaction?: Transaction): Promise<void> {
  await db.requests.create(row, { ...(transaction && { transaction }) });
}

export async function changeRequest({ db }: House, id: string, fields: Partial<RequestRow>, transaction?: Transaction): Promise<void> {
  await db.requests.update(fields, { where: { id }, ...(transaction && { transaction }) });
}

/** How many requests each client has, and how many of them wait for a critique. */
export async function countRequestsByClient({ db }: House): Promise<Map<string, { requests: number; waiting: number }>> {
  const rows = await db.sequelize.query<{ clientId: string; requests: number; waiting: number }>(
    `SELECT client_id AS clientId, CAST(COUNT(*) AS CHAR) AS requests, CAST(SUM(state <> 'sent') AS CHAR) AS waiting FROM requests GROUP BY client_id`,
    { type: QueryTypes.SELECT },
  );
  return new Map(rows.map((r) => [r.clientId, { requests: Number(r.requests), waiting: Number(r.waiting) }]));
}

/** Takes the row lock under which what belongs to one request is changed one after another. False when there is no such request. */
export async function lockRequest({ db }: House, id: string, transaction: Transaction): Promise<boolean> {
  return (await db.requests.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE })) !== null;
}
