import type { Client } from '@lean-mentor/contract';
import { differenceInYears, parseISO } from 'date-fns';
import { QueryTypes } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house.ts';
import type { ClientRow } from './model.ts';

async function clientsOf(house: House, rows: ClientRow[]): Promise<Client[]> {
  if (rows.length === 0) return [];
  const guardians = await house.db.sequelize.query<{ clientId: string; name: string }>(
    `SELECT ac.client_id AS clientId, a.name FROM account_clients ac JOIN accounts a ON a.id = ac.account_id
     WHERE a.role = 'guardian' AND ac.client_id IN (:ids)`,
    { replacements: { ids: rows.map((r) => r.id) }, type: QueryTypes.SELECT },
  );
  const guardianOf = new Map(guardians.map((g) => [g.clientId, g.name]));
  return rows.map(({ bornOn, ...row }) => ({
    ...row,
    age: bornOn ? differenceInYears(house.now(), parseISO(bornOn)) : null,
    guardianName: guardianOf.get(row.id) ?? null,
  }));
}

export async function findClient(house: House, id: string): Promise<Client | null> {
  const row = plain(await house.db.clients.findByPk(id));
  return row ? (await clientsOf(house, [row]))[0]! : null;
}

export const findClients = async (house: House, ids?: string[]): Promise<Client[]> =>
  clientsOf(house, plainAll(await house.db.clients.findAll({ ...(ids && { where: { id: ids } }), order: [['name', 'ASC']] })));

export async function insertClient({ db }: House, row: ClientRow): Promise<void> {
  await db.clients.create(row);
}

/** When each thread of a client was closed, by principle. */
export async function findClosedThreads({ db }: House, clientId: string): Promise<Map<string, Date>> {
  const rows = plainAll(await db.closedThreads.findAll({ where: { clientId } }));
  return new Map(rows.map(({ principleId, closedAt }) => [principleId, closedAt]));
}

/** Closes a thread, once, or opens it again. */
export async function setThreadClosed({ db, now }: House, clientId: string, principleId: string, closed: boolean): Promise<void> {
  if (closed) await db.closedThreads.bulkCreate([{ clientId, principleId, closedAt: now() }], { ignoreDuplicates: true });
  else await db.closedThreads.destroy({ where: { clientId, principleId } });
}
