import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, ResponseOf } from '@lean-mentor/contract';
import { linksFault, mergeDeskChange, type DeskChange, type Note } from '@lean-mentor/core/desk';
import type { Transaction } from 'sequelize';
import type { House } from '../../house.ts';
import { ContractError } from '../../http/contractError.ts';
import { findClient, indexNotes } from '../clients/index.ts';
import { findFootageRows } from '../footage/index.ts';
import { findRequest, lockRequest } from '../requests/index.ts';
import { refreshCodedBouts } from './codedBouts.ts';
import {
  findClientNotes,
  findDeskDocument,
  findDeskThing,
  findEffectsSince,
  findLastTouch,
  newestSequence,
  recordChange,
  storeChange,
  wasTaken,
} from './repository.ts';

export async function openDesk(house: House, requestId: string): Promise<ResponseOf<typeof contract.openDesk>> {
  const request = await findRequest(house, requestId);
  if (!request || request.state === 'guardian') throw new ContractError('not-found');
  // Before the document: what is taken between the two is told again, and telling it twice changes nothing.
  const sequence = await newestSequence(house, requestId);
  const [client, document] = await Promise.all([findClient(house, request.clientId), findDeskDocument(house, requestId)]);
  const { id, name, level, age, hurts } = client!;
  return { request, client: { id, name, level, age, hurts }, document, sequence };
}

const refused = (message: string): ContractError => new ContractError('not-valid', { message });

/** An assistant codes in their own name, and does not accept it; the coach may do both. */
async function refuseOthersCoding(house: House, account: Account, change: DeskChange, transaction: Transaction): Promise<void> {
  if (account.role !== 'assistant') return;
  const { entity, after } = change;
  if (entity === 'override') throw refused('Only the coach corrects the score.');
  if (entity !== 'coding' && entity !== 'cut' && entity !== 'event') return;
  const present = (await findDeskThing(house, change, transaction))?.thing;
  const codingId = entity === 'coding' ? change.id : String(present?.['codingId'] ?? (after as { codingId?: string } | null)?.codingId);
  const coding =
    (await findDeskThing(house, { entity: 'coding', id: codingId }, transaction))?.thing ?? (entity === 'coding' ? after : null);
  if ((coding as { coderId?: string } | null)?.coderId !== account.id) throw refused('This coding is somebody else’s. Code in your own.');
  if (entity === 'coding' && (after as { state?: string } | null)?.state === 'accepted') throw refused('The coach accepts codings.');
}

/** What an edit may not do, whoever makes it. */
async function refuseForeign(
  house: House,
  account: Account,
  requestId: string,
  change: DeskChange,
  footageIds: ReadonlySet<string>,
  transaction: Transaction,
): Promise<void> {
  const { entity, id, after } = change;
  const of = after && 'footageId' in after ? after.footageId : undefined;
  if (of && !footageIds.has(of)) throw refused(`${entity} ${id} names footage that is not of this request.`);
  if (entity === 'conflict' && after !== null) throw refused('Conflicts are found by the server, not made.');
  await refuseOthersCoding(house, account, change, transaction);
  // A new note that nothing caused has no links to look at.
  if (entity === 'note' && after && (after.causes?.length || (change.before !== null && after.fromFrame !== undefined))) {
    const { notes } = await findDeskDocument(house, requestId, transaction);
    const moved = { ...notes[id], ...after, id } as Note;
    const fault = linksFault(Object.values({ ...notes, [id]: moved }), id);
    if (fault) throw refused(fault);
  }
}

/** Merges one edit with what stands, stores what comes of it, and writes both down. */
async function takeChange(house: House, account: Account, requestId: string, change: DeskChange, transaction: Transaction): Promise<void> {
  const found = await findDeskThing(house, change, transaction);
  // An id cannot be used to reach across.
  if (found && found.requestId !== null && found.requestId !== requestId)
    throw refused(`${change.entity} ${change.id} belongs to another request.`);
  const merge = (lastBy: string, removed: Record<string, unknown> | null) =>
    mergeDeskChange(change, { present: found?.thing ?? null, removed, by: account.name, lastBy, newId: house.newId });
  let effects = merge('', null);
  // Who was there before, and what they took away, is only looked for where it matters.
  if (effects.length !== 1 || effects[0]!.entity !== change.entity) {
    const last = await findLastTouch(house, requestId, change.id, transaction);
    const removal = last?.effects.find((effect) => effect.id === change.id && effect.after === null);
    effects = merge(last?.by ?? 'somebody', (removal?.before as Record<string, unknown> | undefined) ?? null);
  }
  for (const effect of effects) await storeChange(house, requestId, effect, transaction);
  const row = { changeId: change.changeId, requestId, accountId: account.id, thingId: change.id, changeJson: change, effects };
  await recordChange(house, row, transaction);
}

/**
 * Takes changes in their order, each once, all or none. Answers the ids that are now saved, also those saved before, and what came
 * of all changes since the one the caller knows.
 */
export async function saveDeskChanges(
  house: House,
  account: Account,
  requestId: string,
  { changes, since }: BodyOf<typeof contract.saveDeskChanges>,
): Promise<ResponseOf<typeof contract.saveDeskChanges>> {
  return house.db.sequelize.transaction(async (transaction) => {
    if (!(await lockRequest(house, requestId, transaction))) throw new ContractError('not-found');
    if (changes.length > 0) {
      const footageIds = new Set((await findFootageRows(house, requestId, transaction)).map((footage) => footage.id));
      for (const change of changes as DeskChange[]) {
        if (await wasTaken(house, change.changeId, transaction)) continue;
        await refuseForeign(house, account, requestId, change, footageIds, transaction);
        await takeChange(house, account, requestId, change, transaction);
      }
    }
    const noteIds = changes.flatMap(({ entity, id }) => (entity === 'note' ? [id] : []));
    await indexNotes(house, [...new Set(noteIds)], transaction);
    await refreshCodedBouts(house, requestId, changes as DeskChange[], transaction);
    const news = await findEffectsSince(house, requestId, since, transaction);
    return { saved: changes.map((change) => change.changeId), ...news };
  });
}

/** More notes than this of one client are not looked through on the desk. */
const mostClientNotes = 2000;

/** Notes of the same client from all of their requests, and as which fix each was sent. */
export async function getClientNotes(house: House, requestId: string): Promise<ResponseOf<typeof contract.getClientNotes>> {
  const request = await findRequest(house, requestId);
  if (!request) throw new ContractError('not-found');
  const rows = await findClientNotes(house, request.clientId, mostClientNotes);
  const notes = rows.map(({ critiqueId, critiqueSentAt, position, sentAt, ...note }) => ({
    ...note,
    sentAt: sentAt.toISOString(),
    fix: critiqueId && critiqueSentAt && position ? { critiqueId, position, sentAt: critiqueSentAt.toISOString() } : null,
  }));
  return { notes };
}
