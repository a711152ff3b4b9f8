import { copyFile, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { FrameTable } from '@lean-mentor/core/footage';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { addHours } from 'date-fns';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { editionCopyKey, editionTableKey, originalKey, reviewCopyKey } from '../../storage/index.ts';
import { barcodeOf } from '../../testing/barcode.ts';
import { footageOf, pathOf, tableOf } from '../../testing/footage.ts';
import { aNote, bringBout } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit } from '../../testing/visitor.ts';
import { editionsOf, removeOldEditions } from './editions.ts';
import { makeReady } from './makeReady.ts';
import { changeFootage, findFootage, progressOf } from './repository.ts';

const { house, open, coach, client: ada, other: ben } = peopledHouse('coach', 'client', 'other');
const never = new AbortController().signal;
let folder: string;
let clip: string;
/** What the clip becomes: the review copy, in a file, and its frames' times. */
let whole: { copy: string; table: FrameTable };
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-editions-'));
  clip = join(folder, 'clip.mp4');
  await writeBarcodeClip(clip, { frames: 90, width: 320, height: 240 });
  const made = await footageOf(house, clip);
  await makeReady(house, made, never);
  whole = { copy: pathOf(house, reviewCopyKey(made)), table: await tableOf(house, made) };
});
afterAll(() => rm(folder, { recursive: true }));

const tableTo = (frames: number): FrameTable => ({ times: whole.table.times.slice(0, frames), endSeconds: frames / 30 });

let footageId: string;
beforeEach(async () => {
  house.time = null;
  footageId = await footageOf(house, clip);
  await changeFootage(house, footageId, { state: 'working', released: true, originalKey: originalKey(footageId), width: 320, height: 240 });
});

const row = async () => (await findFootage(house, footageId))!;
/** Puts out the first frames of the footage, with these bytes for the copy. */
async function putOut(frames: number, bytes = 'copy'): Promise<void> {
  const copy = join(folder, `${house.newId()}.mp4`);
  await writeFile(copy, bytes);
  await (await editionsOf(house, await row()))!.put({ copy, table: tableTo(frames) });
}
const kept = (edition: number): Promise<number | null> => house.storage.size(editionCopyKey(footageId, edition));
const ask = (who: typeof ada, edition: number) => who.ask('get', `/api/footages/${footageId}/editions/${edition}`);

describe('what is put out of a footage before all of it is ready', () => {
  it('is said with its length, and given to those who may see the footage', async () => {
    expect(progressOf(await row()).soFar).toBeNull();
    await putOut(30, 'first');
    expect(progressOf(await row()).soFar).toEqual({ edition: 1, seconds: 1 });
    for (const who of [ada, coach]) {
      const { status, body } = await ask(who, 1);
      expect([status, body.table]).toEqual([200, tableTo(30)]);
      const video = await who.ask('get', body.reviewCopy as string);
      expect([video.status, video.headers['content-type'], video.headers['content-length']]).toEqual([200, 'video/mp4', '5']);
    }
  });

  it('is nothing to anybody else, and its address to nobody but who asked for it', async () => {
    await putOut(30);
    expect((await ask(ben, 1)).status).toBe(404);
    expect((await (await visit(open.app, null)).ask('get', `/api/footages/${footageId}/editions/1`)).status).toBe(401);
    const { reviewCopy } = (await ask(ada, 1)).body as { reviewCopy: string };
    expect((await ben.ask('get', reviewCopy)).status).toBe(404);
    expect((await coach.ask('get', reviewCopy)).status).toBe(410);
    expect((await ada.ask('get', reviewCopy.replace('editions/1', 'editions/2'))).status).toBe(410);
  });

  it('is not there for the coach before client and guardian let the footage go', async () => {
    await changeFootage(house, footageId, { released: false });
    await putOut(30);
    expect((await ask(coach, 1)).status).toBe(404);
    expect((await ask(ada, 1)).status).toBe(200);
  });

  it('stays beside the next one for those who are looking at it, and goes with the one after', async () => {
    for (const frames of [30, 45, 70]) await putOut(frames);
    expect([await kept(1), await kept(2), await kept(3)]).toEqual([null, 4, 4]);
    expect((await ask(ada, 1)).status).toBe(404);
    expect((await ask(ada, 2)).body.table.times).toHaveLength(45);
  });

  it('never moves a frame: other times under the same index are refused, and what was there stays', async () => {
    await putOut(30);
    const copy = join(folder, 'moved.mp4');
    await writeFile(copy, 'moved');
    const { times } = tableTo(60);
    const moved = { times: times.map((time, frame) => (frame === 20 ? time + 0.001 : time)), endSeconds: 2 };
    await expect((await editionsOf(house, await row()))!.put({ copy, table: moved })).rejects.toThrow('other frames');
    expect([(await row()).edition, await kept(2)]).toEqual([1, null]);
  });

  it('is removed with a footage that was taken back meanwhile', async () => {
    await changeFootage(house, footageId, { state: 'removed' });
    await putOut(30);
    expect([await kept(1), await house.storage.size(originalKey(footageId))]).toEqual([null, null]);
    expect((await ask(ada, 1)).body.code).toBe('footage-removed');
  });

  it('goes on being there when making ready is tried again, and only a longer one follows', async () => {
    await putOut(60);
    await changeFootage(house, footageId, { state: 'waiting' });
    expect(progressOf(await row()).soFar).toEqual({ edition: 1, seconds: 2 });
    expect((await editionsOf(house, await row()))!.lastSeconds).toBe(2);
  });

  it('is nothing of footage on which something stands already, which is made ready once more; what is marked on an edition ends nothing', async () => {
    await bringBout(house, footageId, 10, 80);
    expect(await editionsOf(house, await row())).toBeNull();
    await house.db.bouts.destroy({ where: { footageId } });
    const write = async () => house.db.notes.create({ ...aNote(house.newId(), footageId), requestId: (await row()).requestId });
    await write();
    expect(await editionsOf(house, await row())).toBeNull();
    await house.db.notes.destroy({ where: { footageId } });
    await putOut(30);
    await write();
    await putOut(60);
    expect((await row()).edition).toBe(2);
  });

  it('gives way to the whole, whose frames are the same, and is removed an hour later', async () => {
    await putOut(60);
    await makeReady(house, footageId, never);
    const ready = await row();
    expect([ready.state, ready.advice!.filter((words) => words.includes('moved')), progressOf(ready).soFar]).toEqual(['ready', [], null]);
    await removeOldEditions(house);
    expect(await kept(1)).toBe(4);
    house.time = addHours(new Date(), 2);
    await removeOldEditions(house);
    expect([await kept(1), (await row()).edition, (await house.storage.size(reviewCopyKey(footageId))) !== null]).toEqual([null, 0, true]);
  });

  it('that had other frames than the whole is said to whoever marked it', async () => {
    await putOut(60);
    await house.storage.putBytes(
      editionTableKey(footageId, 1),
      JSON.stringify({ ...tableTo(60), times: tableTo(60).times.map((time) => time + 0.01) }),
    );
    await makeReady(house, footageId, never);
    expect((await row()).advice).toContainEqual(expect.stringContaining('Its frames moved'));
  });
});

describe('pictures of a footage that is still being made ready', () => {
  it('are given of the frames that are there', async () => {
    const copy = join(folder, 'so-far.mp4');
    await copyFile(whole.copy, copy);
    await (await editionsOf(house, await row()))!.put({ copy, table: tableTo(60) });
    const small = await ada.ask('get', `/api/footages/${footageId}/frames/41/still.jpg`);
    expect([small.status, await barcodeOf(small.body as Buffer)]).toEqual([200, 41]);
    const { requestId } = await row();
    const still = (frame: number) => coach.ask('get', `/api/requests/${requestId}/footages/${footageId}/frames/${frame}/still.png`);
    const drawn = await still(41);
    expect([drawn.status, await barcodeOf(drawn.body as Buffer)]).toEqual([200, 41]);
    expect((await still(60)).status).toBe(404);
  });
});
