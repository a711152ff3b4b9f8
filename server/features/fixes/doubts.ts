import type * as contract from '@lean-mentor/contract';
import type { OwnRuleSheet, PositionWorth, ResponseOf } from '@lean-mentor/contract';
import type { House } from '../../house/house.ts';
import { findClient } from '../clients/index.ts';
import { findDeskDocument } from '../desk/index.ts';
import { findRequest } from '../requests/index.ts';
import { findPositionWorth, findRuleSheets } from '../scoring/index.ts';
import { findCodedWaiting } from './repository.ts';
import { readyOf, scoredBoutsOf, tablesOf } from './scoredBouts.ts';

type Doubts = ResponseOf<typeof contract.listDoubts>['doubts'];

/** Requests that are looked through: who codes more at once answers these first. */
const mostLooked = 30;

async function doubtsOf(house: House, requestId: string, own: readonly OwnRuleSheet[], worth: PositionWorth): Promise<Doubts> {
  const [request, document] = await Promise.all([findRequest(house, requestId), findDeskDocument(house, requestId)]);
  if (!request) return [];
  const [client, tables] = await Promise.all([findClient(house, request.clientId), tablesOf(house, readyOf(request))]);
  return scoredBoutsOf({ request, client, document, tables, own, worth }).flatMap(({ footage, bout, harm }) =>
    (harm?.score.doubts ?? []).map(({ at, words }) => ({
      ...{ requestId, clientName: request.clientName, footageId: footage.id, fromFrame: bout.fromFrame, at, words },
    })),
  );
}

/** What the score of requests that wait leaves to be answered, of those that are promised the earliest first. */
export async function listDoubts(house: House): Promise<{ doubts: Doubts }> {
  const [ids, own, worth] = await Promise.all([findCodedWaiting(house, mostLooked), findRuleSheets(house), findPositionWorth(house)]);
  const doubts: Doubts = [];
  // One after another: nobody waits for it, and what is looked at meanwhile is answered first.
  for (const id of ids) doubts.push(...(await doubtsOf(house, id, own, worth)));
  return { doubts };
}
