import { deskTake, wholeItems } from '@lean-mentor/contract';
import {
  deskEntities,
  deskOf,
  itemsOf,
  type DeskChange,
  type DeskDocument,
  type DeskEntity,
  type DeskTake,
  type Note,
} from '@lean-mentor/core/desk';
import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { deskKinds } from './deskKinds.ts';
import type { Desk, Edit } from './deskRules.ts';
import type { Fields, Found } from './deskStores.ts';

const stores = [...new Set(Object.values(deskKinds).map(({ store }) => store))];

/** All that lies on the desk of a request, and the book's principles. What is not whole is left out. */
export async function findDeskDocument(house: House, requestId: string, transaction?: Transaction): Promise<DeskDocument> {
  const within = transaction && { transaction };
  const kept = (await Promise.all(stores.map((store) => store.findAll(house, requestId, within)))).flat();
  const document = deskOf((entity) =>
    Object.fromEntries(kept.filter((one) => one.entity === entity).map(({ thing }) => [thing.id, thing])),
  );
  return wholeItems(document, (shelf, id) => house.log.warn({ requestId, shelf, id }, 'a thing on a desk is not whole and is left out'));
}

/** A thing as it stands, and the request it belongs to; a principle belongs to all. Null when it is not there. */
export const findDeskItem = (house: House, entity: DeskEntity, id: string, transaction: Transaction): Promise<Found | null> =>
  deskKinds[entity].store.find(house, entity, id, transaction);

/** Whether a thing lies on the desk of this request. */
export const isOnDesk = async (house: House, entity: DeskEntity, id: string, requestId: string): Promise<boolean> =>
  (await house.db.sequelize.transaction((transaction) => findDeskItem(house, entity, id, transaction)))?.requestId === requestId;

/** A take as it is mended now; null where it does not lie on the desk of this request. */
export async function findDeskTake(house: House, requestId: string, takeId: string): Promise<DeskTake | null> {
  const found = await findTakeAnywhere(house, takeId);
  return found?.requestId === requestId ? found.take : null;
}

/** On which desk a take lies, and the take. */
export async function findTakeAnywhere(house: House, takeId: string): Promise<{ requestId: string; take: DeskTake } | null> {
  const found = await house.db.sequelize.transaction((transaction) => findDeskItem(house, 'take', takeId, transaction));
  return found?.requestId ? { requestId: found.requestId, take: deskTake.parse(found.thing) } : null;
}

export async function findNote(house: House, requestId: string, noteId: string): Promise<Note | null> {
  const found = await house.db.sequelize.transaction((transaction) => findDeskItem(house, 'note', noteId, transaction));
  return found?.requestId === requestId ? (found.thing as unknown as Note) : null;
}

/** Does to the tables what `applyDeskChange` does to the document. */
export async function storeChange(house: House, requestId: string, change: DeskChange, transaction: Transaction): Promise<void> {
  const { entity, id, before, after } = change;
  const { store } = deskKinds[entity];
  const place = { entity, id, requestId };
  if (after === null) await store.remove(house, place, transaction);
  else if (before === null) await store.put(house, place, after as Fields, transaction);
  else await store.change(house, place, after as Fields, transaction);
}

/** Puts a whole desk into an empty house, conflicts left out: whoever they concern is not there. */
export async function putDesk(house: House, requestId: string, document: DeskDocument, transaction: Transaction): Promise<void> {
  for (const entity of deskEntities.filter((one) => one !== 'conflict'))
    for (const [id, thing] of Object.entries(itemsOf(document, entity)))
      await deskKinds[entity].store.put(house, { entity, id, requestId }, thing as unknown as Fields, transaction);
}

/** The desk of a request inside a transaction, as rules and what follows from edits look at it. */
export const deskWithin = (house: House, requestId: string, transaction: Transaction): Desk => ({
  house,
  requestId,
  transaction,
  thing: (entity, id) => findDeskItem(house, entity, id, transaction),
  document: () => findDeskDocument(house, requestId, transaction),
});

/** Why an edit cannot be taken, in words; null when it can. */
export async function deskFault(edit: Edit): Promise<string | null> {
  for (const rule of deskKinds[edit.change.entity].mayEdit) {
    const fault = await rule(edit);
    if (fault) return fault;
  }
  return null;
}

/** Brings up to date what is made from the desk's things elsewhere: the search, the coded bouts. */
export async function followEdits(desk: Desk, changes: readonly DeskChange[]): Promise<void> {
  for (const afterwards of new Set(Object.values(deskKinds).flatMap((kind) => kind.afterwards ?? []))) {
    const own = changes.filter(({ entity }) => deskKinds[entity].afterwards === afterwards);
    if (own.length > 0) await afterwards(desk, own);
  }
}
