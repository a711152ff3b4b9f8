import { setTimeout as sleep } from 'node:timers/promises';
import { ERRORS, type Lock, type Locker, type RequestRelease } from '@tus/server';
import type { House } from '../../house/house.ts';
import { beatUploadLock, releaseUploadLock, takeUploadLock } from './repository.ts';

const beatMs = 1000;
const askAgainMs = 250;
const giveUpMs = 30_000;

/** Locks on uploads in MariaDB, so that several server processes may take the pieces of one upload, one after another. */
export class UploadLocker implements Locker {
  constructor(private readonly house: House) {}

  newLock(uploadId: string): Lock {
    const { house } = this;
    const holder = house.newId();
    let beat: NodeJS.Timeout | undefined;
    return {
      async lock(stop: AbortSignal, cancelReq: RequestRelease) {
        for (let waited = 0; !(await takeUploadLock(house, uploadId, holder)); waited += askAgainMs) {
          if (stop.aborted || waited >= giveUpMs) throw ERRORS.ERR_LOCK_TIMEOUT;
          await sleep(askAgainMs);
        }
        beat = setInterval(() => {
          beatUploadLock(house, uploadId, holder).then(
            (wanted) => (wanted ? void cancelReq() : undefined),
            (error: unknown) => house.log.warn({ err: error, uploadId }, 'upload lock was not kept up'),
          );
        }, beatMs);
      },
      async unlock() {
        clearInterval(beat);
        await releaseUploadLock(house, uploadId, holder);
      },
    };
  }
}
