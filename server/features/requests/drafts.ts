import type * as contract from '@lean-mentor/contract';
import { intake, type Account, type BodyOf, type Draft, type Footage, type IntakeDraft, type Request } from '@lean-mentor/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { maySeeClient } from '../access/index.ts';
import { findClient } from '../clients/index.ts';
import {
  deleteFootage,
  findFootageRows,
  footageOf,
  insertFootage,
  newFootage,
  removeFootageBytes,
  requireRoomFor,
} from '../footage/index.ts';
import { lockCurrentPlan } from '../practice/index.ts';
import { passOn } from './guardianFirst.ts';
import { removeShown } from './removal.ts';
import { lockedRequest } from './lockedRequest.ts';
import type { RequestRow } from './model.ts';
import { newRequest } from './newRequest.ts';
import { changeRequest, deleteRequest, findDraft, findRequest, insertRequest, lockRequest } from './repository.ts';
import { isUnreadable } from './unreadableSaying.ts';

/** One request holds at most this many files: a long day of matches from two cameras. */
const mostFootages = 24;

export async function beginDraft(house: House, account: Account, clientId: string): Promise<Draft> {
  if (!maySeeClient(account, clientId)) throw new ContractError('not-found');
  const id = house.newId();
  const now = house.now();
  await insertRequest(house, newRequest({ id, clientId, state: 'draft', step: 'footage', intake: {}, sentAt: now, dueAt: now }));
  return (await findDraft(house, id))!;
}

/** Keeps what is said; keys that are not named stay as they were, so that two devices do not undo one another. */
export async function saveDraft(
  house: House,
  account: Account,
  requestId: string,
  { step, intake }: BodyOf<typeof contract.saveDraft>,
): Promise<Draft> {
  await lockedRequest(house, account, requestId, ['draft'], (row, transaction) =>
    changeRequest(house, requestId, { step, intake: { ...row.intake, ...intake } }, transaction),
  );
  return (await findDraft(house, requestId))!;
}

async function throwAway(house: House, requestId: string, transaction: Transaction): Promise<void> {
  for (const footage of await findFootageRows(house, requestId, transaction)) await removeFootageBytes(house, footage, [], transaction);
  await deleteRequest(house, requestId, transaction);
}

/** Throws a draft away; the bytes of its footage are removed. */
export async function discardDraft(house: House, account: Account, requestId: string): Promise<{ done: true }> {
  await lockedRequest(house, account, requestId, ['draft'], (_, transaction) => throwAway(house, requestId, transaction));
  return { done: true };
}

/** Throws a draft away that was left lying; one that was sent meanwhile stays. */
export async function discardOldDraft(house: House, requestId: string): Promise<void> {
  await house.db.sequelize.transaction(async (transaction) => {
    const row = await lockRequest(house, requestId, transaction);
    if (row?.state === 'draft') await throwAway(house, requestId, transaction);
  });
}

/** Opens a place for a file's bytes. */
export async function addFootage(
  house: House,
  account: Account,
  requestId: string,
  { fileName, byteSize }: BodyOf<typeof contract.addFootage>,
): Promise<Footage> {
  return lockedRequest(house, account, requestId, ['draft', 'need-first'], async ({ clientId }, transaction) => {
    const present = await findFootageRows(house, requestId, transaction);
    if (present.length >= mostFootages)
      throw new ContractError('not-valid', { message: `One request takes ${mostFootages} videos. Send the rest as another one.` });
    await requireRoomFor(house, { requestId, clientId, byteSize }, transaction);
    const position = Math.max(0, ...present.map((f) => f.position)) + 1;
    const row = newFootage({ id: house.newId(), requestId, position, fileName, byteSize, changedAt: house.now() });
    await insertFootage(house, row, transaction);
    return footageOf(row, []);
  });
}

/** What a client said, without what was about one footage. */
function intakeOfOthers({ intake }: RequestRow, footageId: string): IntakeDraft {
  const { whoMarks = [], clientMarks = [] } = intake;
  const others = <T extends { footageId: string }>(things: T[]): T[] => things.filter((thing) => thing.footageId !== footageId);
  return { ...intake, whoMarks: others(whoMarks), clientMarks: others(clientMarks) };
}

/**
 * Opens a place for another file where one cannot be read, at once and whatever else is under way. Where the request's clock stood for
 * it, it goes on once the file has arrived; a minor's goes past the guardian again.
 */
export async function replaceFootage(
  house: House,
  account: Account,
  requestId: string,
  footageId: string,
  { fileName, byteSize }: BodyOf<typeof contract.replaceFootage>,
): Promise<Footage> {
  return lockedRequest(house, account, requestId, ['draft', 'uploading', 'waiting', 'need-first'], async (row, transaction) => {
    const unreadable = (await findFootageRows(house, requestId, transaction)).find(({ id }) => id === footageId);
    if (!unreadable) throw new ContractError('not-found');
    if (!isUnreadable(unreadable)) throw new ContractError('not-now');
    await removeShown(house, row, unreadable, transaction);
    await deleteFootage(house, footageId, transaction);
    await requireRoomFor(house, { requestId, clientId: row.clientId, byteSize }, transaction);
    const { position } = unreadable;
    const fresh = newFootage({ id: house.newId(), requestId, position, fileName, byteSize, changedAt: house.now() });
    await insertFootage(house, fresh, transaction);
    await changeRequest(house, requestId, { intake: intakeOfOthers(row, footageId) }, transaction);
    if (row.state !== 'draft') await passOn(house, account, row, transaction);
    return footageOf(fresh, []);
  });
}

/** Takes a file back. What was said about it (marks, who is who) goes with it. */
export async function removeFootage(house: House, account: Account, requestId: string, footageId: string): Promise<{ done: true }> {
  await lockedRequest(house, account, requestId, ['draft', 'need-first'], async (row, transaction) => {
    const footages = await findFootageRows(house, requestId, transaction);
    const footage = footages.find((f) => f.id === footageId);
    if (!footage) throw new ContractError('not-found');
    const present = footages.filter(({ state }) => state !== 'removed');
    if (row.state === 'need-first' && present.length === 1) throw new ContractError('no-footage');
    await removeShown(house, row, footage, transaction);
    // What the coach has worked on stays, without its bytes.
    if (row.state === 'draft' || !footage.released) await deleteFootage(house, footageId, transaction);
    await changeRequest(house, requestId, { intake: intakeOfOthers(row, footageId) }, transaction);
  });
  return { done: true };
}

/** Sends a draft: a minor's to their guardian first, unless the guardian sends it; everybody else's to the coach. */
export async function sendRequest(house: House, account: Account, requestId: string): Promise<Request> {
  await lockedRequest(house, account, requestId, ['draft'], async (row, transaction) => {
    const client = (await findClient(house, row.clientId))!;
    // Who says nothing else is hurt where the profile says so.
    const read = intake.safeParse({ hurts: client.hurts, ...row.intake });
    if (!read.success) {
      const fields = read.error.issues.map((issue) => ({ field: issue.path.join('.'), why: wordsOf(issue) }));
      throw new ContractError('not-valid', { message: fields[0]!.why, fields });
    }
    // Before anything else is read in this transaction: what another one took meanwhile is to be seen.
    const taken = await takeFromPlan(house, row.clientId, transaction);
    const present = (await findFootageRows(house, requestId, transaction)).filter(({ state }) => state !== 'removed');
    if (present.length === 0) throw new ContractError('no-footage');
    if (present.every(isUnreadable)) throw new ContractError('unreadable-footage');
    const sent = { intake: read.data, sentAt: house.now(), step: 'check' as const, ...taken };
    await changeRequest(house, requestId, sent, transaction);
    await passOn(house, account, { ...row, ...sent }, transaction);
  });
  return (await findRequest(house, requestId, 'client'))!;
}

/** Takes one request from the client's plan, where they have one; refuses when nothing is left in its period. */
async function takeFromPlan(
  house: House,
  clientId: string,
  transaction: Transaction,
): Promise<Pick<RequestRow, 'membershipId' | 'periodOn'>> {
  const standing = await lockCurrentPlan(house, clientId, transaction);
  if (!standing) return { membershipId: null, periodOn: null };
  if (standing.state === 'paused') throw new ContractError('plan-paused');
  if (standing.period!.left === 0) throw new ContractError('none-left');
  return { membershipId: standing.row.id, periodOn: standing.period!.fromOn };
}

/** What is missing, in words: the contract's own where it has some, else what to do. */
const wordsOf = ({ message, path }: { message: string; path: PropertyKey[] }): string =>
  message.startsWith('Invalid') ? (missing[String(path[0])] ?? message) : message;

const missing: Record<string, string> = {
  whoClient: 'Say which one you are.',
  whoPartner: 'Say which one your partner is.',
  question: 'Write what you want to know.',
};
