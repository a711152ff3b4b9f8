import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, Request, Saying } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { coachesHere } from '../access/index.ts';
import { limitsLeftBy } from '../clients/index.ts';
import { findFootageRows } from '../footage/index.ts';
import { postLetters } from '../letters/index.ts';
import { reachCoach } from './arrival.ts';
import { passOn } from './guardianFirst.ts';
import { lockedRequest } from './lockedRequest.ts';
import type { RequestRow } from './model.ts';
import { consentLetter, needFirstLetter } from './requestLetters.ts';
import { forgetPartner, removeShown } from './removal.ts';
import { changeRequest, findRequest, findWaitingForGuardian, lockRequest, movePlacesUp } from './repository.ts';

/** The exchange with one more saying. */
const said = (house: House, row: RequestRow, account: Account, kind: Saying['kind'], words: string): Saying[] => [
  ...row.exchange,
  { at: house.now().toISOString(), byName: account.name, byRole: account.role, kind, words },
];

export async function getRequest(house: House, account: Account, requestId: string): Promise<Request> {
  const request = await findRequest(house, requestId, coachesHere(account) ? 'coaching' : 'client');
  if (!request) throw new ContractError('not-found');
  return request;
}

/** A guardian's yes: it goes on to the coach. */
export async function approveRequest(house: House, account: Account, requestId: string): Promise<Request> {
  await lockedRequest(house, account, requestId, ['guardian'], (row, transaction) => {
    if (!account.clients.some(({ id, agreed }) => id === row.clientId && agreed)) throw new ContractError('not-agreed');
    return reachCoach(house, row, transaction);
  });
  return getRequest(house, account, requestId);
}

/** Lets everything of a client go on that waited for a guardian's yes: they have come of age. */
export async function letGoOn(house: House, clientId: string): Promise<void> {
  for (const id of await findWaitingForGuardian(house, clientId))
    await house.db.sequelize.transaction(async (transaction) => {
      const row = await lockRequest(house, id, transaction);
      if (row?.state === 'guardian') await reachCoach(house, row, transaction);
    });
}

/** A guardian's no: it is a draft again, or waits for an answer again, with the guardian's words on it. */
export async function sendBackRequest(house: House, account: Account, requestId: string, words: string): Promise<{ done: true }> {
  await lockedRequest(house, account, requestId, ['guardian'], async (row, transaction) => {
    // What had reached the coach before is the coach's to go on with: it waits for an answer again.
    const reached = (await findFootageRows(house, requestId, transaction)).some(({ released }) => released);
    const exchange = said(house, row, account, 'sent-back', words);
    await changeRequest(house, requestId, { state: reached ? 'need-first' : 'draft', exchange }, transaction);
  });
  return { done: true };
}

/** The coach needs something first: the clock stands, and the client is told. */
export async function askFirst(
  house: House,
  account: Account,
  requestId: string,
  { need, words }: BodyOf<typeof contract.askFirst>,
): Promise<Request> {
  await lockedRequest(house, account, requestId, ['waiting', 'uploading'], async (row, transaction) => {
    const kind = need === 'footage' ? 'need-footage' : 'need-context';
    await changeRequest(
      house,
      requestId,
      // One that is still on its way has no promise yet, so no clock to stop.
      {
        state: 'need-first',
        stoppedAt: row.stoppedAt ?? (row.state === 'waiting' ? house.now() : null),
        exchange: said(house, row, account, kind, words),
      },
      transaction,
    );
    await postLetters(house, row.clientId, (person) => needFirstLetter(person, account.name, need, words), transaction);
  });
  return getRequest(house, account, requestId);
}

/** The client's answer: the clock goes on, once all footage is there and, of a minor, the guardian has said yes. */
export async function answerFirst(house: House, account: Account, requestId: string, words: string): Promise<Request> {
  await lockedRequest(house, account, requestId, ['need-first'], async (row, transaction) => {
    await changeRequest(house, requestId, { exchange: said(house, row, account, 'answer', words) }, transaction);
    await passOn(house, account, { ...row, exchange: said(house, row, account, 'answer', words) }, transaction);
  });
  return getRequest(house, account, requestId);
}

/**
 * A request's critique has been sent. It leaves the order: those that were put at a place by hand move up by one, or they would be put off
 * again with each that is done before them.
 */
export async function requestAnswered(house: House, requestId: string, transaction: Transaction): Promise<void> {
  await changeRequest(house, requestId, { state: 'sent', place: null }, transaction);
  await movePlacesUp(house, transaction);
}

/** Puts a waiting request at a place of the coach's order by hand, or gives it back to the policy. */
export const placeRequest = (house: House, account: Account, requestId: string, place: number | null): Promise<void> =>
  lockedRequest(house, account, requestId, ['waiting'], (_, transaction) => changeRequest(house, requestId, { place }, transaction));

/** Keeps what was agreed of what hurts the client that day, and of what hurts the partner. */
export async function keepRequestLimits(
  house: House,
  account: Account,
  requestId: string,
  { own, partner }: BodyOf<typeof contract.keepRequestLimits>,
): Promise<Request> {
  const states = ['guardian', 'uploading', 'waiting', 'need-first', 'sent'] as const;
  await lockedRequest(house, account, requestId, states, (row, transaction) => {
    const limits = {
      own: limitsLeftBy(account.role, own, row.limits.own),
      partner: limitsLeftBy(account.role, partner, row.limits.partner),
    };
    return changeRequest(house, requestId, { limits }, transaction);
  });
  return getRequest(house, account, requestId);
}

async function removeAllFootage(house: House, request: RequestRow, transaction: Transaction): Promise<void> {
  const footages = await findFootageRows(house, request.id, transaction);
  for (const footage of footages) if (footage.state !== 'removed') await removeShown(house, request, footage, transaction);
}

/** The client takes a request back before it has been answered; its footage goes with it. */
export async function withdrawRequest(house: House, account: Account, requestId: string): Promise<Request> {
  await lockedRequest(house, account, requestId, ['guardian', 'uploading', 'waiting', 'need-first'], async (row, transaction) => {
    await removeAllFootage(house, row, transaction);
    await changeRequest(house, requestId, { state: 'withdrawn', stoppedAt: null }, transaction);
  });
  return getRequest(house, account, requestId);
}

/**
 * The partner no longer agrees to be on film: footage, copies and stills go for good, and what tells who the partner was: their
 * description, where they stood in the picture, the names of the files, what was spoken over it. What was written stays; a request that was
 * not answered yet is withdrawn, since there is nothing left to look at.
 */
export async function withdrawConsent(house: House, account: Account, requestId: string): Promise<Request> {
  const states = ['guardian', 'uploading', 'waiting', 'need-first', 'sent', 'withdrawn'] as const;
  await lockedRequest(house, account, requestId, states, async (row, transaction) => {
    if (row.consentWithdrawnAt) return;
    await removeAllFootage(house, row, transaction);
    await forgetPartner(house, row, transaction);
    const state = row.state === 'sent' ? 'sent' : 'withdrawn';
    await changeRequest(house, requestId, { state, stoppedAt: null, consentWithdrawnAt: house.now() }, transaction);
    await postLetters(house, row.clientId, (person) => consentLetter(person, account.name), transaction);
  });
  return getRequest(house, account, requestId);
}
