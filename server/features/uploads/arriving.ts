import { ERRORS } from '@tus/server';
import type { House } from '../../house/house.ts';
import { enqueueJob } from '../../jobs/index.ts';
import { changeFootage, findFootage, findLongUploading, type FootageRow } from '../footage/index.ts';
import { footageArrived } from '../requests/index.ts';

const isGone = (error: unknown): boolean =>
  [ERRORS.FILE_NOT_FOUND.status_code, ERRORS.FILE_NO_LONGER_EXISTS.status_code].includes(
    (error as { status_code?: number }).status_code as never,
  );

/** Whether the last byte of an upload is in, also where it was taken over already and its row does not know. */
async function isWhole(house: House, uploadId: string, { id, byteSize }: FootageRow): Promise<boolean> {
  try {
    const { offset, size } = await house.storage.uploads.getUpload(uploadId);
    return size !== undefined && offset === size;
  } catch (error) {
    if (!isGone(error)) throw error;
    return (await house.storage.size(house.storage.adoptedKey(uploadId, id))) === Number(byteSize);
  }
}

/**
 * Takes over an upload whose last byte is in: the file becomes the footage's original and a job is put on the list. Whoever notices does
 * it (the last piece's own call, somebody who asks how far it is, the jobs process that looks after what is left): a server that was
 * killed in between leaves nothing on its way for ever. Answers whether the footage has arrived.
 */
export async function finishUpload(house: House, footage: FootageRow): Promise<boolean> {
  if (footage.state !== 'uploading') return footage.state !== 'removed';
  const { id, uploadId } = footage;
  if (!uploadId || !(await isWhole(house, uploadId, footage))) return false;
  const originalKey = await house.storage.adoptUpload(uploadId, id);
  await house.db.sequelize.transaction(async (transaction) => {
    // The first write locks the row: of two who notice, the second finds it done.
    await changeFootage(house, id, {}, transaction);
    if ((await findFootage(house, id, transaction))?.state !== 'uploading') return;
    await changeFootage(house, id, { state: 'waiting', step: 'Waiting its turn', share: 0, originalKey }, transaction);
    await footageArrived(house, footage.requestId, transaction);
    await enqueueJob(house, 'make-ready', id, { transaction });
  });
  return true;
}

/** An upload that was not heard of for so long, in ms, is looked at by whoever looks after what is left. */
const quietMs = 30_000;

/** Finishes uploads that are whole and that nobody finished. */
export async function finishLeftUploads(house: House): Promise<void> {
  for (const footage of await findLongUploading(house, new Date(house.now().getTime() - quietMs)))
    await finishUpload(house, footage).catch((error: unknown) =>
      house.log.warn({ err: error, footageId: footage.id }, 'an upload could not be finished'),
    );
}
