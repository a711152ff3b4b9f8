import { changeClip, findClip } from './index.ts';
import type { House } from '../../house/house.ts';
import { readFootage } from '../../media/readFootage.ts';
import { withScratchFolder } from '../../house/scratchFolder.ts';
import { clipFolder, clipOriginalKey, clipPosterKey, clipVideoKey } from '../../storage/index.ts';

/** Makes a clip ready: a review copy to play and a still to know it by. A MediaFault means that trying again is useless. */
export async function makeClip(house: House, clipId: string, signal: AbortSignal): Promise<void> {
  const { storage } = house;
  if ((await findClip(house, clipId))?.state !== 'working') return;
  await withScratchFolder(house, clipId, async (folder) => {
    const original = await storage.local(clipOriginalKey(clipId));
    try {
      const { copy, poster, table } = await readFootage(original.path, folder, { signal });
      signal.throwIfAborted();
      await storage.putBytes(clipPosterKey(clipId), poster);
      await storage.putFile(clipVideoKey(clipId), copy);
      await changeClip(house, clipId, { state: 'ready', seconds: table.endSeconds });
    } finally {
      await original.release();
    }
  });
  // Taken away while it was worked on: what was put into storage meanwhile goes as well.
  if (!(await findClip(house, clipId))) await storage.remove(clipFolder(clipId));
}
