import { statfsSync } from 'node:fs';

/** Memory into which every process can lay files (shm_overview(7)). */
export const sharedMemory = '/dev/shm';

/** How many bytes have room where `path` is; none where there is no such place. */
export function roomIn(path) {
  try {
    const { bavail, bsize } = statfsSync(path);
    return bavail * bsize;
  } catch {
    return 0;
  }
}
