import type { Account, Person, RequestState } from '@lean-mentor/contract';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import { plain, plainAll } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import type { AccountRow } from './model.ts';

/** An account with the clients it stands for (itself for a client, the minors for a guardian); null while it is paused. */
export async function findAccount({ db, config }: House, id: string): Promise<Account | null> {
  // Asked with every call, so in one plain query: a row a client, or one without a client.
  const rows = await db.sequelize.query<
    Pick<AccountRow, 'name' | 'role'> & { demo: number; clientId: string | null; clientName: string; agreedAt: Date | null }
  >(
    `SELECT a.name, a.role, a.demo, c.id AS clientId, c.name AS clientName, ac.agreed_at AS agreedAt FROM accounts a
     LEFT JOIN account_clients ac ON ac.account_id = a.id LEFT JOIN clients c ON c.id = ac.client_id WHERE a.id = :id AND a.paused_at IS NULL ORDER BY c.name`,
    { replacements: { id }, type: QueryTypes.SELECT },
  );
  const [row] = rows;
  // Those of the demo are nobody where there is to be no demo, also where it was loaded before.
  if (!row || (row.demo && !config.demo)) return null;
  const clients = rows.flatMap(({ clientId, clientName, agreedAt }) =>
    clientId ? [{ id: clientId, name: clientName, agreed: row.role !== 'guardian' || agreedAt !== null }] : [],
  );
  return { id, name: row.name, role: row.role, clients };
}

export const findAccountByEmail = async ({ db }: House, email: string): Promise<AccountRow | null> =>
  plain(await db.accounts.findOne({ where: { email: email.toLowerCase() } }));

/** Everyone who is told about a client: the client's own account and guardians. */
export async function findAccountsOfClient({ db }: House, clientId: string): Promise<AccountRow[]> {
  const links = plainAll(await db.accountClients.findAll({ where: { clientId } }));
  return plainAll(await db.accounts.findAll({ where: { id: links.map((l) => l.accountId) }, order: [['role', 'ASC']] }));
}

/** Makes a sign-in. Who is made a guardian has come in by a page that says what they agree to. */
export async function insertAccount(
  { db, now }: House,
  row: AccountRow,
  clientIds: readonly string[],
  transaction?: Transaction,
): Promise<void> {
  const within = transaction ? { transaction } : {};
  const agreedAt = row.role === 'guardian' ? now() : null;
  await db.accounts.create(row, within);
  for (const clientId of clientIds) await db.accountClients.create({ accountId: row.id, clientId, agreedAt }, within);
}

export const findAccountRow = async ({ db }: House, id: string): Promise<AccountRow | null> => plain(await db.accounts.findByPk(id));

export async function changeAccount({ db }: House, id: string, fields: Partial<AccountRow>, transaction?: Transaction): Promise<void> {
  await db.accounts.update(fields, { where: { id }, ...(transaction && { transaction }) });
}

/** Notes that the code of a time step was used; false where it, or a later one, was already. */
export async function takeStep({ db }: House, id: string, step: number): Promise<boolean> {
  const [many] = await db.accounts.update({ secondStep: step }, { where: { id, secondStep: { [Op.lt]: step } } });
  return many === 1;
}

/** Takes a code away; false where there is no such one. */
export const takeRecoveryCode = async ({ db }: House, accountId: string, digest: string): Promise<boolean> =>
  (await db.recoveryCodes.destroy({ where: { accountId, digest } })) === 1;

export const countRecoveryCodes = ({ db }: House, accountId: string): Promise<number> => db.recoveryCodes.count({ where: { accountId } });

/** An account's codes from now on. */
export async function putRecoveryCodes({ db }: House, accountId: string, digests: readonly string[]): Promise<void> {
  await db.sequelize.transaction(async (transaction) => {
    await db.recoveryCodes.destroy({ where: { accountId }, transaction });
    await db.recoveryCodes.bulkCreate(
      digests.map((digest) => ({ accountId, digest })),
      { transaction },
    );
  });
}

export const findCoachAddresses = async ({ db }: House): Promise<string[]> =>
  plainAll(await db.accounts.findAll({ where: { role: 'coach' } })).map(({ email }) => email);

/** From now on an account stands for this client too; a guardian once they have agreed. */
export async function linkClient({ db }: House, accountId: string, clientId: string): Promise<void> {
  await db.accountClients.bulkCreate([{ accountId, clientId }], { ignoreDuplicates: true });
}

/** Notes that a guardian has agreed; one who has keeps the day they did. */
export async function putAgreement({ db, now }: House, accountId: string, clientId: string): Promise<void> {
  await db.accountClients.update({ agreedAt: now() }, { where: { accountId, clientId, agreedAt: null } });
}

/** Everybody who signs in here, with whom they stand for. */
export async function findPeople({ db, config }: House): Promise<{ row: AccountRow; clients: Person['clients'] }[]> {
  const rows = plainAll(await db.accounts.findAll({ ...(config.demo ? {} : { where: { demo: false } }), order: [['name', 'ASC']] }));
  const links = await db.sequelize.query<{ accountId: string; id: string; name: string; agreedAt: Date | null }>(
    `SELECT ac.account_id AS accountId, c.id, c.name, ac.agreed_at AS agreedAt FROM account_clients ac JOIN clients c ON c.id = ac.client_id
     ORDER BY c.name`,
    { type: QueryTypes.SELECT },
  );
  return rows.map((row) => ({
    row,
    clients: links
      .filter(({ accountId }) => accountId === row.id)
      .map(({ id, name, agreedAt }) => ({ id, name, agreedAt: agreedAt && new Date(agreedAt).toISOString() })),
  }));
}

/** The coaching side, who may sign in, by name: into whose hands work can be given. */
export const findHands = async ({ db, config }: House): Promise<{ id: string; name: string }[]> =>
  plainAll(
    await db.accounts.findAll({
      where: { role: ['coach', 'assistant'], pausedAt: null, ...(config.demo ? {} : { demo: false }) },
      attributes: ['id', 'name'],
      order: [['name', 'ASC']],
    }),
  );

export async function deleteAccount({ db }: House, id: string, transaction: Transaction): Promise<void> {
  await db.accounts.destroy({ where: { id }, transaction });
}

/** Guardians of clients who are of an age on a day (YYYY-MM-DD born on or before): whom they stand for no longer. */
export const findGuardiansOfGrown = ({ db }: House, bornBy: string): Promise<{ accountId: string; clientId: string }[]> =>
  db.sequelize.query<{ accountId: string; clientId: string }>(
    `SELECT ac.account_id AS accountId, ac.client_id AS clientId FROM account_clients ac JOIN accounts a ON a.id = ac.account_id
     JOIN clients c ON c.id = ac.client_id WHERE a.role = 'guardian' AND c.born_on <= :bornBy LIMIT 500`,
    { replacements: { bornBy }, type: QueryTypes.SELECT },
  );

export async function unlinkClient({ db }: House, accountId: string, clientId: string, transaction: Transaction): Promise<void> {
  await db.accountClients.destroy({ where: { accountId, clientId }, transaction });
}

/** Whose a thing is, and how far it has come on its way to the coach. */
export interface Belonging {
  clientId: string;
  /** Null, as its state is, for what belongs to a client and to no request. */
  requestId: string | null;
  requestState: RequestState | null;
  /** Of footage: whether client and guardian have let it go. */
  released: boolean;
}

const select = 'SELECT r.client_id AS clientId, r.id AS requestId, r.state AS requestState';
/** How each thing that an address may name leads to its request. */
const waysToRequest: Readonly<Record<string, string>> = {
  requestId: `${select}, TRUE AS released FROM requests r WHERE r.id = :id`,
  footageId: `${select}, f.released FROM footages f JOIN requests r ON r.id = f.request_id WHERE f.id = :id`,
  boutId: `${select}, f.released FROM bouts b JOIN footages f ON f.id = b.footage_id JOIN requests r ON r.id = f.request_id WHERE b.id = :id`,
  critiqueId: `${select}, TRUE AS released FROM critiques k JOIN requests r ON r.id = k.request_id WHERE k.id = :id`,
  questionId: `${select}, TRUE AS released FROM questions q JOIN critiques k ON k.id = q.critique_id JOIN requests r ON r.id = k.request_id WHERE q.id = :id`,
  membershipId: `SELECT m.client_id AS clientId, NULL AS requestId, NULL AS requestState, TRUE AS released FROM memberships m WHERE m.id = :id`,
  invoiceId: `SELECT i.client_id AS clientId, NULL AS requestId, NULL AS requestState, TRUE AS released FROM invoices i WHERE i.id = :id`,
  paymentId: `SELECT i.client_id AS clientId, NULL AS requestId, NULL AS requestState, TRUE AS released FROM payments p JOIN invoices i ON i.id = p.invoice_id WHERE p.id = :id`,
  clientId: `SELECT c.id AS clientId, NULL AS requestId, NULL AS requestState, TRUE AS released FROM clients c WHERE c.id = :id`,
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

/** The instants at which a try counts. Those of a time to come were counted before the clock was set back, and do not. */
export interface TriesWindow {
  from: Date;
  until: Date;
}

/** Counts a try at an instant for each of these subjects. Answers the ids of the new ones, and how many each subject has in the window. */
export async function addTries(
  { db }: House,
  subjects: readonly string[],
  at: Date,
  { from, until }: TriesWindow,
): Promise<{ id: number; count: number }[]> {
  const added = [];
  for (const subject of subjects) {
    const { id } = plain(await db.signInTries.create({ subject, triedAt: at }))!;
    added.push({ id: id!, count: await db.signInTries.count({ where: { subject, triedAt: { [Op.between]: [from, until] } } }) });
  }
  return added;
}

/**
 * Forgets the tries with these ids. By key, and in its order: people sign in at the same time, and two that remove by another index each
 * wait for rows of the other (a deadlock, which refused a sign-in whose password was right).
 */
export async function forgetTries({ db }: House, ids: readonly number[]): Promise<void> {
  if (ids.length > 0) await db.signInTries.destroy({ where: { id: [...ids].sort((a, b) => a - b) } });
}

/** The ids of all tries of a subject. */
export const findTries = async ({ db }: House, subject: string): Promise<number[]> =>
  plainAll(await db.signInTries.findAll({ where: { subject }, attributes: ['id'] })).map(({ id }) => id!);

/** The ids of tries outside the window, which no longer count. */
export const findOldTries = async ({ db }: House, { from, until }: TriesWindow): Promise<number[]> =>
  plainAll(
    await db.signInTries.findAll({
      where: { triedAt: { [Op.or]: [{ [Op.lt]: from }, { [Op.gt]: until }] } },
      attributes: ['id'],
      limit: 10_000,
    }),
  ).map(({ id }) => id!);
