import { randomBytes } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp, type OpenApp } from '../../http/app.ts';
import { originalKey } from '../../storage/index.ts';
import { bringRequest, clientA, movePeopleIn } from '../../testing/people.ts';
import { openTestHouse, type TestHouse } from '../../testing/testHouse.ts';
import { visit, type Visitor } from '../../testing/visitor.ts';

let house: TestHouse;
let open: OpenApp;
let client: Visitor;
beforeAll(async () => {
  house = await openTestHouse();
  await movePeopleIn(house);
  open = createApp(house);
  client = await visit(open.app, 'client');
});
afterAll(async () => {
  open.close();
  await house.close();
});

const base64 = (text: string): string => Buffer.from(text).toString('base64');
const begin = (footageId: string, size: number, who = client) =>
  who
    .ask('post', '/api/uploads')
    .set({ 'Tus-Resumable': '1.0.0', 'Upload-Length': String(size), 'Upload-Metadata': `footageId ${base64(footageId)}` });
const offsetOf = async (at: string, who = client) => who.ask('head', at).set('Tus-Resumable', '1.0.0');
const append = (at: string, offset: number, bytes: Buffer, who = client) =>
  who
    .ask('patch', at)
    .set({ 'Tus-Resumable': '1.0.0', 'Upload-Offset': String(offset), 'Content-Type': 'application/offset+octet-stream' })
    .send(bytes as never);

describe('sending a file', () => {
  it('goes on where it stopped, and arrives byte for byte', async () => {
    const bytes = randomBytes(300_000);
    const { requestId, footageId } = await bringRequest(house, clientA, 'uploading', bytes.length);
    const at = (await begin(footageId, bytes.length)).headers['location'] as string;
    expect(at).toMatch(/^\/api\/uploads\/[a-f0-9]{32}$/);
    await append(at, 0, bytes.subarray(0, 100_000));
    const middle = await offsetOf(at);
    expect([middle.headers['upload-offset'], middle.headers['upload-length']]).toEqual(['100000', '300000']);
    expect((await house.db.footages.findByPk(footageId))?.get('state')).toBe('uploading');
    await append(at, 100_000, bytes.subarray(100_000));

    expect(Buffer.compare(await house.storage.read(originalKey(footageId)), bytes)).toBe(0);
    expect((await house.db.footages.findByPk(footageId))?.get('state')).toBe('waiting');
    expect((await house.db.requests.findByPk(requestId))?.get('state')).toBe('waiting');
    expect(await house.db.jobs.count({ where: { subjectId: footageId, state: 'waiting' } })).toBe(1);
  });

  it('refuses bytes at the wrong place and keeps what it has', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const at = (await begin(footageId, 50)).headers['location'] as string;
    await append(at, 0, Buffer.alloc(20));
    expect((await append(at, 40, Buffer.alloc(10))).status).toBe(409);
    expect((await offsetOf(at)).headers['upload-offset']).toBe('20');
  });

  it('goes on after the server was started anew', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const at = (await begin(footageId, 50)).headers['location'] as string;
    await append(at, 0, Buffer.alloc(20));
    const restarted = createApp(house);
    const again = await visit(restarted.app, 'client');
    expect((await offsetOf(at, again)).headers['upload-offset']).toBe('20');
    expect((await append(at, 20, Buffer.alloc(30), again)).status).toBe(204);
    restarted.close();
  });

  it('is hidden from other clients', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const other = await visit(open.app, 'other');
    expect((await begin(footageId, 50, other)).status).toBe(404);
    const at = (await begin(footageId, 50)).headers['location'] as string;
    expect((await offsetOf(at, other)).status).toBe(404);
    expect((await append(at, 0, Buffer.alloc(5), other)).status).toBe(404);
  });

  it('refuses another file than was announced, and one that has arrived already', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const wrong = await begin(footageId, 51);
    expect([wrong.status, wrong.text]).toEqual([404, 'The file is 51 bytes; 50 were announced. Choose it again.']);
    const { footageId: arrived } = await bringRequest(house, clientA, 'waiting', 50);
    expect((await begin(arrived, 50)).status).toBe(409);
  });

  it('needs the page’s token like any other change', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    expect((await begin(footageId, 50).set('x-lean-token', 'none')).status).toBe(403);
  });

  it('needs no token to be continued by a page that only asks how far it is', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const at = (await begin(footageId, 50)).headers['location'] as string;
    expect((await offsetOf(at).then((a) => a)).status).toBe(200);
  });
});
