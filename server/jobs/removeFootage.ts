import { ERRORS } from '@tus/server';
import type { House } from '../house.ts';
import type { JobRow } from './model.ts';

/** Removes everything a job names from storage. What is not there any more is no fault. */
export async function removeFootage({ storage }: House, { payload }: JobRow): Promise<void> {
  for (const key of payload?.keys ?? []) await storage.remove(key);
  for (const uploadId of payload?.uploadIds ?? [])
    await storage.uploads.remove(uploadId).catch((error: unknown) => {
      if ((error as { status_code?: number }).status_code !== ERRORS.FILE_NOT_FOUND.status_code) throw error;
    });
}
