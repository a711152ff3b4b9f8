import type { Transaction } from 'sequelize';
import type { House } from '../../house/house.ts';
import { dropJob, enqueueJob } from '../../jobs/index.ts';
import { footageFolder } from '../../storage/index.ts';
import type { FootageRow } from './model.ts';
import { changeFootage } from './repository.ts';

/**
 * Has everything of a footage removed: original, unfinished upload, copies, and the given stills. The removing itself is a job,
 * so that it happens also when this process dies; a job that makes it ready is taken off the list and stops at its next beat.
 */
export async function removeFootageBytes(
  house: House,
  footage: FootageRow,
  alsoUnder: readonly string[],
  transaction: Transaction,
): Promise<void> {
  const { id, originalKey, uploadId } = footage;
  await dropJob(house, 'make-ready', id, transaction);
  await enqueueJob(house, 'remove-footage', id, {
    transaction,
    payload: {
      keys: [...(originalKey ? [originalKey] : []), footageFolder(id), ...alsoUnder],
      uploadIds: uploadId && !originalKey ? [uploadId] : [],
    },
  });
  await changeFootage(house, id, { state: 'removed', step: 'Removed', failure: null, secondsLeft: null, advice: null }, transaction);
}
