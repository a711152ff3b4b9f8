import type { Account, RequestState } from '@lean-mentor/contract';
import { Op, QueryTypes } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { AccountRow } from './model.ts';

/** An account with the clients it stands for (itself for a client, the minors for a guardian). */
export async function findAccount({ db, config }: House, id: string): Promise<Account | null> {
  // Asked with every call, so in one plain query: a row a client, or one without a client.
  const rows = await db.sequelize.query<Pick<AccountRow, 'name' | 'role'> & { demo: number; clientId: string | null; clientName: string }>(
    `SELECT a.name, a.role, a.demo, c.id AS clientId, c.name AS clientName FROM accounts a
     LEFT JOIN account_clients ac ON ac.account_id = a.id LEFT JOIN clients c ON c.id = ac.client_id WHERE a.id = :id ORDER BY c.name`,
    { replacements: { id }, type: QueryTypes.SELECT },
  );
  const [row] = rows;
  // Those of the demo are nobody where there is to be no demo, also where it was loaded before.
  if (!row || (row.demo && !config.demo)) return null;
  const clients = rows.flatMap(({ clientId, clientName }) => (clientId ? [{ id: clientId, name: clientName }] : []));
  return { id, name: row.name, role: row.role, clients };
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

/** Whose a thing is, and how far it has come on its way to the coach. */
export interface Belonging {
  clientId: string;
  /** Null for what belongs to a client and to no request. */
  requestState: RequestState | null;
  /** Of footage: whether client and guardian have let it go. */
  released: boolean;
}

const select = 'SELECT r.client_id AS clientId, r.state AS requestState';
/** How each thing that an address may name leads to its request. */
const waysToRequest: Readonly<Record<string, string>> = {
  requestId: `${select}, TRUE AS released FROM requests r WHERE r.id = :id`,
  footageId: `${select}, f.released FROM footages f JOIN requests r ON r.id = f.request_id WHERE f.id = :id`,
  boutId: `${select}, f.released FROM bouts b JOIN footages f ON f.id = b.footage_id JOIN requests r ON r.id = f.request_id WHERE b.id = :id`,
  critiqueId: `${select}, TRUE AS released FROM critiques k JOIN requests r ON r.id = k.request_id WHERE k.id = :id`,
  questionId: `${select}, TRUE AS released FROM questions q JOIN critiques k ON k.id = q.critique_id JOIN requests r ON r.id = k.request_id WHERE q.id = :id`,
  clientId: `SELECT c.id AS clientId, NULL AS requestState, TRUE AS released FROM clients c WHERE c.id = :id`,
};

/** Whose the thing is that an address names as `kind`; null when there is none. */
export async function findBelonging({ db }: House, kind: string, id: string): Promise<Belonging | null> {
  const [row] = await db.sequelize.query<Omit<Belonging, 'released'> & { released: number | boolean }>(waysToRequest[kind]!, {
    replacements: { id },
    type: QueryTypes.SELECT,
  });
  return row ? { ...row, released: Boolean(row.released) } : null;
}

/** Whether what an address names by this name belongs to somebody. */
export const isScoped = (name: string): boolean => name in waysToRequest;

/** Counts a try for each of these subjects, at an instant; those before another instant are forgotten. Answers how many each has now. */
export async function addTries({ db }: House, subjects: readonly string[], at: Date, forgetBefore: Date): Promise<number[]> {
  // Tries of a time to come were counted before the clock was set back.
  await db.signInTries.destroy({
    where: { triedAt: { [Op.or]: [{ [Op.lt]: forgetBefore }, { [Op.gt]: new Date(at.getTime() + 60_000) }] } },
  });
  for (const subject of subjects) await db.signInTries.create({ subject, triedAt: at });
  return Promise.all(subjects.map((subject) => db.signInTries.count({ where: { subject } })));
}

/** Forgets the tries of a subject: all, or the one of an instant. */
export async function forgetTries({ db }: House, subject: string, triedAt?: Date): Promise<void> {
  await db.signInTries.destroy({ where: { subject, ...(triedAt && { triedAt }) } });
}
