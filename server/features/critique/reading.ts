import type * as contract from '@lean-mentor/contract';
import type { Account, Critique, CritiqueGlance, ForkChoice, MomentPicture, Request, ResponseOf, SentTake } from '@lean-mentor/contract';
import { clipsOf } from '@lean-mentor/core/critique';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { clipVideoKey, spokenKey } from '../../storage/index.ts';
import { coachesHere, maySee } from '../access/index.ts';
import { findClip } from '../book/index.ts';
import { findFootages } from '../footage/index.ts';
import { findRequest, listRequestsOfClients, lockRequest } from '../requests/index.ts';
import type { CritiqueRow, VersionTake } from './model.ts';
import {
  changeCritique,
  critiqueOf,
  findCritiqueByCode,
  findCritiqueRow,
  findGlances,
  findHeard,
  findQuestions,
  findVersion,
  listVersions,
  setRead,
} from './repository.ts';
import { momentPicture } from './momentPicture.ts';
import { footagesOfMoments } from './sentMoment.ts';
import { takeBackUntil } from './takeBack.ts';

/** A sent critique the account may see, with its request; of one that was taken back it is told so, anything else is not there for it. */
export async function visibleCritique(
  house: House,
  account: Account,
  row: CritiqueRow | null,
): Promise<{ row: CritiqueRow; request: Request }> {
  // It has a code once it was sent.
  const request = row?.code ? await findRequest(house, row.requestId) : null;
  if (!row || !request || !maySee(account, { clientId: request.clientId, requestState: request.state, released: true }))
    throw new ContractError('not-found');
  if (row.version === 0) throw new ContractError('taken-back');
  return { row, request };
}

/** Something spoken in a version, and whether its voice has been made ready. */
async function takeAsRead(house: House, critiqueId: string, version: number, place: number, take: VersionTake): Promise<SentTake> {
  const { cuts: _, denoise: __, ...read } = take;
  const heard = await findHeard(house, { critiqueId, version, place });
  return { ...read, heard, ready: (await house.storage.size(spokenKey(critiqueId, version, place))) !== null };
}

/** A version of a sent critique; the one that stands where none is named. */
export async function getCritique(house: House, account: Account, critiqueId: string, version?: number): Promise<Critique> {
  const { row, request } = await visibleCritique(house, account, await findCritiqueRow(house, critiqueId));
  const sent = await findVersion(house, row.id, version ?? row.version);
  if (!sent) throw new ContractError('not-found');
  const own = new Set(request.footages.map(({ id }) => id));
  const otherIds = footagesOfMoments(sent.moments).filter((id) => !own.has(id));
  const [versions, questions, clips, otherFootages] = await Promise.all([
    listVersions(house, row.id),
    findQuestions(house, row.id),
    Promise.all(clipsOf(sent.doc).map((id) => findClip(house, id))),
    // Right moments beside wrong ones may be of the client's earlier footage.
    otherIds.length > 0 ? findFootages(house, otherIds) : [],
  ]);
  return critiqueOf(row, sent, request, {
    takes: await Promise.all(sent.takes.map((take, place) => takeAsRead(house, row.id, sent.version, place, take))),
    versions: versions.map((one) => ({ version: one.version, sentAt: one.sentAt.toISOString() })),
    questions,
    otherFootages,
    clips: clips.flatMap((clip) => (clip?.state === 'ready' ? [{ id: clip.id, title: clip.title }] : [])),
    takeBackUntil: coachesHere(account) ? takeBackUntil(house, row) : null,
  });
}

export async function openShortLink(house: House, account: Account, code: string): Promise<{ critiqueId: string }> {
  const { row } = await visibleCritique(house, account, await findCritiqueByCode(house, code));
  return { critiqueId: row.id };
}

/** Which picture of which moment of a version. */
export interface PictureAt {
  critiqueId: string;
  version: number;
  noteId: string;
  picture: MomentPicture;
}

/** Key of a picture of a moment, for an account that may see it. */
export async function getMomentStill(house: House, account: Account, { critiqueId, version, ...which }: PictureAt): Promise<string> {
  const critique = await getCritique(house, account, critiqueId, version);
  return momentPicture(house, account.id || 'reader', critique, which);
}

/** Key of a clip of the coach's own that a critique shows: through it, and only through it, a client sees one. */
export async function streamCritiqueClip(house: House, account: Account, critiqueId: string, clipId: string): Promise<string> {
  const critique = await getCritique(house, account, critiqueId);
  if (!critique.clips.some(({ id }) => id === clipId)) throw new ContractError('not-found');
  return clipVideoKey(clipId);
}

export async function markCritiqueRead(
  house: House,
  account: Account,
  critiqueId: string,
): Promise<ResponseOf<typeof contract.markCritiqueRead>> {
  await getCritique(house, account, critiqueId);
  await setRead(house, critiqueId);
  const { readAt } = await getCritique(house, account, critiqueId);
  return { done: true, readAt: readAt! };
}

/** Ticks a fix as understood, once, or takes the tick away. */
export async function markUnderstood(
  house: House,
  account: Account,
  critiqueId: string,
  fixId: string,
  understood: boolean,
): Promise<void> {
  const { fixes, requestId } = await getCritique(house, account, critiqueId);
  if (!fixes.some((fix) => fix.fixId === fixId)) throw new ContractError('not-found');
  await house.db.sequelize.transaction(async (transaction) => {
    await lockRequest(house, requestId, transaction);
    const row = (await findCritiqueRow(house, critiqueId, transaction))!;
    const { [fixId]: before, ...others } = row.understood;
    const now = { [fixId]: before ?? house.now().toISOString() };
    await changeCritique(house, critiqueId, { understood: understood ? { ...others, ...now } : others }, transaction);
  });
}

/** Keeps what a client would have done at a fork. The first choice stays: after it they have seen what happened. */
export async function chooseAtFork(
  house: House,
  account: Account,
  critiqueId: string,
  noteId: string,
  choice: number,
): Promise<ForkChoice> {
  const { moments, requestId } = await getCritique(house, account, critiqueId);
  const moment = moments.find(({ note }) => note.id === noteId);
  if (!moment?.note.fork?.options[choice]) throw new ContractError('not-found');
  return house.db.sequelize.transaction(async (transaction) => {
    await lockRequest(house, requestId, transaction);
    const row = (await findCritiqueRow(house, critiqueId, transaction))!;
    const chosen = row.forkChoices[noteId] ?? { choice, by: account.name, at: house.now().toISOString() };
    await changeCritique(house, critiqueId, { forkChoices: { ...row.forkChoices, [noteId]: chosen } }, transaction);
    return chosen;
  });
}

/** Critiques of a client that stand, newest first. */
export async function listCritiquesOfClient(house: House, clientId: string): Promise<CritiqueGlance[]> {
  const requests = await listRequestsOfClients(house, [clientId], 'client');
  return findGlances(
    house,
    requests.map(({ id }) => id),
  );
}
