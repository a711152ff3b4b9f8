import { writeFile } from 'node:fs/promises';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { beforeEach, describe, expect, it } from 'vitest';
import { createApp } from '../app.ts';
import { originalKey } from '../storage/index.ts';
import { pathOf } from '../testing/footage.ts';
import { bringRequest, clientA } from '../testing/people.ts';
import { peopledHouse } from '../testing/peopledHouse.ts';
import { visit } from '../testing/visitor.ts';
import { beatHeart, claimJob, enqueueJob, settleJob } from './repository.ts';
import { runJobs } from './runJobs.ts';
import { jobKinds } from '../jobKinds.ts';

const { house } = peopledHouse();
beforeEach(async () => {
  house.time = null;
  await house.db.jobs.destroy({ where: {} });
});

const footageOf = async (subjectId: string) => (await house.db.footages.findByPk(subjectId))!.get({ plain: true });
/** Runs jobs until the footage is in one of these states. */
async function runUntil(footageId: string, ...states: string[]): Promise<void> {
  const stop = new AbortController();
  const run = runJobs(house, jobKinds, 'worker', stop.signal);
  while (!states.includes((await footageOf(footageId)).state)) await new Promise((resolve) => setTimeout(resolve, 50));
  stop.abort();
  await run;
}

const kinds = ['make-ready'] as const;
describe('claiming', () => {
  it('gives each job to one worker only, however many ask at once', async () => {
    for (let i = 0; i < 8; i++) await enqueueJob(house, 'make-ready', house.newId());
    const claimed = await Promise.all(Array.from({ length: 12 }, (_, i) => claimJob(house, `worker ${i}`, kinds)));
    const ids = claimed.filter((job) => job !== null).map((job) => job.id);
    expect(new Set(ids).size).toBe(ids.length);
    // Skipped rows may leave a claimer empty-handed; whoever asks again gets the rest.
    for (let job = await claimJob(house, 'late', kinds); job; job = await claimJob(house, 'late', kinds)) ids.push(job.id);
    expect(new Set(ids).size).toBe(8);
  });

  it('takes a job from a worker that has died, and not from one whose heart beats', async () => {
    await enqueueJob(house, 'make-ready', house.newId());
    house.time = new Date('2030-01-01T00:00:00Z');
    const job = (await claimJob(house, 'first', kinds))!;
    house.time = new Date('2030-01-01T00:00:12Z');
    expect(await beatHeart(house, job.id, 'first')).toBe(true);
    house.time = new Date('2030-01-01T00:00:24Z');
    expect(await claimJob(house, 'second', kinds)).toBeNull();
    house.time = new Date('2030-01-01T00:00:28Z');
    expect(await claimJob(house, 'second', kinds)).toMatchObject({ id: job.id, claimedBy: 'second', attempts: 2 });
    expect(await beatHeart(house, job.id, 'first')).toBe(false);
    await settleJob(house, job.id, 'first', { state: 'done' });
    expect((await house.db.jobs.findByPk(job.id))?.get('state')).toBe('running');
  });

  it('goes on when the clock was set back, and when it was set forward', async () => {
    await enqueueJob(house, 'make-ready', house.newId());
    house.time = new Date(Date.now() - 30 * 86_400_000);
    const job = (await claimJob(house, 'first', kinds))!;
    expect(job).not.toBeNull();
    // Its process died, and the clock was set back by another day.
    house.time = new Date(house.time.getTime() - 86_400_000);
    expect(await claimJob(house, 'second', kinds)).toMatchObject({ id: job.id, claimedBy: 'second' });
    expect(await claimJob(house, 'third', kinds)).toBeNull();
    house.time = new Date(Date.now() + 365 * 86_400_000);
    expect(await claimJob(house, 'third', kinds)).toMatchObject({ id: job.id });
  });

  it('lets a job wait until its time', async () => {
    await enqueueJob(house, 'make-ready', house.newId());
    house.time = new Date(Date.now() - 60_000);
    expect(await claimJob(house, 'early', kinds)).toBeNull();
  });
});

describe('running', () => {
  it('makes footage ready and settles the job', async () => {
    const { footageId } = await bringRequest(house, clientA, 'waiting');
    await writeBarcodeClip(pathOf(house, originalKey(footageId)), { frames: 40, width: 160, height: 120 });
    await enqueueJob(house, 'make-ready', footageId);
    await runUntil(footageId, 'ready');
    expect(await house.db.jobs.findOne({ where: { subjectId: footageId }, raw: true })).toMatchObject({ state: 'done', attempts: 1 });
  });

  it('gives up at once on a file that is no footage, in words for the client, and offers no second try', async () => {
    const { footageId } = await bringRequest(house, clientA, 'waiting');
    await writeFile(pathOf(house, originalKey(footageId)), 'no video');
    await enqueueJob(house, 'make-ready', footageId);
    await runUntil(footageId, 'failed');
    expect(await footageOf(footageId)).toMatchObject({
      failure: 'This file is not a video we can read. Send it as MP4, MOV, MKV, WebM, AVI or TS.',
    });
    expect(await house.db.jobs.findOne({ where: { subjectId: footageId }, raw: true })).toMatchObject({ state: 'resting', attempts: 1 });

    const open = createApp(house);
    const coach = await visit(open.app, 'coach');
    // The file is what it is: only another one helps.
    expect((await footageOf(footageId)).retryHelps).toBe(false);
    expect((await coach.ask('post', `/api/footages/${footageId}/retry`, {})).body.code).toBe('not-retryable');
    open.close();
  });

  it('tries a fault of our own three times, each later, and then rests with its reason', async () => {
    const { footageId } = await bringRequest(house, clientA, 'waiting');
    // The original is missing: no fault of the client's.
    await enqueueJob(house, 'make-ready', footageId);
    const waits: number[] = [];
    for (let attempt = 1; attempt <= 3; attempt++) {
      const before = Date.now();
      await house.db.jobs.update({ runAfter: new Date(before - 1000) }, { where: { subjectId: footageId } });
      const stop = new AbortController();
      const run = runJobs(house, jobKinds, 'worker', stop.signal);
      const settled = async () => (await house.db.jobs.findOne({ where: { subjectId: footageId } }))!.get({ plain: true });
      while ((await settled()).attempts < attempt || (await settled()).state === 'running')
        await new Promise((resolve) => setTimeout(resolve, 30));
      stop.abort();
      await run;
      waits.push((+(await settled()).runAfter - before) / 1000);
    }
    expect(waits[0]).toBeGreaterThan(15);
    expect(waits[1]).toBeGreaterThan(35);
    expect(await footageOf(footageId)).toMatchObject({
      state: 'failed',
      failure: 'Making the footage ready failed on our side. The coach can try it again.',
      retryHelps: true,
    });
    await writeBarcodeClip(pathOf(house, originalKey(footageId)), { frames: 20, width: 160, height: 120 });
    const open = createApp(house);
    const coach = await visit(open.app, 'coach');
    expect((await coach.ask('post', `/api/footages/${footageId}/retry`, {})).body).toMatchObject({ state: 'waiting', failure: null });
    expect((await coach.ask('post', `/api/footages/${footageId}/retry`, {})).body.code).toBe('not-retryable');
    open.close();
    await runUntil(footageId, 'ready');
    expect((await footageOf(footageId)).failure).toBeNull();
  });

  it('puts a job back untried when it is stopped from outside', async () => {
    const { footageId } = await bringRequest(house, clientA, 'waiting');
    await writeBarcodeClip(pathOf(house, originalKey(footageId)), { frames: 500, width: 320, height: 180 });
    await enqueueJob(house, 'make-ready', footageId);
    const stop = new AbortController();
    const run = runJobs(house, jobKinds, 'worker', stop.signal);
    while ((await footageOf(footageId)).step !== 'Making the review copy') await new Promise((resolve) => setTimeout(resolve, 5));
    stop.abort();
    await run;
    expect(await house.db.jobs.findOne({ where: { subjectId: footageId }, raw: true })).toMatchObject({ state: 'waiting', attempts: 0 });
    await runUntil(footageId, 'ready');
  });
});
