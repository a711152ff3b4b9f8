import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, Request } from '@lean-mentor/contract';
import { addBusinessDays } from 'date-fns';
import type { House } from '../../house.ts';
import { ContractError } from '../../http/contractError.ts';
import { maySeeClient } from '../access/index.ts';
import { insertFootage, newFootage } from '../footage/index.ts';
import { findRequest, insertRequest } from './repository.ts';

/** Working days within which a critique is promised, until plans exist. */
const promisedWorkingDays = 3;

/** Keeps what the client says and opens a place for the footage's bytes. */
export async function createRequest(house: House, account: Account, said: BodyOf<typeof contract.createRequest>): Promise<Request> {
  if (!maySeeClient(account, said.clientId)) throw new ContractError('not-found');
  const { fileName, byteSize, ...intake } = said;
  const now = house.now();
  const id = house.newId();
  await house.db.sequelize.transaction(async (transaction) => {
    await insertRequest(
      house,
      { ...intake, id, state: 'uploading', sentAt: now, dueAt: addBusinessDays(now, promisedWorkingDays) },
      transaction,
    );
    await insertFootage(house, newFootage({ id: house.newId(), requestId: id, fileName, byteSize, changedAt: now }), transaction);
  });
  return (await findRequest(house, id))!;
}
