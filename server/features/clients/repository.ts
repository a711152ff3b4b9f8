import type { Client } from '@lean-mentor/contract';
import { differenceInYears, parseISO } from 'date-fns';
import { QueryTypes, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import { ContractError } from '../../house/contractError.ts';
import type { House } from '../../house/house.ts';
import { indexClient } from '../search/index.ts';
import type { ClientRow } from './model.ts';

async function clientsOf(house: House, rows: ClientRow[]): Promise<Client[]> {
  if (rows.length === 0) return [];
  const guardians = await house.db.sequelize.query<{ clientId: string; name: string }>(
    `SELECT ac.client_id AS clientId, a.name FROM account_clients ac JOIN accounts a ON a.id = ac.account_id
     WHERE a.role = 'guardian' AND ac.agreed_at IS NOT NULL AND a.paused_at IS NULL AND ac.client_id IN (:ids)`,
    { replacements: { ids: rows.map((r) => r.id) }, type: QueryTypes.SELECT },
  );
  const guardianOf = new Map(guardians.map((g) => [g.clientId, g.name]));
  return rows.map(({ bornOn, ...row }) => ({
    ...row,
    bornOn,
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

export async function insertClient(
  house: House,
  row: Omit<ClientRow, 'limits'> & Partial<Pick<ClientRow, 'limits'>>,
  transaction?: Transaction,
): Promise<void> {
  await house.db.clients.create({ limits: [], ...row }, transaction ? { transaction } : {});
  await indexClient(house, row, transaction);
}

/** Changes a client's own fields by what they are; what is said of a limit whose words are gone goes with them. */
export async function changeClientRow(
  house: House,
  id: string,
  changed: (before: ClientRow) => Partial<Omit<ClientRow, 'id'>>,
): Promise<void> {
  await house.db.sequelize.transaction(async (transaction) => {
    const row = plain(await house.db.clients.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE }));
    if (!row) throw new ContractError('not-found');
    const next = { ...row, ...changed(row) };
    next.limits = next.limits.filter(({ words }) => next.hurts.includes(words));
    await house.db.clients.update(next, { where: { id }, transaction });
    await indexClient(house, next, transaction);
  });
}

/** How many requests each client has, and how many of them wait for a critique. */
export async function countRequestsByClient({ db }: House): Promise<Map<string, { requests: number; waiting: number }>> {
  const rows = await db.sequelize.query<{ clientId: string; requests: number; waiting: number }>(
    `SELECT client_id AS clientId, CAST(COUNT(*) AS CHAR) AS requests,
       CAST(SUM(state IN ('uploading', 'waiting', 'need-first')) AS CHAR) AS waiting
     FROM requests WHERE state NOT IN ('draft', 'guardian') GROUP BY client_id`,
    { type: QueryTypes.SELECT },
  );
  return new Map(rows.map((r) => [r.clientId, { requests: Number(r.requests), waiting: Number(r.waiting) }]));
}
