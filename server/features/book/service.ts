import { mostClipBytes, type Clip } from '@lean-mentor/contract';
import { createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { House } from '../../house/house.ts';
import { ContractError } from '../../house/contractError.ts';
import { dropJob, enqueueJob } from '../../jobs/index.ts';
import { withScratchFolder } from '../../house/scratchFolder.ts';
import { clipFolder, clipOriginalKey } from '../../storage/index.ts';
import { changeClip, deleteClip, findClip, findClips, insertClip } from './repository.ts';

export const listClips = async (house: House): Promise<{ clips: Clip[] }> => ({ clips: await findClips(house) });

export async function clipOr404(house: House, id: string): Promise<Clip> {
  const clip = await findClip(house, id);
  if (!clip) throw new ContractError('not-found');
  return clip;
}

export async function addClip(house: House, { id, title }: Pick<Clip, 'id' | 'title'>): Promise<Clip> {
  await insertClip(house, id, title);
  return clipOr404(house, id);
}

export async function renameClip(house: House, id: string, title: string): Promise<Clip> {
  await clipOr404(house, id);
  await changeClip(house, id, { title });
  return clipOr404(house, id);
}

/** Lets so many bytes through and no more. */
function atMost(bytes: number): Transform {
  let seen = 0;
  return new Transform({
    transform(piece: Buffer, _encoding, done) {
      seen += piece.length;
      if (seen > bytes) done(new ContractError('too-large'));
      else done(null, piece);
    },
  });
}

/** Takes the video of a clip, whole, and has it made ready. */
export async function saveClipVideo(house: House, id: string, body: Readable): Promise<Clip> {
  await clipOr404(house, id);
  await withScratchFolder(house, id, async (folder) => {
    const file = join(folder, 'arriving');
    await pipeline(body, atMost(mostClipBytes), createWriteStream(file));
    await house.storage.putFile(clipOriginalKey(id), file);
  });
  await changeClip(house, id, { state: 'working', failure: null });
  await enqueueJob(house, 'make-clip', id);
  return clipOr404(house, id);
}

export async function removeClip(house: House, id: string): Promise<void> {
  await clipOr404(house, id);
  await house.db.sequelize.transaction(async (transaction) => {
    await dropJob(house, 'make-clip', id, transaction);
    await deleteClip(house, id, transaction);
    await enqueueJob(house, 'remove-footage', id, { transaction, payload: { keys: [clipFolder(id)], uploadIds: [] } });
  });
}
