import type { Account } from '@lean-mentor/contract';
import { QueryTypes } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house.ts';
import type { AccountRow } from './model.ts';

/** An account with the clients it stands for (itself for a client, the minors for a guardian). */
export async function findAccount({ db, config }: House, id: string): Promise<Account | null> {
  const row = plain(await db.accounts.findByPk(id));
  // Those of the demo are nobody where there is to be no demo, also where it was loaded before.
  if (!row || (row.demo && !config.demo)) return null;
  const clients = await db.sequelize.query<{ id: string; name: string }>(
    'SELECT c.id, c.name FROM account_clients ac JOIN clients c ON c.id = ac.client_id WHERE ac.account_id = :id ORDER BY c.name',
    { replacements: { id }, type: QueryTypes.SELECT },
  );
  return { id: row.id, name: row.name, role: row.role, clients };
}

export const findAccountByEmail = async ({ db }: House, email: string): Promise<AccountRow | null> =>
  plain(await db.accounts.findOne({ where: { email: email.toLowerCase() } }));

/** Everyone who is told about a client: the client's own account and guardians. */
export async function findAccountsOfClient({ db }: House, clientId: string): Promise<AccountRow[]> {
  const links = plainAll(await db.accountClients.findAll({ where: { clientId } }));
  return plainAll(await db.accounts.findAll({ where: { id: links.map((l) => l.accountId) }, order: [['role', 'ASC']] }));
}

export async function insertAccount({ db }: House, row: AccountRow, clientIds: readonly string[]): Promise<void> {
  await db.accounts.create(row);
  for (const clientId of clientIds) await db.accountClients.create({ accountId: row.id, clientId });
}
