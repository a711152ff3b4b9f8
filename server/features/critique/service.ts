import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, Critique, Request, ResponseOf } from '@lean-mentor/contract';
import { fixesForLevel } from '@lean-mentor/core/fixes';
import type { House } from '../../house.ts';
import { ContractError } from '../../http/contractError.ts';
import { stillPng } from '../../media/still.ts';
import { stillKey } from '../../storage/index.ts';
import { maySeeClient } from '../access/index.ts';
import { findClient } from '../clients/index.ts';
import { findDeskDocument } from '../desk/index.ts';
import { findFootage, frameTableOf } from '../footage/index.ts';
import { postLetters } from '../letters/index.ts';
import { changeRequest, findRequest, listRequestsOfClients, lockRequest } from '../requests/index.ts';
import { critiqueLetter } from './critiqueLetter.ts';
import { critiqueOf, findCritiqueOfRequest, findCritiqueRow, findSentCritiques, putCritique, setRead } from './repository.ts';
import { sentFixOf } from './sentFix.ts';

async function requestOr404(house: House, requestId: string): Promise<Request> {
  const request = await findRequest(house, requestId);
  if (!request) throw new ContractError('not-found');
  return request;
}

export async function getCritiqueDraft(house: House, requestId: string): Promise<ResponseOf<typeof contract.getCritiqueDraft>> {
  const request = await requestOr404(house, requestId);
  const [row, client] = await Promise.all([findCritiqueOfRequest(house, requestId), findClient(house, request.clientId)]);
  return {
    opening: row?.opening ?? '',
    noteIds: row?.noteIds ?? [],
    critiqueId: row?.id ?? null,
    sentAt: row?.sentAt?.toISOString() ?? null,
    suggestedFixes: fixesForLevel(client?.level ?? 1),
  };
}

export async function saveCritiqueDraft(house: House, requestId: string, draft: BodyOf<typeof contract.saveCritiqueDraft>) {
  await requestOr404(house, requestId);
  await house.db.sequelize.transaction(async (transaction) => {
    await lockRequest(house, requestId, transaction);
    const row = await findCritiqueOfRequest(house, requestId, transaction);
    if (row?.sentAt) throw new ContractError('already-sent');
    await putCritique(
      house,
      { id: row?.id ?? house.newId(), requestId, sentAt: null, readAt: null, fixes: [], coachName: '', ...draft },
      transaction,
    );
  });
  return draft;
}

/** Keeps the critique as it is now, tells client and guardian by letter, and closes the request: all or nothing. */
export async function sendCritique(
  house: House,
  coach: Account,
  requestId: string,
  { opening, noteIds }: BodyOf<typeof contract.sendCritique>,
): Promise<Critique> {
  const request = await requestOr404(house, requestId);
  const ready = request.footages.filter((footage) => footage.state === 'ready');
  if (ready.length === 0) throw new ContractError('footage-not-ready');
  const tables = new Map(await Promise.all(ready.map(async ({ id }) => [id, await frameTableOf(house, id)] as const)));
  const row = await house.db.sequelize.transaction(async (transaction) => {
    const locked = await lockRequest(house, requestId, transaction);
    if (locked?.state === 'withdrawn') throw new ContractError('not-now');
    const draft = await findCritiqueOfRequest(house, requestId, transaction);
    if (draft?.sentAt) throw new ContractError('already-sent');
    const document = await findDeskDocument(house, requestId, transaction);
    const fixes = noteIds.map((noteId, i) => {
      const fix = sentFixOf(document, noteId, i + 1, tables);
      if (!fix) throw new ContractError('not-valid', { message: `Note ${noteId} is not on this desk any more. Choose again.` });
      if (fix.note.visible === 'coach')
        throw new ContractError('not-valid', {
          message: 'One of these notes is for our eyes only. Take it out, or let the client see it.',
        });
      return fix;
    });
    const sent = {
      id: draft?.id ?? house.newId(),
      requestId,
      opening,
      noteIds,
      sentAt: house.now(),
      readAt: null,
      fixes,
      coachName: coach.name,
    };
    await putCritique(house, sent, transaction);
    await changeRequest(house, requestId, { state: 'sent' }, transaction);
    await postLetters(house, request.clientId, (person) => critiqueLetter(person, request.clientName, coach.name, sent), transaction);
    return sent;
  });
  return critiqueOf(row, { ...request, state: 'sent', critiqueId: row.id });
}

/** A sent critique the account may see. */
export async function getCritique(house: House, account: Account, critiqueId: string): Promise<Critique> {
  const row = await findCritiqueRow(house, critiqueId);
  const request = row?.sentAt ? await findRequest(house, row.requestId) : null;
  if (!row || !request || !maySeeClient(account, request.clientId)) throw new ContractError('not-found');
  return critiqueOf(row, request);
}

/** Key of a fix's still; made on first need, then kept, since a sent critique does not change. */
export async function getCritiqueStill(house: House, account: Account, critiqueId: string, position: number): Promise<string> {
  const critique = await getCritique(house, account, critiqueId);
  const fix = critique.fixes.find((f) => f.position === position);
  if (!fix) throw new ContractError('not-found');
  const footage = await findFootage(house, fix.note.footageId);
  if (!footage || footage.state === 'removed') throw new ContractError('footage-removed');
  if (footage.state !== 'ready' || !footage.originalKey) throw new ContractError('footage-not-ready');
  const key = stillKey(critiqueId, position);
  if ((await house.storage.size(key)) !== null) return key;
  const table = await frameTableOf(house, footage.id);
  const original = await house.storage.local(footage.originalKey);
  try {
    await house.storage.putBytes(key, await stillPng(original.path, table, fix.atFrame, fix.drawings));
  } finally {
    await original.release();
  }
  return key;
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

/** Sent critiques of a client, newest first. */
export async function listCritiquesOfClient(house: House, clientId: string): Promise<Critique[]> {
  const requests = await listRequestsOfClients(house, [clientId]);
  const byId = new Map(requests.map((r) => [r.id, r]));
  const rows = await findSentCritiques(house, [...byId.keys()]);
  return rows.map((row) => critiqueOf(row, byId.get(row.requestId)!));
}
