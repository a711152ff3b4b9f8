import { copyFile, mkdtemp, rm, stat, truncate } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { continuesTable, type FrameTable } from '@lean-mentor/core/footage';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { barcodeOf } from '../testing/barcode.ts';
import { ffmpeg } from '../testing/footage.ts';
import { Editions, packEdition, wholePieces, type Edition } from './editions.ts';
import { readFrameTable } from './frameTimes.ts';
import { MotionReader } from './motionReader.ts';
import { probe } from './probe.ts';
import { growingName, makeReviewCopy } from './reviewCopy.ts';
import { frameImage } from './still.ts';
import { StripReader } from './stripReader.ts';

let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-editions-'));
});
afterAll(() => rm(folder, { recursive: true }));

interface Made {
  growing: string;
  whole: FrameTable;
  bytes: number;
}

/** Makes the review copy of a file while it grows in pieces beside itself. */
async function grown(file: string): Promise<Made> {
  const own = await mkdtemp(join(folder, 'made-'));
  const found = await probe(file, 'mov');
  const readers = { motion: new MotionReader(), strip: new StripReader(found), editions: { heard: () => undefined } };
  await makeReviewCopy(file, join(own, 'review.mp4'), found, readers, () => undefined);
  const growing = join(own, growingName);
  return { growing, whole: await readFrameTable(join(own, 'review.mp4')), bytes: (await stat(growing)).size };
}

/** What would be put out had only so many bytes been written. */
async function editionAt({ growing }: Made, bytes: number): Promise<Edition | null> {
  const cut = join(folder, `cut-${bytes}.mp4`);
  await copyFile(growing, cut);
  await truncate(cut, bytes);
  return packEdition(cut, join(folder, `edition-${bytes}.mp4`), folder);
}

describe('an edition of a review copy', () => {
  let phone: Made;
  const kinds: [name: string, make: () => Promise<Made>][] = [
    ['of a phone: uneven times, turned, frames out of order in the file', () => Promise.resolve(phone)],
    ['whose sound begins before its picture', () => shifted('late-picture', '0.7', '0')],
    ['whose sound begins after its picture', () => shifted('late-sound', '0', '0.5')],
  ];
  const plain = (): string => join(folder, 'plain.mp4');
  async function shifted(name: string, picture: string, sound: string): Promise<Made> {
    const file = join(folder, `${name}.mp4`);
    const from = (offset: string): string[] => ['-itsoffset', offset, '-i', plain()];
    await ffmpeg(...from(picture), ...from(sound), '-map', '0:v', '-map', '1:a', '-c', 'copy', file);
    return grown(file);
  }
  beforeAll(async () => {
    const file = join(folder, 'phone.mp4');
    await writeBarcodeClip(file, { frames: 150, rotated: true, variableRate: true, bFrames: 3, sound: true });
    await writeBarcodeClip(plain(), { frames: 90, width: 320, height: 240, sound: true });
    phone = await grown(file);
  });

  it.each(kinds)('has the frames of the whole under the same index and time, wherever writing stood (%s)', async (_, make) => {
    const made = await make();
    const lengths = [0.35, 0.6, 0.99, 1].map((share) => Math.floor(made.bytes * share));
    const tables = (await Promise.all(lengths.map((bytes) => editionAt(made, bytes)))).flatMap((edition) => edition?.table ?? []);
    for (const table of tables) expect(continuesTable(made.whole, table)).toBe(true);
    const counts = tables.map(({ times }) => times.length);
    expect(new Set(counts).size).toBeGreaterThan(1);
    expect(counts).toEqual([...counts].sort((a, b) => a - b));
    expect(counts.at(-1)).toBe(made.whole.times.length);
  });

  it('shows at each index the frame of that number', async () => {
    const edition = (await editionAt(phone, Math.floor(phone.bytes * 0.7)))!;
    const last = edition.table.times.length - 1;
    expect(last).toBeGreaterThan(30);
    for (const frame of [0, 1, 29, last]) expect(await barcodeOf(await frameImage(edition.copy, edition.table, frame))).toBe(frame);
  });

  it('is none while no piece is whole', async () => {
    expect(await editionAt(phone, 20)).toBeNull();
    expect(await editionAt(phone, 900)).toBeNull();
  });

  it('ends with the last whole piece: half a piece more changes nothing', async () => {
    const cut = join(folder, 'half.mp4');
    await copyFile(phone.growing, cut);
    const whole = await wholePieces(cut);
    expect(whole).toBeLessThanOrEqual(phone.bytes);
    await truncate(cut, whole - 1);
    const before = await wholePieces(cut);
    expect(before).toBeLessThan(whole - 1000);
    await truncate(cut, before + 7);
    expect(await wholePieces(cut)).toBe(before);
  });

  it('is put out one at a time, longer each time; one that fails is said, and the next is tried', async () => {
    const own = await mkdtemp(join(folder, 'put-'));
    await copyFile(phone.growing, join(own, growingName));
    const put: number[] = [];
    const faults: unknown[] = [];
    let refused = true;
    const editions = new Editions(own, 100, {
      lastSeconds: 0,
      isDue: ({ madeSeconds }) => madeSeconds >= 1,
      put: async ({ table }) => {
        await Promise.resolve();
        if (refused) throw new Error('no room');
        put.push(table.endSeconds);
      },
      onFault: (error) => void faults.push(error),
    });
    editions.heard(0.5);
    await editions.settled();
    expect([put.length, faults.length]).toEqual([0, 0]);
    editions.heard(1);
    editions.heard(1.1);
    await editions.settled();
    expect([put.length, faults]).toEqual([0, [new Error('no room')]]);
    refused = false;
    editions.heard(2);
    await editions.settled();
    // Nothing came since: what is as long as the one before is none.
    editions.heard(3);
    await editions.settled();
    expect(put).toHaveLength(1);
  });
});
