import { mkdirSync } from 'node:fs';
import { rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';

/** Where the bytes of footage are kept. The disk side is the default; another side only needs to give local paths. */
export interface FootageStorage {
  /** Folder into which unfinished uploads are written; on the same volume as the originals. */
  readonly uploads: string;
  original(footageId: string): string;
  reviewCopy(footageId: string): string;
  frameTable(footageId: string): string;
  motion(footageId: string): string;
  poster(footageId: string): string;
  still(critiqueId: string, position: number): string;
  /** Takes over a finished upload as a footage's original. */
  adopt(uploadPath: string, footageId: string): Promise<void>;
  exists(path: string): Promise<boolean>;
}

export function diskStorage(dataDir: string): FootageStorage {
  const folder = (...parts: string[]): string => {
    const path = join(dataDir, ...parts);
    mkdirSync(path, { recursive: true });
    return path;
  };
  const footage = (id: string, name: string): string => join(folder('footage', id), name);
  return {
    uploads: folder('uploads'),
    original: (id) => footage(id, 'original'),
    reviewCopy: (id) => footage(id, 'review.mp4'),
    frameTable: (id) => footage(id, 'frames.json'),
    motion: (id) => footage(id, 'motion.json'),
    poster: (id) => footage(id, 'poster.jpg'),
    still: (critiqueId, position) => join(folder('stills', critiqueId), `${position}.png`),
    async adopt(uploadPath, footageId) {
      await rename(uploadPath, footage(footageId, 'original'));
      await rm(`${uploadPath}.json`, { force: true });
    },
    exists: (path) =>
      stat(path).then(
        () => true,
        () => false,
      ),
  };
}
