import { randomBytes } from 'node:crypto';
import { mkdtemp, readdir, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { Upload } from '@tus/server';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openS3StandIn, type S3StandIn } from '../testing/s3StandIn.ts';
import { diskStorage } from './diskStorage.ts';
import { s3Storage } from './s3Storage.ts';
import { NotStored, type FootageStorage } from './storage.ts';

let folder: string;
let s3: S3StandIn;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-storage-'));
  s3 = await openS3StandIn();
});
afterAll(async () => {
  await s3.close();
  await rm(folder, { recursive: true });
});

const dayMs = 86_400_000;
const kinds: [name: string, open: () => FootageStorage][] = [
  ['this machine’s disk', () => diskStorage(join(folder, 'disk'), dayMs)],
  ['an S3-compatible store', () => s3Storage(s3.settings, dayMs)],
];

describe.each(kinds)('footage kept on %s', (_, openStorage) => {
  let storage: FootageStorage;
  beforeAll(() => {
    storage = openStorage();
  });
  const bytesOf = async (stream: Readable): Promise<Buffer> => Buffer.concat(await stream.toArray());

  it('is there whole under its key, and gives its size and any range of it', async () => {
    const bytes = randomBytes(100_000);
    await storage.putBytes('footage/a/review.mp4', bytes);
    expect(Buffer.compare(await storage.read('footage/a/review.mp4'), bytes)).toBe(0);
    expect(await storage.size('footage/a/review.mp4')).toBe(100_000);
    expect(Buffer.compare(await bytesOf(await storage.open('footage/a/review.mp4', 0, 99_999)), bytes)).toBe(0);
    expect(Buffer.compare(await bytesOf(await storage.open('footage/a/review.mp4', 70_000, 70_009)), bytes.subarray(70_000, 70_010))).toBe(
      0,
    );
  });

  it('takes over a local file, which is gone afterwards, and puts one in the place of another', async () => {
    for (const text of ['first', 'second and longer', 'third']) {
      const file = join(folder, 'given');
      await writeFile(file, text);
      await storage.putFile('footage/b/original', file);
      await expect(stat(file)).rejects.toThrow();
      expect((await storage.read('footage/b/original')).toString()).toBe(text);
    }
  });

  it('can be had as a local file until that is released', async () => {
    await storage.putBytes('footage/c/original', 'the bytes');
    const local = await storage.local('footage/c/original');
    expect(await readFile(local.path, 'utf8')).toBe('the bytes');
    await local.release();
    expect((await storage.read('footage/c/original')).toString()).toBe('the bytes');
  });

  it('says plainly that nothing is there', async () => {
    expect(await storage.size('footage/none/original')).toBeNull();
    await expect(storage.read('footage/none/original')).rejects.toBeInstanceOf(NotStored);
    await expect(storage.open('footage/none/original', 0, 1)).rejects.toBeInstanceOf(NotStored);
    await expect(storage.local('footage/none/original')).rejects.toBeInstanceOf(NotStored);
  });

  it('is removed one by one or with all that lies under a key, and nothing beside it', async () => {
    for (const key of ['footage/d/original', 'footage/d/review.mp4', 'footage/dd/original', 'stills/d/1.png'])
      await storage.putBytes(key, key);
    await storage.remove('footage/d/original');
    await storage.remove('footage/d/original');
    expect([await storage.size('footage/d/original'), await storage.size('footage/d/review.mp4')]).toEqual([null, 20]);
    await storage.remove('footage/d/');
    await storage.remove('footage/nothing/');
    expect(await storage.size('footage/d/review.mp4')).toBeNull();
    expect(await storage.size('footage/dd/original')).not.toBeNull();
    expect(await storage.size('stills/d/1.png')).not.toBeNull();
  });

  it('grows from an upload that was cut off and taken up again, and becomes an original', async () => {
    // Large enough for two parts of a multi-part upload and a rest.
    const bytes = randomBytes(20_000_000);
    const id = randomBytes(16).toString('hex');
    await storage.uploads.create(new Upload({ id, size: bytes.length, offset: 0, metadata: { footageId: 'e' } }));
    const first = await storage.uploads.write(Readable.from([bytes.subarray(0, 9_000_000)]), id, 0);
    expect((await storage.uploads.getUpload(id)).offset).toBe(first);
    await storage.uploads.write(Readable.from([bytes.subarray(first)]), id, first);
    const key = await storage.adoptUpload(id, 'e');
    expect(await storage.size(key)).toBe(bytes.length);
    expect(Buffer.compare(await storage.read(key), bytes)).toBe(0);
    await storage.remove(key);
  });

  it('loses what was uploaded so far when the upload is given up', async () => {
    const id = randomBytes(16).toString('hex');
    await storage.uploads.create(new Upload({ id, size: 30_000_000, offset: 0, metadata: {} }));
    await storage.uploads.write(Readable.from([randomBytes(9_000_000)]), id, 0);
    await storage.removeUpload(id);
    await storage.removeUpload(id);
    await expect(storage.uploads.getUpload(id)).rejects.toMatchObject({ status_code: 404 });
  });
});

describe('nothing is left behind', () => {
  it('on disk: no half-written file, no folder of an upload', async () => {
    const names = await readdir(join(folder, 'disk'), { recursive: true });
    expect(names.filter((name) => /[0-9a-f-]{36}$/.test(name) || name.startsWith('uploads/'))).toEqual([]);
  });

  it('in the store: no open upload, nothing beside the objects', () => {
    expect(s3.openUploads()).toBe(0);
    expect([...s3.objects.keys()].filter((key) => !key.startsWith('footage/') && !key.startsWith('stills/'))).toEqual([]);
  });
});
