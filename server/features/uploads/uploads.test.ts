import { createApp } from '../../app.ts';
import { randomBytes } from 'node:crypto';
import { readdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { subDays } from 'date-fns';
import { describe, expect, it, vi } from 'vitest';
import { tidy } from '../../jobs/tidy.ts';
import { chores } from '../../chores.ts';
import { originalKey } from '../../storage/index.ts';
import { bringRequest, clientA } from '../../testing/people.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { visit } from '../../testing/visitor.ts';

const { house, open, client } = peopledHouse('client');

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

const uploadFiles = (): Promise<string[]> => readdir(join(house.config.dataDir, 'uploads'));

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

  it('tells no other page that it might send here', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const begun = await begin(footageId, 50).set('origin', 'https://elsewhere.example');
    for (const answer of [begun, await offsetOf(begun.headers['location'] as string)])
      expect(Object.keys(answer.headers)).not.toContain('access-control-allow-origin');
  });

  it('begun anew leaves nothing of the earlier try', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const first = (await begin(footageId, 50)).headers['location'] as string;
    await append(first, 0, Buffer.alloc(20));
    const id = first.split('/').at(-1)!;
    expect(await uploadFiles()).toContain(id);
    await begin(footageId, 50);
    expect((await uploadFiles()).filter((name) => name.startsWith(id))).toEqual([]);
  });

  it('that nobody goes on with is removed after two weeks, and not before', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const id = ((await begin(footageId, 50)).headers['location'] as string).split('/').at(-1)!;
    await tidy(house, chores);
    expect(await uploadFiles()).toContain(id);
    const file = join(house.config.dataDir, 'uploads', `${id}.json`);
    const known = JSON.parse(await readFile(file, 'utf8')) as object;
    await writeFile(file, JSON.stringify({ ...known, creation_date: subDays(new Date(), 15).toISOString() }));
    await tidy(house, chores);
    expect((await uploadFiles()).filter((name) => name.startsWith(id))).toEqual([]);
    // It can be begun again.
    expect((await begin(footageId, 50)).status).toBe(201);
  });
});

describe('an upload whose last byte was in when the server died', () => {
  /** All bytes have arrived, and nobody said so: `takenOver` also the file had been moved to its place. */
  async function left(takenOver: boolean): Promise<{ footageId: string; requestId: string; at: string }> {
    const { requestId, footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const at = (await begin(footageId, 50)).headers['location'] as string;
    const id = at.split('/').at(-1)!;
    await writeFile(join(house.config.dataDir, 'uploads', id), Buffer.alloc(50, 7));
    if (takenOver) await house.storage.adoptUpload(id, footageId);
    return { footageId, requestId, at };
  }
  const arrived = async (footageId: string, requestId: string): Promise<void> => {
    expect((await house.db.footages.findByPk(footageId))!.get('state')).toBe('waiting');
    expect((await house.db.requests.findByPk(requestId))!.get('state')).toBe('waiting');
    expect((await house.storage.read(originalKey(footageId))).length).toBe(50);
    expect(await house.db.jobs.count({ where: { subjectId: footageId, kind: 'make-ready' } })).toBe(1);
  };

  it.each([false, true])(
    'is finished by whoever asks how far it is (taken over already: %s), and told that it is there',
    async (takenOver) => {
      const { footageId, requestId, at } = await left(takenOver);
      const asked = await offsetOf(at);
      expect([asked.status, asked.headers['upload-offset'], asked.headers['upload-length']]).toEqual([200, '50', '50']);
      await arrived(footageId, requestId);
      expect((await offsetOf(at)).headers['upload-offset']).toBe('50');
      expect((await offsetOf(at, await visit(open.app, 'other'))).status).toBe(404);
    },
  );

  it.each([false, true])('is finished by who looks after what is left, once (taken over already: %s)', async (takenOver) => {
    const { footageId, requestId } = await left(takenOver);
    await tidy(house, chores);
    expect((await house.db.footages.findByPk(footageId))!.get('state')).toBe('uploading');
    await house.db.footages.update({ changedAt: new Date(Date.now() - 60_000) }, { where: { id: footageId } });
    await Promise.all([tidy(house, chores), tidy(house, chores)]);
    await arrived(footageId, requestId);
  });
});

describe('room', () => {
  it('is asked for before a file is announced, in words that say what to do', async () => {
    const { id } = (await client.ask('post', '/api/drafts', { clientId: clientA })).body as { id: string };
    const announce = (byteSize: number) => client.ask('post', `/api/requests/${id}/footages`, { fileName: 'a.mp4', byteSize });
    const spy = vi.spyOn(house.room, 'freeBytes').mockReturnValue(50 * 1024 ** 2);
    expect((await announce(60 * 1024 ** 2)).body.code).toBe('no-room');
    expect((await announce(20 * 1024 ** 2)).status).toBe(200);
    // What was announced has its room already.
    expect((await announce(40 * 1024 ** 2)).body.code).toBe('no-room');
    spy.mockRestore();
    house.config.clientBytes = 100 * 1024 ** 2;
    const full = await announce(90 * 1024 ** 2);
    house.config.clientBytes = 200 * 1024 ** 3;
    expect([full.status, full.body.code]).toEqual([413, 'too-much-kept']);
    expect(full.body.message).toMatch(/^Your videos here take 0\.0 GB of 0\.1 GB, so this one of 0\.1 GB has no room\. /);
  });

  it('that is gone while a file is on its way is said so, and it goes on where it stopped once there is some', async () => {
    const { footageId } = await bringRequest(house, clientA, 'uploading', 50);
    const at = (await begin(footageId, 50)).headers['location'] as string;
    await append(at, 0, Buffer.alloc(20));
    const spy = vi.spyOn(house.room, 'freeBytes').mockReturnValue(0);
    expect((await append(at, 20, Buffer.alloc(30))).status).toBe(507);
    // Reading goes on; what would keep more is refused with a sentence.
    expect((await client.ask('get', '/api/requests')).status).toBe(200);
    const draft = await client.ask('post', '/api/drafts', { clientId: clientA });
    expect([draft.status, draft.body.message]).toEqual([
      507,
      'There is no room left on the disk just now, so nothing new is taken. What is here can be read; try again later.',
    ]);
    spy.mockRestore();
    expect((await append(at, 20, Buffer.alloc(30))).status).toBe(204);
  });
});
