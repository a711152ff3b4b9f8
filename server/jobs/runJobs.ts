import { setTimeout as sleep } from 'node:timers/promises';
import { addSeconds } from 'date-fns';
import type { House } from '../house.ts';
import { MediaFault } from '../media/mediaFault.ts';
import { clearScratchFolders } from '../scratchFolder.ts';
import { jobKinds } from './jobKinds.ts';
import type { JobRow } from './model.ts';
import { beatHeart, claimJob, settleJob } from './repository.ts';

const idleMs = 400;
const heartbeatMs = 5000;
/** A job is tried this often; then it rests with its reason until somebody asks again. */
const mostAttempts = 3;
const backOffSeconds = 10;

/** When a job that failed is tried again: each time twice as long after, an hour at most. */
const later = (house: House, job: JobRow): Date => addSeconds(house.now(), Math.min(3600, backOffSeconds * 2 ** job.attempts));

/** Runs one claimed job to its end, whatever that is. */
async function runJob(house: House, worker: string, job: JobRow, signal: AbortSignal): Promise<void> {
  const kind = jobKinds[job.kind];
  const lost = new AbortController();
  const heart = setInterval(() => {
    beatHeart(house, job.id, worker).then(
      (mine) => mine || lost.abort(new Error('The job was taken by another process.')),
      (error) => house.log.warn({ err: error, jobId: job.id }, 'heartbeat was not written'),
    );
  }, heartbeatMs);
  try {
    const stop = AbortSignal.any([signal, lost.signal]);
    await kind.run(house, job, stop);
    await settleJob(house, job.id, worker, { state: 'done', reason: null });
  } catch (error) {
    if (lost.signal.aborted) return;
    if (signal.aborted) {
      // Stopped from outside: the job goes back as if it had not been tried.
      await settleJob(house, job.id, worker, { state: 'waiting', attempts: job.attempts - 1, runAfter: house.now() });
      return;
    }
    house.log.warn({ err: error, jobId: job.id, kind: job.kind, subjectId: job.subjectId, attempt: job.attempts }, 'job failed');
    const reason = error instanceof MediaFault ? error.message : kind.failed;
    if (kind.rested && (error instanceof MediaFault || job.attempts >= mostAttempts)) {
      await settleJob(house, job.id, worker, { state: 'resting', reason });
      await kind.rested(house, job.subjectId, reason);
    } else {
      await settleJob(house, job.id, worker, { state: 'waiting', reason, runAfter: later(house, job) });
      await kind.waits?.(house, job.subjectId);
    }
  } finally {
    clearInterval(heart);
  }
}

/** Claims and runs jobs one after another until `signal` aborts. A database that is away for a while is waited for. */
export async function runJobs(house: House, worker: string, signal: AbortSignal): Promise<void> {
  await clearScratchFolders(house);
  while (!signal.aborted) {
    try {
      const job = await claimJob(house, worker);
      if (job) await runJob(house, worker, job, signal);
      else await sleep(idleMs, undefined, { signal }).catch(() => undefined);
    } catch (error) {
      house.log.error({ err: error }, 'jobs could not be claimed or settled');
      await sleep(2000, undefined, { signal }).catch(() => undefined);
    }
  }
}
