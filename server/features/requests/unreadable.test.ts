import type { TodayRow } from '@lean-mentor/contract';
import { writeFile } from 'node:fs/promises';
import { beforeEach, describe, expect, it } from 'vitest';
import { enqueueJob } from '../../jobs/index.ts';
import { originalKey } from '../../storage/index.ts';
import { pathOf } from '../../testing/footage.ts';
import { runDue } from '../../testing/jobs.ts';
import { bringFootage, bringRequest, clientA, clientB } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { type Visitor } from '../../testing/visitor.ts';

const { house, coach, client: ada, other: ben, guardian: gerd } = peopledHouse('coach', 'client', 'other', 'guardian');
beforeEach(async () => {
  await house.db.jobs.destroy({ where: {} });
  await house.db.letters.destroy({ where: {} });
});

/** The bytes of a footage that has arrived are no video; the jobs process finds that out. */
async function turnOutUnreadable(...footageIds: string[]): Promise<void> {
  for (const footageId of footageIds) {
    await writeFile(pathOf(house, originalKey(footageId)), 'no video');
    await enqueueJob(house, 'make-ready', footageId);
  }
  await runDue(house, 'make-ready');
}
const requestOf = async (who: Visitor, id: string) => (await who.ask('get', `/api/requests/${id}`)).body;
const replace = (who: Visitor, requestId: string, footageId: string) =>
  who.ask('post', `/api/requests/${requestId}/footages/${footageId}/replace`, { fileName: 'better.mp4', byteSize: 20 });
const planned = async (): Promise<string[]> =>
  ((await coach.ask('get', '/api/today')).body.rows as TodayRow[])
    .filter(({ state, canBegin }) => state === 'waiting' && canBegin)
    .map(({ id }) => id);

describe('a request of which no video can be read', () => {
  it('stops its clock, tells its client by letter and page, and takes another file at once', async () => {
    const { requestId, footageId } = await bringRequest(house, clientA, 'waiting');
    await turnOutUnreadable(footageId);
    const stopped = await requestOf(ada, requestId);
    expect(stopped).toMatchObject({
      state: 'need-first',
      stoppedAt: expect.any(String),
      footages: [{ state: 'failed', retryHelps: false }],
    });
    expect(stopped.exchange).toMatchObject([{ kind: 'unreadable', words: expect.stringMatching(/^This file is not a video we can read/) }]);
    const letters = await house.db.letters.findAll();
    expect(letters.map((letter) => [letter.get('toName'), letter.get('subject')])).toEqual([['Ada Moor', 'Your video cannot be read']]);
    expect(await planned()).not.toContain(requestId);

    const { body: fresh } = await replace(ada, requestId, footageId);
    expect(fresh).toMatchObject({ state: 'uploading', fileName: 'better.mp4' });
    const now = await requestOf(ada, requestId);
    // The clock goes on with the last byte, moved on by as long as it stood.
    expect(now).toMatchObject({ state: 'uploading', stoppedAt: stopped.stoppedAt, footages: [{ id: fresh.id }] });
    expect(await house.db.footages.findByPk(footageId)).toBeNull();
  });

  it('of a minor goes past the guardian again with the file in its place', async () => {
    const { requestId, footageId } = await bringRequest(house, clientB, 'waiting');
    await turnOutUnreadable(footageId);
    const { body } = await replace(ben, requestId, footageId);
    expect((await requestOf(ben, requestId)).state).toBe('guardian');
    expect((await coach.ask('get', `/api/footages/${body.id}/frames`)).status).toBe(404);
  });
});

describe('a request that has not reached the coach', () => {
  it('is not sent while no video of it can be read, and is with one that can', async () => {
    const { requestId, footageId } = await bringRequest(house, clientA, 'waiting');
    await house.db.requests.update({ state: 'draft' }, { where: { id: requestId } });
    await turnOutUnreadable(footageId);
    expect((await ada.ask('post', `/api/requests/${requestId}/send`)).body.code).toBe('unreadable-footage');
    // On the page of a draft it is seen at once; nobody is written to.
    expect(await house.db.letters.count()).toBe(0);
    await bringFootage(house, requestId, { position: 2, state: 'ready' });
    expect((await ada.ask('post', `/api/requests/${requestId}/send`)).body.state).toBe('waiting');
  });

  it('goes back to its client where its guardian lets it go after nothing of it could be read', async () => {
    const { requestId, footageId } = await bringRequest(house, clientB, 'waiting');
    await house.db.requests.update({ state: 'guardian' }, { where: { id: requestId } });
    await turnOutUnreadable(footageId);
    expect((await requestOf(ben, requestId)).state).toBe('guardian');
    expect((await gerd.ask('post', `/api/requests/${requestId}/approve`)).status).toBe(200);
    expect(await requestOf(ben, requestId)).toMatchObject({
      state: 'need-first',
      exchange: [{ kind: 'unreadable', byName: 'Lean Mentor' }],
    });
    expect(await planned()).not.toContain(requestId);
  });
});

describe('nine videos of which two cannot be read', () => {
  it('enter the plan with seven, and the two can be replaced while they are in it', async () => {
    const { requestId, footageId } = await bringRequest(house, clientA, 'ready');
    const bad = [house.newId(), house.newId()];
    for (let position = 2; position <= 7; position++) await bringFootage(house, requestId, { position, state: 'ready' });
    for (const [i, id] of bad.entries()) await bringFootage(house, requestId, { id, position: 8 + i, state: 'waiting' });
    expect(await planned()).not.toContain(requestId);
    await turnOutUnreadable(...bad);
    expect(await requestOf(ada, requestId)).toMatchObject({ state: 'waiting', stoppedAt: null, exchange: [] });
    expect(await planned()).toContain(requestId);
    const [letter] = await house.db.letters.findAll({ raw: true });
    expect(letter).toMatchObject({ subject: 'One of your videos cannot be read', body: expect.stringContaining('The other') });
    expect((await replace(ada, requestId, bad[0]!)).status).toBe(200);
    expect(await requestOf(ada, requestId)).toMatchObject({ state: 'waiting', stoppedAt: null });
    // Only what cannot be read is replaced, by whose it is.
    expect((await replace(ada, requestId, footageId)).body.code).toBe('not-now');
    expect((await replace(ben, requestId, bad[1]!)).status).toBe(404);
    expect((await replace(coach, requestId, bad[1]!)).status).toBe(403);
  });
});
