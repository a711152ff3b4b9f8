import type * as contract from '@lean-mentor/contract';
import type { Account, BodyOf, ResponseOf } from '@lean-mentor/contract';
import { meetsOthers, mergeDeskChange, type DeskChange, type Meeting } from '@lean-mentor/core/desk';
import { jsonOf } from '../../db/table.ts';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { findClient } from '../clients/index.ts';
import { findFootageRows } from '../footage/index.ts';
import { findRequest, lockRequest } from '../requests/index.ts';
import type { Arrival } from './deskRules.ts';
import type { Fields } from './deskStores.ts';
import { deskFault, deskWithin, findDeskDocument, followEdits, storeChange } from './deskItems.ts';
import {
  findClientAnswers,
  findClientNotes,
  findEffectsSince,
  findForkChoices,
  findTouches,
  newestSequence,
  recordChange,
  wasTaken,
  type Touch,
} from './repository.ts';

export async function openDesk(house: House, requestId: string): Promise<ResponseOf<typeof contract.openDesk>> {
  const request = await findRequest(house, requestId);
  if (!request) throw new ContractError('not-found');
  // Before the document: what is taken between the two is told again, and telling it twice changes nothing.
  const sequence = await newestSequence(house, requestId);
  const [client, document, answers, choices] = await Promise.all([
    findClient(house, request.clientId),
    findDeskDocument(house, requestId),
    findClientAnswers(house, requestId),
    findForkChoices(house, requestId),
  ]);
  const chosen = choices.flatMap(({ noteId, choice, by }) => {
    const way = document.notes[noteId]?.fork?.options[choice];
    return way ? [{ noteId, by, words: `At the fork, before seeing what happened: “${way.do}”` }] : [];
  });
  const { id, name, level, age, hurts, limits } = client!;
  return { request, client: { id, name, level, age, hurts, limits }, document, answers: [...answers, ...chosen], sequence };
}

/** Who changed a field of a thing last, or the thing as a whole; null where it was this account itself. */
const lastBy =
  (touches: readonly Touch[], account: Account): Meeting['lastBy'] =>
  (field) => {
    const last = touches.find(({ effect }) => field === null || (effect.after !== null && field in effect.after));
    return last?.accountId === account.id ? null : (last?.by ?? 'somebody');
  };

/**
 * Merges one edit with what stands, stores what comes of it, and writes both down. Throws `not-valid`, having stored nothing, where it may
 * not be.
 */
async function takeChange(arrival: Arrival, change: DeskChange): Promise<void> {
  const { house, account, requestId, transaction } = arrival;
  const found = await arrival.thing(change.entity, change.id);
  // An id cannot be used to reach across.
  if (found && found.requestId !== null && found.requestId !== requestId)
    throw new ContractError('not-valid', { message: `${change.entity} ${change.id} belongs to another request.` });
  const present = found?.thing ?? null;
  // Who was there before, and what they took away, is only looked for where the edit did not find what it changes from.
  const touches = meetsOthers(change, present) ? await findTouches(house, requestId, change.id, transaction) : [];
  const last = touches[0]?.effect;
  const removed = !present && last?.after === null ? (last.before as Fields) : null;
  const stood = present ?? removed;
  // An edit of what never was there is nothing, whatever it names.
  if (stood || change.before === null) {
    const fault = await deskFault({ ...arrival, change, present: stood, whole: { ...stood, ...change.after, id: change.id } });
    if (fault) throw new ContractError('not-valid', { message: fault });
  }
  const meeting = { present, removed, by: account.name, lastBy: lastBy(touches, account), newId: house.newId };
  const effects = mergeDeskChange(change, meeting);
  for (const effect of effects) await storeChange(house, requestId, effect, transaction);
  const row = { changeId: change.changeId, requestId, accountId: account.id, thingId: change.id, changeJson: change, effects };
  await recordChange(house, row, transaction);
}

/**
 * Takes changes in their order, each once. One that may not be is refused with its reason and the others are taken; where they belong
 * together (`allOrNone`), it is thrown and none are. Answers the ids that are now saved, also those saved before, and what came of all
 * changes since the one the caller knows.
 */
export async function saveDeskChanges(
  house: House,
  account: Account,
  requestId: string,
  { changes, since }: BodyOf<typeof contract.saveDeskChanges>,
  { allOrNone = false } = {},
): Promise<ResponseOf<typeof contract.saveDeskChanges>> {
  return house.db.sequelize.transaction(async (transaction) => {
    const request = await lockRequest(house, requestId, transaction);
    if (!request) throw new ContractError('not-found');
    const from = since ?? (await newestSequence(house, requestId));
    const desk = deskWithin(house, requestId, transaction);
    const refused = new Map<string, string>();
    if (changes.length > 0) {
      house.room.require(null);
      const rows = (await findFootageRows(house, requestId, transaction)).filter(({ released }) => released);
      const footages = new Map(rows.map((footage) => [footage.id, footage]));
      const arrival = { ...desk, account, clientId: request.clientId, footages };
      for (const change of changes) {
        if (await wasTaken(house, change.changeId, transaction)) continue;
        try {
          await takeChange(arrival, change);
        } catch (error) {
          if (allOrNone || !(error instanceof ContractError)) throw error;
          refused.set(change.changeId, error.message);
        }
      }
    }
    const taken = changes.filter(({ changeId }) => !refused.has(changeId));
    await followEdits(desk, taken);
    const news = await findEffectsSince(house, requestId, from, transaction);
    return {
      saved: taken.map(({ changeId }) => changeId),
      refused: [...refused].map(([changeId, why]) => ({ changeId, why })),
      ...news,
    };
  });
}

/** More notes than this of one client are not looked through on the desk. */
const mostClientNotes = 2000;

/** Notes of the same client from all of their requests, and as which fix each was sent. */
export async function getClientNotes(house: House, requestId: string): Promise<ResponseOf<typeof contract.getClientNotes>> {
  const request = await findRequest(house, requestId);
  if (!request) throw new ContractError('not-found');
  const rows = await findClientNotes(house, request.clientId, mostClientNotes);
  const notes = rows.map(({ critiqueId, critiqueSentAt, position, sentAt, fork, ...note }) => ({
    ...note,
    fork: fork === null ? null : jsonOf(fork),
    sentAt: sentAt.toISOString(),
    fix: critiqueId && critiqueSentAt && position ? { critiqueId, position, sentAt: critiqueSentAt.toISOString() } : null,
  }));
  return { notes };
}
