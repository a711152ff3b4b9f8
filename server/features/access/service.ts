import type { Account } from '@lean-mentor/contract';
import { hash, verify } from '@node-rs/argon2';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import type { AccountRow } from './model.ts';
import { requireSecond } from './secondFactor.ts';
import { countTry, type Trying } from './signInLimits.ts';
import { findAccount, findAccountByEmail } from './repository.ts';

/** Argon2id with the library's defaults (19 MiB, 2 passes: OWASP's first choice). */
export const hashPassword = (password: string): Promise<string> => hash(password);

let decoy: Promise<string> | null = null;

/** The account that address and password belong to. An unknown address costs as much time as a wrong password. */
export async function signIn(
  house: House,
  { email, password, code }: { email: string; password: string; code?: string | undefined },
  from: Pick<Trying, 'address' | 'cookie'>,
): Promise<Account> {
  const row = await findAccountByEmail(house, email);
  const wasRight = await countTry(house, { email, accountId: row?.id ?? null, ...from });
  decoy ??= hashPassword('no account has this one');
  const right = await verify(row?.passwordHash ?? (await decoy), password);
  if (row && right && row.pausedAt) throw new ContractError('paused');
  const account = row && right ? await findAccount(house, row.id) : null;
  if (!row || !account) throw new ContractError('wrong-sign-in');
  // Before the tries are forgotten: who has the password guesses at codes as slowly as at passwords.
  await requireSecond(house, row, code);
  await wasRight();
  return account;
}

/** Whether this is an account's password; tries count as at the door. */
export async function isPassword(
  house: House,
  { id, email, passwordHash }: Pick<AccountRow, 'id' | 'email' | 'passwordHash'>,
  password: string,
  from: Pick<Trying, 'address' | 'cookie'>,
): Promise<boolean> {
  const wasRight = await countTry(house, { email, accountId: id, ...from });
  const right = await verify(passwordHash, password);
  if (right) await wasRight();
  return right;
}

/** Whether an account is of the coaching side: coach or assistant. */
export const coachesHere = ({ role }: Pick<Account, 'role'>): boolean => role === 'coach' || role === 'assistant';

/** Whether an account may see a client's things: the coaching side all, others their own. */
export const maySeeClient = (account: Account, clientId: string): boolean =>
  coachesHere(account) || account.clients.some((client) => client.id === clientId);

/** The clients whose things an account sees; null for all. */
export const visibleClients = (account: Account): string[] | null =>
  coachesHere(account) ? null : account.clients.map((client) => client.id);
