import { claimJob } from '../jobs/repository.ts';
import type { House } from '../house/house.ts';
import type { JobRow } from '../jobs/model.ts';
import { runJobs } from '../jobs/runJobs.ts';
import { jobKinds } from '../jobKinds.ts';

/** Runs jobs as the jobs process does until none of a kind waits or runs. */
export async function runDue(house: House, kind: JobRow['kind']): Promise<void> {
  const stop = new AbortController();
  const run = runJobs(house, jobKinds, 'worker', stop.signal);
  while ((await house.db.jobs.count({ where: { kind, state: ['waiting', 'running'] } })) > 0)
    await new Promise((resolve) => setTimeout(resolve, 20));
  stop.abort();
  await run;
}

/** Does the jobs of a kind whose time has come, one after another; those of later are left. */
export async function runThoseDue(house: House, kind: JobRow['kind']): Promise<void> {
  for (let job = await claimJob(house, 'worker', [kind]); job; job = await claimJob(house, 'worker', [kind])) {
    await jobKinds[kind].run(house, job, new AbortController().signal);
    await house.db.jobs.update({ state: 'done' }, { where: { id: job.id } });
  }
}
