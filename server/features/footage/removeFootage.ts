import type { House } from '../../house/house.ts';
import type { JobRow } from '../../jobs/model.ts';

/** Removes everything a job names from storage. What is not there any more is no fault. */
export async function removeFootage({ storage }: House, { payload }: JobRow): Promise<void> {
  for (const key of payload?.keys ?? []) await storage.remove(key);
  for (const uploadId of payload?.uploadIds ?? []) await storage.removeUpload(uploadId);
}
