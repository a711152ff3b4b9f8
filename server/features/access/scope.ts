import type { Account, RequestState } from '@lean-mentor/contract';
import { QueryTypes } from 'sequelize';
import type { House } from '../../house.ts';
import { ContractError } from '../../http/contractError.ts';
import { coachesHere, maySeeClient } from './service.ts';

/** Whose a thing is, and how far it has come on its way to the coach. */
export interface Belonging {
  clientId: string;
  /** Null for what belongs to a client and to no request. */
  requestState: RequestState | null;
  /** Of footage: whether client and guardian have let it go. */
  released: boolean;
}

/**
 * The one rule of who may see what of a request: client and guardian all that is theirs; the coaching side what both have let go.
 * Every operation whose address names something is held against it (`requireInScope`), and so is what is listed.
 */
export const maySee = (account: Account, { clientId, requestState, released }: Belonging): boolean =>
  maySeeClient(account, clientId) && (!coachesHere(account) || (released && requestState !== 'draft' && requestState !== 'guardian'));

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

/** Throws where anything that an address names is not there for this account. What is not theirs is as if it were not there. */
export async function requireInScope(house: House, account: Account, named: Readonly<Record<string, unknown>>): Promise<void> {
  const kinds = Object.keys(named).filter((name) => waysToRequest[name]);
  const owners = await Promise.all(kinds.map((kind) => findBelonging(house, kind, String(named[kind]))));
  if (owners.some((owner) => !owner || !maySee(account, owner))) throw new ContractError('not-found');
}
