import { continuesTable, type FrameTable } from '@lean-mentor/core/footage';
import { subHours } from 'date-fns';
import type { House } from '../../house/house.ts';
import type { Edition, EditionsWanted } from '../../media/editions.ts';
import { editionCopyKey, editionFolder, editionTableKey, editionsFolder, footageFolder, NotStored } from '../../storage/index.ts';
import type { FootageRow } from './model.ts';
import { changeFootage, findFootage, findWithEditions, isWrittenOn } from './repository.ts';

/** Frame times of an edition; null where it is not kept any more. */
export async function editionTable(house: House, footageId: string, edition: number): Promise<FrameTable | null> {
  try {
    return JSON.parse((await house.storage.read(editionTableKey(footageId, edition))).toString()) as FrameTable;
  } catch (error) {
    if (error instanceof NotStored) return null;
    throw error;
  }
}

/** Puts an edition into storage and says so; the one before it stays for those who are looking at it, older ones go. */
async function put(house: House, footageId: string, { copy, table }: Edition): Promise<void> {
  const { storage } = house;
  const last = (await findFootage(house, footageId))?.edition ?? 0;
  const before = last > 0 ? await editionTable(house, footageId, last) : null;
  if (before && !continuesTable(table, before)) throw new Error(`Edition ${last + 1} has other frames than edition ${last}.`);
  const edition = last + 1;
  await storage.putBytes(editionTableKey(footageId, edition), JSON.stringify(table));
  await storage.putFile(editionCopyKey(footageId, edition), copy);
  await changeFootage(house, footageId, { edition, editionSeconds: table.endSeconds });
  // Taken back meanwhile: what was put into storage goes as well.
  const after = await findFootage(house, footageId);
  if (!after || after.state === 'removed') await storage.remove(footageFolder(footageId));
  else if (edition > 2) await storage.remove(editionFolder(footageId, edition - 2));
}

/**
 * How editions of a footage are put out while it is made ready; null where none are. Footage that is made ready once more may have notes on
 * any frame of it: on its beginning alone they would stand at wrong times, so it is waited for as a whole.
 */
export async function editionsOf(house: House, { id, edition, editionSeconds }: FootageRow): Promise<EditionsWanted | null> {
  if (edition === 0 && (await isWrittenOn(house, id))) return null;
  return {
    lastSeconds: editionSeconds ?? 0,
    put: (made) => put(house, id, made),
    onFault: (error) => house.log.warn({ err: error, footageId: id }, 'an edition was not put out'),
  };
}

/** Whoever opened an edition has long gone on to the whole, in hours. */
const keptHours = 1;

/** Removes the editions of footage that is whole, or will not become so. */
export async function removeOldEditions(house: House): Promise<void> {
  for (const { id } of await findWithEditions(house, subHours(house.now(), keptHours))) {
    await house.storage.remove(editionsFolder(id));
    await changeFootage(house, id, { edition: 0, editionSeconds: null });
  }
}
