import { ERRORS, type DataStore } from '@tus/server';

/** Removes an unfinished upload from where it grows; what is not there is no fault. */
export async function forgetUpload(uploads: DataStore, uploadId: string): Promise<void> {
  await uploads.remove(uploadId).catch((error: unknown) => {
    if ((error as { status_code?: number }).status_code !== ERRORS.FILE_NOT_FOUND.status_code) throw error;
  });
}
