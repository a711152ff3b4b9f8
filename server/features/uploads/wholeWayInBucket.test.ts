import { readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp, type OpenApp } from '../../app.ts';
import { s3Storage } from '../../storage/index.ts';
import { bringRequest, clientA, movePeopleIn } from '../../testing/people.ts';
import { openS3StandIn, type S3StandIn } from '../../testing/s3StandIn.ts';
import { openTestHouse, type TestHouse } from '../../testing/testHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';
import { runJobs } from '../../jobs/runJobs.ts';
import { jobKinds } from '../../jobKinds.ts';

let house: TestHouse;
let s3: S3StandIn;
let open: OpenApp;
let ada: Visitor;
beforeAll(async () => {
  s3 = await openS3StandIn();
  const onDisk = await openTestHouse();
  house = Object.assign(onDisk, { storage: s3Storage(s3.settings, 86_400_000) });
  await movePeopleIn(house);
  open = createApp(house);
  ada = await visit(open.app, 'client');
});
afterAll(async () => {
  open.close();
  await house.close();
  await s3.close();
});

/** Runs jobs until none waits. */
async function work(): Promise<void> {
  const stop = new AbortController();
  const run = runJobs(house, jobKinds, 'worker', stop.signal);
  while ((await house.db.jobs.count({ where: { state: ['waiting', 'running'] } })) > 0)
    await new Promise((resolve) => setTimeout(resolve, 50));
  stop.abort();
  await run;
}

describe('a house whose footage is kept in a bucket', () => {
  it('takes an upload, makes it ready, streams it, and removes it with everything made from it', async () => {
    const clip = join(tmpdir(), `lean-bucket-${process.pid}.mp4`);
    await writeBarcodeClip(clip, { frames: 30, width: 320, height: 180, sound: true });
    const bytes = await readFile(clip);
    const { requestId, footageId } = await bringRequest(house, clientA, 'uploading', bytes.length);
    const tus = { 'Tus-Resumable': '1.0.0' };
    const metadata = `footageId ${Buffer.from(footageId).toString('base64')}`;
    const begun = await ada.ask('post', '/api/uploads').set({ ...tus, 'Upload-Length': String(bytes.length), 'Upload-Metadata': metadata });
    const at = begun.headers['location'] as string;
    for (const [from, to] of [
      [0, 4000],
      [4000, bytes.length],
    ] as const)
      await ada
        .ask('patch', at)
        .set({ ...tus, 'Upload-Offset': String(from), 'Content-Type': 'application/offset+octet-stream' })
        .send(bytes.subarray(from, to) as never);
    await work();

    const { reviewCopy, strip } = (await ada.ask('get', `/api/footages/${footageId}/viewing`)).body as Record<
      'reviewCopy' | 'strip',
      string
    >;
    const part = await ada.ask('get', reviewCopy).set('range', 'bytes=4-7').buffer(true);
    expect([part.status, Buffer.from(part.body as Buffer).toString()]).toEqual([206, 'ftyp']);
    expect((await ada.ask('get', strip)).headers['content-type']).toBe('image/jpeg');
    expect((await ada.ask('get', `/api/footages/${footageId}/frames`)).body.times).toHaveLength(30);
    expect((await ada.ask('get', `/api/footages/${footageId}/frames/12/still.jpg`)).status).toBe(200);

    await ada.ask('post', `/api/requests/${requestId}/withdraw`, {});
    await work();
    expect([...s3.objects.keys()]).toEqual([]);
    expect(s3.openUploads()).toBe(0);
  });
});
