import type { Account } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { findBelonging, isScoped, type Belonging } from './repository.ts';
import { coachesHere, maySeeClient } from './service.ts';

/**
 * The one rule of who may see what of a request: client and guardian all that is theirs; the coaching side what both have let go.
 * Every operation whose address names something is held against it (`requireInScope`), and so is what is listed.
 */
export const maySee = (account: Account, { clientId, requestState, released }: Omit<Belonging, 'requestId'>): boolean =>
  maySeeClient(account, clientId) && (!coachesHere(account) || (released && requestState !== 'draft' && requestState !== 'guardian'));

/**
 * Whose the things are that an address names. Throws where one of them is not there for this account: what is not theirs is as if it were
 * not there.
 */
export async function requireInScope(house: House, account: Account, named: Readonly<Record<string, unknown>>): Promise<Belonging[]> {
  const kinds = Object.keys(named).filter(isScoped);
  const owners = await Promise.all(kinds.map((kind) => findBelonging(house, kind, String(named[kind]))));
  return owners.map((owner) => {
    if (!owner || !maySee(account, owner)) throw new ContractError('not-found');
    return owner;
  });
}
