import type { Account, RequestState } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { maySee } from '../access/index.ts';
import type { RequestRow } from './model.ts';
import { lockRequest } from './repository.ts';

/**
 * Does something to a request under its row lock, in one transaction: one that the account may see and that is in one of the
 * given states.
 */
export const lockedRequest = <T>(
  house: House,
  account: Account,
  requestId: string,
  states: readonly RequestState[],
  change: (row: RequestRow, transaction: Transaction) => Promise<T>,
): Promise<T> =>
  house.db.sequelize.transaction(async (transaction) => {
    const row = await lockRequest(house, requestId, transaction);
    if (!row || !maySee(account, { clientId: row.clientId, requestState: row.state, released: true })) throw new ContractError('not-found');
    if (!states.includes(row.state)) throw new ContractError(states[0] === 'draft' ? 'not-a-draft' : 'not-now');
    return change(row, transaction);
  });
