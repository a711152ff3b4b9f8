import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, ResponseOf } from '@lean-mentor/contract';
import type { DeskChange } from '@lean-mentor/core/desk';
import type { House } from '../../house.ts';
import { ContractError } from '../../http/contractError.ts';
import { findClient } from '../clients/index.ts';
import { findFootageRows } from '../footage/index.ts';
import { findRequest, lockRequest } from '../requests/index.ts';
import { belongsElsewhere, findDeskDocument, recordChange, storeChange } from './repository.ts';

export async function openDesk(house: House, requestId: string): Promise<ResponseOf<typeof contract.openDesk>> {
  const request = await findRequest(house, requestId);
  if (!request || request.state === 'guardian') throw new ContractError('not-found');
  const [client, document] = await Promise.all([findClient(house, request.clientId), findDeskDocument(house, requestId)]);
  const { id, name, level, age, hurts } = client!;
  return { request, client: { id, name, level, age, hurts }, document };
}

/** Takes changes in their order, each once, all or none. Answers the ids that are now saved, also those saved before. */
export async function saveDeskChanges(
  house: House,
  account: Account,
  requestId: string,
  { changes }: BodyOf<typeof contract.saveDeskChanges>,
): Promise<ResponseOf<typeof contract.saveDeskChanges>> {
  await house.db.sequelize.transaction(async (transaction) => {
    if (!(await lockRequest(house, requestId, transaction))) throw new ContractError('not-found');
    const footageIds = new Set((await findFootageRows(house, requestId, transaction)).map((footage) => footage.id));
    for (const change of changes as DeskChange[]) {
      if (!(await recordChange(house, requestId, account.id, change, transaction))) continue;
      if (await belongsElsewhere(house, requestId, change, transaction))
        throw new ContractError('not-valid', { message: `${change.entity} ${change.id} belongs to another request.` });
      if (change.after?.footageId && !footageIds.has(change.after.footageId))
        throw new ContractError('not-valid', { message: `${change.entity} ${change.id} names footage that is not of this request.` });
      await storeChange(house, requestId, change, transaction);
    }
  });
  return { saved: changes.map((c) => c.changeId) };
}
