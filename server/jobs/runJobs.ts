import { setTimeout as sleep } from 'node:timers/promises';
import { addSeconds } from 'date-fns';
import type { House } from '../house/house.ts';
import { MediaFault } from '../media/mediaFault.ts';
import { saysNoRoom } from '../storage/room.ts';
import type { JobKind, JobKinds } from './jobKind.ts';
import { lanes as usualLanes, type Lane } from './lanes.ts';
import type { JobRow } from './model.ts';
import { beatHeart, claimJob, settleJob } from './repository.ts';

const idleMs = 400;
const heartbeatMs = 5000;
/** A job is tried this often; then it rests with its reason until somebody asks again. */
const mostAttempts = 3;
const backOffSeconds = 10;
/** What found no room on the disk is looked at again after so long. */
const roomSeconds = 30;

/** When a job that failed is tried again: each time twice as long after, an hour at most. */
const later = (house: House, job: JobRow): Date => addSeconds(house.now(), Math.min(3600, backOffSeconds * 2 ** job.attempts));

/** Whether the disk has room for what is made; a bucket grows by itself. */
const hasRoom = (house: House): boolean => house.config.s3 !== null || house.room.hasFor(0);

/** Runs one claimed job to its end, whatever that is. */
async function runJob(house: House, kind: JobKind, worker: string, job: JobRow, signal: AbortSignal): Promise<void> {
  const lost = new AbortController();
  const heart = setInterval(() => {
    beatHeart(house, job.id, worker).then(
      (mine) => mine || lost.abort(new Error('The job was taken by another process.')),
      (error) => house.log.warn({ err: error, jobId: job.id }, 'heartbeat was not written'),
    );
  }, heartbeatMs);
  /** Puts it back as if it had not been tried. */
  const putBack = (runAfter: Date) => settleJob(house, job.id, worker, { state: 'waiting', attempts: job.attempts - 1, runAfter });
  try {
    const stop = AbortSignal.any([signal, lost.signal]);
    await kind.run(house, job, stop);
    await settleJob(house, job.id, worker, { state: 'done', reason: null });
  } catch (error) {
    if (lost.signal.aborted) return;
    if (signal.aborted) return await putBack(house.now());
    house.log.warn({ err: error, jobId: job.id, kind: job.kind, subjectId: job.subjectId, attempt: job.attempts }, 'job failed');
    const isFiles = error instanceof MediaFault;
    if (!isFiles && (saysNoRoom(error) || !hasRoom(house))) {
      await putBack(addSeconds(house.now(), roomSeconds));
      await kind.waits?.(house, job.subjectId);
      return;
    }
    const reason = isFiles ? error.message : kind.failed;
    if (kind.rested && (isFiles || job.attempts >= mostAttempts)) {
      await settleJob(house, job.id, worker, { state: 'resting', reason });
      await kind.rested(house, job.subjectId, reason, isFiles);
    } else {
      await settleJob(house, job.id, worker, { state: 'waiting', reason, runAfter: later(house, job) });
      await kind.waits?.(house, job.subjectId);
    }
  } finally {
    clearInterval(heart);
  }
}

/** Claims and runs jobs of a lane one after another until `signal` aborts. A database that is away for a while is waited for. */
async function runLane(house: House, jobKinds: JobKinds, worker: string, { kinds, needsRoom }: Lane, signal: AbortSignal): Promise<void> {
  while (!signal.aborted) {
    try {
      const job = needsRoom && !hasRoom(house) ? null : await claimJob(house, worker, kinds);
      if (job) await runJob(house, jobKinds[job.kind], worker, job, signal);
      else await sleep(idleMs, undefined, { signal }).catch(() => undefined);
    } catch (error) {
      house.log.error({ err: error }, 'jobs could not be claimed or settled');
      await sleep(2000, undefined, { signal }).catch(() => undefined);
    }
  }
}

/** Runs jobs, each lane beside the others and as many of it at once as it says, until `signal` aborts. */
export async function runJobs(
  house: House,
  jobKinds: JobKinds,
  worker: string,
  signal: AbortSignal,
  lanes: readonly Lane[] = usualLanes,
): Promise<void> {
  const runs = lanes.flatMap((lane, l) =>
    Array.from({ length: lane.atOnce }, (_, i) => runLane(house, jobKinds, `${worker} ${l}.${i}`, lane, signal)),
  );
  await Promise.all(runs);
}
