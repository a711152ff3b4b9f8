import { copyFile, mkdtemp, readFile, rm, stat, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { writeBarcodeClip, type BarcodeClip } from '@lean-mentor/demo/barcode';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { MediaFault } from '../../media/mediaFault.ts';
import type { FootageMotion } from '../../media/motionReader.ts';
import { frameImage, stillPng } from '../../media/still.ts';
import { frameTableKey, motionKey, originalKey, posterKey, reviewCopyKey } from '../../storage/index.ts';
import { barcodeOf } from '../../testing/barcode.ts';
import { ffmpeg, footageOf, pathOf, probed, tableOf } from '../../testing/footage.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { makeReady } from './makeReady.ts';

const { house } = peopledHouse();
let folder: string;
const never = new AbortController().signal;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-media-'));
});
afterAll(async () => {
  await rm(folder, { recursive: true });
});

describe('footage of a phone (uneven frame times, frames out of order in the file, picture turned, sound)', () => {
  let clip: BarcodeClip;
  let footageId: string;
  beforeAll(async () => {
    const file = join(folder, 'phone.mp4');
    clip = await writeBarcodeClip(file, { frames: 150, rotated: true, variableRate: true, bFrames: 3, sound: true });
    footageId = await footageOf(house, file);
    await makeReady(house, footageId, never);
  });

  it('becomes ready, upright, with its length and one bout over all of it', async () => {
    const row = (await house.db.footages.findByPk(footageId))!.get({ plain: true });
    expect(row).toMatchObject({ state: 'ready', share: 1, width: 360, height: 640, frameCount: 150, failure: null });
    expect(row.seconds).toBeCloseTo(clip.times[149]!, 0);
    const bouts = await house.db.bouts.findAll({ where: { footageId } });
    expect(bouts.map((b) => b.get({ plain: true }))).toMatchObject([{ fromFrame: 0, toFrame: 150, spans: [] }]);
  });

  it('keeps every frame at the time the phone gave it', async () => {
    const { times } = await tableOf(house, footageId);
    expect(times).toHaveLength(150);
    times.forEach((time, frame) => expect(Math.abs(time - clip.times[frame]!), `frame ${frame}`).toBeLessThan(0.0001));
  });

  it('has in the review copy, at each index of the table, the frame of that number', async () => {
    const table = await tableOf(house, footageId);
    for (const frame of [0, 1, 20, 75, 149])
      expect(await barcodeOf(await frameImage(pathOf(house, reviewCopyKey(footageId)), table, frame)), `frame ${frame}`).toBe(frame);
  });

  it('gives from the original the same frame as from the review copy', async () => {
    const table = await tableOf(house, footageId);
    for (let frame = 0; frame < 150; frame += 21)
      expect(await barcodeOf(await frameImage(pathOf(house, originalKey(footageId)), table, frame)), `frame ${frame}`).toBe(frame);
  });

  it('gives a still at its own size with the drawing where it was drawn and nothing else changed', async () => {
    const table = await tableOf(house, footageId);
    const drawing = {
      id: house.newId(),
      tool: 'arrow',
      colour: 'client',
      weight: 'plain',
      words: '',
      points: [
        { x: 0.2, y: 0.9 },
        { x: 0.8, y: 0.9 },
      ],
      fromFrame: 0,
      toFrame: 99,
    } as const;
    const still = await stillPng(pathOf(house, originalKey(footageId)), table, 42, [{ ...drawing, points: [...drawing.points], keys: [] }]);
    expect(await barcodeOf(still)).toBe(42);
    const { data, info } = await sharp(still).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([360, 640]);
    const at = (x: number, y: number): number[] => [...data.subarray((y * 360 + x) * 3, (y * 360 + x) * 3 + 3)];
    // Mid-shaft, the stroke's own colour (#2FC4CF); well beside it, the grey of the clip.
    expect(at(180, 576)).toEqual([47, 196, 207]);
    const plain = await sharp(await frameImage(pathOf(house, originalKey(footageId)), table, 42))
      .removeAlpha()
      .raw()
      .toBuffer();
    const beside = (500 * 360 + 180) * 3;
    expect([...data.subarray(beside, beside + 3)]).toEqual([...plain.subarray(beside, beside + 3)]);
  });

  it('has its motion read, one level a frame, from the same decoding', async () => {
    const motion = JSON.parse(await readFile(pathOf(house, motionKey(footageId)), 'utf8')) as FootageMotion;
    expect(motion.level).toHaveLength(150);
    expect(Math.max(...motion.level)).toBeLessThanOrEqual(1);
    // The ramp of a barcode clip runs across the whole picture: a camera that turns and turns.
    expect(motion.lost.length).toBeGreaterThan(0);
    expect(motion.bells).toEqual([]);
  });

  it('has a poster that fits a list', async () => {
    const { width, height, format } = await sharp(pathOf(house, posterKey(footageId))).metadata();
    expect([format, width, height]).toEqual(['jpeg', 270, 480]);
  });

  it('leaves no half-written file behind', async () => {
    for (const file of [pathOf(house, reviewCopyKey(footageId)), pathOf(house, frameTableKey(footageId))])
      await expect(stat(`${file}.partial`)).rejects.toThrow();
  });

  it('stays as it is when it is asked for again', async () => {
    const before = await stat(pathOf(house, reviewCopyKey(footageId)));
    await makeReady(house, footageId, never);
    expect((await stat(pathOf(house, reviewCopyKey(footageId)))).mtimeMs).toBe(before.mtimeMs);
  });
});

describe('the review copy', () => {
  it('has frames at hand: no frame refers forward, and a key frame comes every twelve at least', async () => {
    const file = join(folder, 'long.mp4');
    await writeBarcodeClip(file, { frames: 60, bFrames: 2, width: 320, height: 180 });
    const footageId = await footageOf(house, file);
    await makeReady(house, footageId, never);
    const stdout = await probed(pathOf(house, reviewCopyKey(footageId)), 'frame=pict_type');
    const kinds = stdout.replace(/[^IPB]/g, '');
    expect(kinds).toMatch(/^(IP{0,11})+$/);
    expect(kinds).toHaveLength(60);
  });

  it('shrinks large footage to 1280 on its longer side, with even sides', async () => {
    const file = join(folder, 'large.mp4');
    await ffmpeg('-f', 'lavfi', '-i', 'testsrc2=s=1620x1082:r=10:d=1', '-c:v', 'libx264', '-preset', 'ultrafast', file);
    const footageId = await footageOf(house, file);
    await makeReady(house, footageId, never);
    const stdout = await probed(pathOf(house, reviewCopyKey(footageId)), 'stream=width,height');
    expect(stdout).toBe('1280,854');
  });

  it('is made from Matroska and from transport streams as well', async () => {
    for (const [name, format] of [
      ['a.mkv', 'matroska'],
      ['a.ts', 'mpegts'],
    ] as const) {
      const file = join(folder, name);
      await ffmpeg('-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=25:d=2', '-c:v', 'libx264', '-preset', 'ultrafast', '-f', format, file);
      const footageId = await footageOf(house, file);
      await makeReady(house, footageId, never);
      expect((await tableOf(house, footageId)).times, name).toHaveLength(50);
    }
  });
});

describe('footage in which the camera loses the action', () => {
  it('is made ready with advice in words, and its bout begins at the bell', async () => {
    const clip = fileURLToPath(new URL('../../../demo/clips/ilse-harbour-round.mp4', import.meta.url));
    const file = join(folder, 'lost.mp4');
    await ffmpeg('-t', '35', '-i', clip, '-c', 'copy', file);
    const footageId = await footageOf(house, file);
    await makeReady(house, footageId, never);
    const row = (await house.db.footages.findByPk(footageId))!.get({ plain: true });
    expect(row.advice).toEqual([
      expect.stringMatching(/^The action leaves the picture on the left from 0:3\d to 0:3\d\. Stand two metres further back/),
    ]);
    const [bout] = (await house.db.bouts.findAll({ where: { footageId } })).map((b) => b.get({ plain: true }));
    expect(Math.abs(bout!.fromFrame - 90)).toBeLessThan(5);
  });
});

describe('what is no footage', () => {
  const whole = (): string => join(folder, 'whole.mp4');
  beforeAll(() => writeBarcodeClip(whole(), { frames: 30, width: 320, height: 180, sound: true }));

  const cases: [name: string, make: (file: string) => Promise<unknown>, words: RegExp][] = [
    ['an empty file', (file) => writeFile(file, ''), /^The file is empty\. /],
    ['a text that calls itself a video', (file) => writeFile(file, 'Dear coach, '.repeat(100)), /^This file is not a video we can read\. /],
    ['a playlist that names a local file', (file) => writeFile(file, '#EXTM3U\n#EXTINF:10,\nfile:///etc/passwd\n'), /not a video/],
    ['a concatenation that names a local file', (file) => writeFile(file, "ffconcat version 1.0\nfile '/etc/passwd'\n"), /not a video/],
    [
      'a still',
      (file) =>
        sharp({ create: { width: 64, height: 64, channels: 3, background: 'red' } })
          .png()
          .toFile(file),
      /not a video/,
    ],
    ['sound alone', (file) => ffmpeg('-f', 'lavfi', '-i', 'sine=d=2', '-f', 'mp4', file), /^The file has sound but no picture\. /],
    [
      'a file cut off before its index',
      async (file) => (await copyFile(whole(), file), truncate(file, 4000)),
      /^The video cannot be opened; it may have been cut off/,
    ],
    ['a blink', (file) => ffmpeg('-f', 'lavfi', '-i', 'testsrc2=s=64x64:r=30:d=0.2', '-f', 'mp4', file), /shorter than half a second/],
  ];
  it.each(cases)('%s is told from footage, in one sentence that says what to do', async (name, make, words) => {
    const file = join(folder, name.replaceAll(' ', '-'));
    await make(file);
    const footageId = await footageOf(house, file);
    const fault = await makeReady(house, footageId, never).then(
      () => null,
      (error: unknown) => error,
    );
    expect(fault).toBeInstanceOf(MediaFault);
    expect((fault as MediaFault).message).toMatch(words);
    await expect(stat(pathOf(house, reviewCopyKey(footageId)))).rejects.toThrow();
  });
});
