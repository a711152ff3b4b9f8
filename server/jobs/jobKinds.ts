import { changeClip } from '../features/book/index.ts';
import { changeExport, makeExport } from '../features/critique/index.ts';
import { changeFootage } from '../features/footage/index.ts';
import { footageRested } from '../features/requests/index.ts';
import type { House } from '../house.ts';
import { makeClip } from './makeClip.ts';
import { makeReady } from './makeReady.ts';
import type { JobRow } from './model.ts';
import { removeFootage } from './removeFootage.ts';

interface JobKind {
  run: (house: House, job: JobRow, signal: AbortSignal) => Promise<void>;
  /** Said when it failed and the fault is not the file's. */
  failed: string;
  /** What its subject shows when the job rests, having failed for good; null: it is tried until it works. */
  rested: ((house: House, subjectId: string, reason: string, isFiles: boolean) => Promise<void>) | null;
  /** What its subject shows while the job waits to be tried again. */
  waits?: (house: House, subjectId: string) => Promise<void>;
}

/** What the jobs process can do. */
export const jobKinds: Readonly<Record<JobRow['kind'], JobKind>> = {
  'make-ready': {
    run: (house, job, signal) => makeReady(house, job.subjectId, signal),
    failed: 'Making the footage ready failed on our side. The coach can try it again.',
    rested: footageRested,
    waits: (house, id) => changeFootage(house, id, { state: 'waiting', step: 'Waiting to be tried again', share: 0, secondsLeft: null }),
  },
  'make-clip': {
    run: (house, job, signal) => makeClip(house, job.subjectId, signal),
    failed: 'Making the clip ready failed on our side. Send its video again.',
    rested: (house, id, failure) => changeClip(house, id, { state: 'failed', failure }),
  },
  'make-export': {
    run: (house, job) => makeExport(house, job.subjectId),
    failed: 'Making the export failed on our side. Ask for it again.',
    rested: (house, id) => changeExport(house, id, { state: 'failed' }),
  },
  'remove-footage': { run: removeFootage, failed: 'Removing failed.', rested: null },
};
