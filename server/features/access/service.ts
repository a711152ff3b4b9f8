import type { Account, RequestState } from '@lean-mentor/contract';
import { hash, verify } from '@node-rs/argon2';
import type { House } from '../../house.ts';
import { ContractError } from '../../http/contractError.ts';
import { findAccount, findAccountByEmail } from './repository.ts';

/** Argon2id with the library's defaults (19 MiB, 2 passes: OWASP's first choice). */
export const hashPassword = (password: string): Promise<string> => hash(password);

let decoy: Promise<string> | null = null;

/** The account that address and password belong to. An unknown address costs as much time as a wrong password. */
export async function signIn(house: House, email: string, password: string): Promise<Account> {
  const row = await findAccountByEmail(house, email);
  decoy ??= hashPassword('no account has this one');
  const right = await verify(row?.passwordHash ?? (await decoy), password);
  const account = row && right ? await findAccount(house, row.id) : null;
  if (!account) throw new ContractError('wrong-sign-in');
  return account;
}

/** Whether an account may see a client's things: the coaching side all, others their own. */
export const maySeeClient = (account: Account, clientId: string): boolean =>
  account.role === 'coach' || account.role === 'assistant' || account.clients.some((client) => client.id === clientId);

/** Whether an account may see a request and its footage: the coaching side only once client and guardian have let it go. */
export const maySeeRequest = (account: Account, clientId: string, state: RequestState): boolean =>
  maySeeClient(account, clientId) && (visibleClients(account) !== null || !['draft', 'guardian'].includes(state));

/** The clients whose things an account sees; null for all. */
export const visibleClients = (account: Account): string[] | null =>
  account.role === 'coach' || account.role === 'assistant' ? null : account.clients.map((client) => client.id);
