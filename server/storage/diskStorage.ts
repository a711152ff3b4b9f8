import { randomUUID } from 'node:crypto';
import { createReadStream, mkdirSync } from 'node:fs';
import { copyFile, mkdir, open, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { FileStore } from '@tus/file-store';
import { forgetUpload } from './forgetUpload.ts';
import { originalKey } from './keys.ts';
import { NotStored, type FootageStorage } from './storage.ts';

const isMissing = (error: unknown): boolean => (error as NodeJS.ErrnoException).code === 'ENOENT';
const orNotStored =
  (key: string) =>
  (error: unknown): never => {
    throw isMissing(error) ? new NotStored(key) : error;
  };

/** Objects as files under a folder of this machine. `keepUploadsMs`: how long an unfinished upload may rest. */
export function diskStorage(dataDir: string, keepUploadsMs: number): FootageStorage {
  const uploadsFolder = join(dataDir, 'uploads');
  mkdirSync(uploadsFolder, { recursive: true });
  const at = (key: string): string => join(dataDir, key);
  const place = async (key: string): Promise<string> => {
    const path = at(key);
    await mkdir(dirname(path), { recursive: true });
    return path;
  };
  const putFile = async (key: string, path: string): Promise<void> => {
    const target = await place(key);
    await rename(path, target).catch(async (error: NodeJS.ErrnoException) => {
      if (error.code !== 'EXDEV') throw error;
      // Another volume: copied beside its place first, so that it appears whole.
      const beside = `${target}.${randomUUID()}`;
      await copyFile(path, beside);
      await rename(beside, target);
      await rm(path);
    });
  };
  const uploads = new FileStore({ directory: uploadsFolder, expirationPeriodInMilliseconds: keepUploadsMs });
  return {
    uploads,
    async adoptUpload(uploadId, footageId) {
      const upload = join(uploadsFolder, uploadId);
      await putFile(originalKey(footageId), upload).catch(async (error: unknown) => {
        // Taken over before, by a process that did not live to say so.
        if (!isMissing(error) || !(await stat(at(originalKey(footageId))).catch(() => null))) throw error;
      });
      await rm(`${upload}.json`, { force: true });
      return originalKey(footageId);
    },
    adoptedKey: (_uploadId, footageId) => originalKey(footageId),
    removeUpload: (uploadId) => forgetUpload(uploads, uploadId),
    putFile,
    async putBytes(key, bytes) {
      const target = await place(key);
      const beside = `${target}.${randomUUID()}`;
      try {
        await writeFile(beside, bytes);
        await rename(beside, target);
      } catch (error) {
        // Half of it, on a disk that is full, would keep the room it lacks.
        await rm(beside, { force: true });
        throw error;
      }
    },
    read: (key) => readFile(at(key)).catch(orNotStored(key)),
    size: (key) =>
      stat(at(key)).then(
        ({ size }) => size,
        (error: unknown) => {
          if (isMissing(error)) return null;
          throw error;
        },
      ),
    async open(key, start, end) {
      const file = await open(at(key)).catch(orNotStored(key));
      return createReadStream('', { fd: file, start, end, highWaterMark: 64 * 1024 });
    },
    async local(key) {
      await stat(at(key)).catch(orNotStored(key));
      return { path: at(key), release: () => Promise.resolve() };
    },
    remove: (key) => rm(at(key), { recursive: true, force: true }),
  };
}
