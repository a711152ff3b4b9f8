import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { runJobs } from '../../jobs/runJobs.ts';
import { jobKinds } from '../../jobKinds.ts';
import { clipFolder, clipPosterKey, clipVideoKey } from '../../storage/index.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit } from '../../testing/visitor.ts';

const { house, open, coach } = peopledHouse('coach');
let folder: string;
let video: Buffer;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-clips-'));
  const file = join(folder, 'clip.mp4');
  await writeBarcodeClip(file, { frames: 45 });
  video = await readFile(file);
});
afterAll(async () => {
  await rm(folder, { recursive: true });
});

const add = async (title: string): Promise<string> => {
  const id = house.newId();
  expect((await coach.ask('post', '/api/clips', { id, title })).status).toBe(200);
  return id;
};
const send = (id: string, bytes: Buffer) => coach.ask('put', `/api/clips/${id}/video`).type('application/octet-stream').send(bytes);
const clips = async () => (await coach.ask('get', '/api/clips')).body.clips as { id: string; title: string; state: string }[];

/** Runs the jobs process until a clip is no longer being made ready. */
async function settled(id: string) {
  const stop = new AbortController();
  const running = runJobs(house, jobKinds, 'worker', stop.signal);
  try {
    for (;;) {
      const clip = (await clips()).find((one) => one.id === id);
      if (clip?.state !== 'working') return clip;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  } finally {
    stop.abort();
    await running;
  }
}

describe('a clip of the coach’s own', () => {
  it('is made ready to play, with a still to know it by', async () => {
    const id = await add('Elbow back to the hip');
    expect((await send(id, video)).body).toMatchObject({ id, state: 'working', failure: null });
    expect(await settled(id)).toMatchObject({ state: 'ready', title: 'Elbow back to the hip', seconds: 1.5 });
    const part = await coach.ask('get', `/api/clips/${id}/video`).set('range', 'bytes=4-7');
    expect([part.status, part.headers['content-type'], (part.body as Buffer).toString()]).toEqual([206, 'video/mp4', 'ftyp']);
    const still = await coach.ask('get', `/api/clips/${id}/poster.jpg`);
    expect([still.status, (still.body as Buffer).subarray(0, 2).toString('hex')]).toEqual([200, 'ffd8']);
  });

  it('that is no video says so in a sentence, and takes another video', async () => {
    const id = await add('Not a video');
    await send(id, Buffer.from('<html>no video</html>'.repeat(40)));
    expect(await settled(id)).toMatchObject({ state: 'failed', failure: expect.stringContaining('not a video') });
    await send(id, video);
    expect(await settled(id)).toMatchObject({ state: 'ready', failure: null });
  });

  it('is renamed, and taken away with its bytes', async () => {
    const id = await add('First name');
    await send(id, video);
    await settled(id);
    expect((await coach.ask('patch', `/api/clips/${id}`, { title: '  Second name ' })).body.title).toBe('Second name');
    expect((await coach.ask('delete', `/api/clips/${id}`)).status).toBe(200);
    expect((await clips()).some((clip) => clip.id === id)).toBe(false);
    expect((await coach.ask('get', `/api/clips/${id}/video`)).status).toBe(404);
    const stop = new AbortController();
    const running = runJobs(house, jobKinds, 'worker', stop.signal);
    for (let tries = 0; tries < 100 && (await house.storage.size(clipVideoKey(id))) !== null; tries++)
      await new Promise((resolve) => setTimeout(resolve, 50));
    stop.abort();
    await running;
    for (const key of [clipVideoKey(id), clipPosterKey(id), `${clipFolder(id)}original`]) expect(await house.storage.size(key)).toBeNull();
  });

  it('added twice under one id is one clip', async () => {
    const id = await add('Once');
    await coach.ask('post', '/api/clips', { id, title: 'Twice' });
    expect((await clips()).filter((clip) => clip.id === id)).toMatchObject([{ title: 'Once' }]);
  });

  it('is the coach’s alone: a client sees none', async () => {
    const id = await add('Mine');
    const client = await visit(open.app, 'client');
    for (const path of ['/api/clips', `/api/clips/${id}/video`]) expect((await client.ask('get', path)).status).toBe(403);
    expect((await coach.ask('put', `/api/clips/${house.newId()}/video`).send(video)).status).toBe(404);
  });
});
