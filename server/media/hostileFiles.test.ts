import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { appendFile, copyFile, mkdtemp, readFile, rm, stat, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { execa } from 'execa';
import sharp from 'sharp';
import { frameTableFault } from '@lean-mentor/core/footage';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { boxAt, withTracks } from '../testing/boxes.ts';
import { ffmpeg } from '../testing/footage.ts';
import { FfmpegFailure, ffprobeJson, ffmpeg as run, safeInput } from './ffmpeg.ts';
import { MediaFault } from './mediaFault.ts';
import { missingWords, readFootage, type ReadFootage } from './readFootage.ts';
import { isTooSlow } from './reviewCopy.ts';

let folder: string;
/** Seventy frames at 30 a second, with sound; its index stands behind its data. */
let plain: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-hostile-'));
  plain = join(folder, 'plain.mp4');
  await writeBarcodeClip(plain, { frames: 70, width: 320, height: 240, sound: true });
});
afterAll(() => rm(folder, { recursive: true }));

/** Reads a file in a folder of its own; answers what was read, or the fault. Nothing but the review copy may be left. */
async function outcomeOf(file: string): Promise<ReadFootage | Error> {
  const work = await mkdtemp(join(folder, 'work-'));
  return readFootage(file, work).catch((error: unknown) => error as Error);
}
/** The sentence a file is told with. */
async function faultOf(file: string): Promise<string> {
  const outcome = await outcomeOf(file);
  if (!(outcome instanceof Error)) return 'It was read.';
  expect(outcome).toBeInstanceOf(MediaFault);
  return outcome.message;
}
async function write(name: string, content: Buffer | string): Promise<string> {
  const file = join(folder, name);
  await writeFile(file, content);
  return file;
}
/** The plain clip with something in it changed. */
async function changed(name: string, change: (file: Buffer) => Buffer | void): Promise<string> {
  const bytes = await readFile(plain);
  return write(name, change(bytes) ?? bytes);
}
async function made(name: string, ...args: string[]): Promise<string> {
  await ffmpeg('-i', plain, ...args, join(folder, name));
  return join(folder, name);
}

describe('what is no video', () => {
  it.each([
    ['an empty file', '', /^The file is empty\. Send the video again/],
    ['a text renamed', 'Dear coach, '.repeat(100), /^This file is not a video we can read\. /],
    ['a playlist that names a local file', '#EXTM3U\n#EXTINF:10,\nfile:///etc/passwd\n', /not a video/],
    ['a concatenation that names a local file', "ffconcat version 1.0\nfile '/etc/passwd'\n", /not a video/],
    ['noise', Buffer.from(Array.from({ length: 5000 }, (_, i) => (i * 7919) & 255)), /not a video/],
  ])('%s is told so', async (name, content, words) => {
    expect(await faultOf(await write(name.replaceAll(' ', '-'), content))).toMatch(words);
  });

  it('a still and sound alone are told so', async () => {
    const still = join(folder, 'still.mp4');
    await sharp({ create: { width: 64, height: 64, channels: 3, background: 'red' } })
      .png()
      .toFile(still);
    expect(await faultOf(still)).toMatch(/not a video/);
    const sound = join(folder, 'sound.mp4');
    await ffmpeg('-f', 'lavfi', '-i', 'sine=d=2', sound);
    expect(await faultOf(sound)).toMatch(/^The file has sound but no picture\. /);
  });
});

describe('footage that is broken', () => {
  it('cut off at any tenth is read as far as it goes or told in one sentence, its index first or last', async () => {
    const first = await made('index-first.mp4', '-c', 'copy', '-movflags', '+faststart');
    for (const whole of [first, plain]) {
      const { size } = await stat(whole);
      let before = 0;
      for (let tenth = 1; tenth <= 9; tenth++) {
        const file = join(folder, `cut-${tenth}`);
        await copyFile(whole, file);
        await truncate(file, Math.floor((size * tenth) / 10));
        const outcome = await outcomeOf(file);
        if (outcome instanceof Error) {
          expect(outcome, `at ${tenth} tenths`).toBeInstanceOf(MediaFault);
          expect(outcome.message).toMatch(/^The video .* (Send|Record)/);
          expect(before, 'what was whole enough stays so').toBe(0);
        } else {
          expect(outcome.table.times.length).toBeGreaterThanOrEqual(before);
          before = outcome.table.times.length;
        }
      }
      if (whole === first) expect(before).toBeGreaterThan(45);
      else expect(before, 'without its index nothing is').toBe(0);
    }
  });

  it('that was cut off after six tenths says how much of it is missing; a whole one says nothing', async () => {
    const [whole, cut] = [join(folder, 'twenty.mp4'), join(folder, 'twelve.mp4')];
    await writeBarcodeClip(join(folder, 'twenty-last.mp4'), { frames: 600, width: 160, height: 120, sound: true });
    await ffmpeg('-i', join(folder, 'twenty-last.mp4'), '-c', 'copy', '-movflags', '+faststart', whole);
    await copyFile(whole, cut);
    await truncate(cut, Math.floor((await stat(whole)).size * 0.6));
    const [read, part] = [(await outcomeOf(whole)) as ReadFootage, (await outcomeOf(cut)) as ReadFootage];
    expect(read.missing).toBeNull();
    expect(part.missing).toMatch(/^The last 0:0[6-9] of 0:20 are missing: the file was cut off before it came here\. /);
    expect(missingWords(330, 200)).toMatch(/^The last 2:10 of 5:30 are missing/);
    // Heads round, and some files say nothing.
    for (const [promised, found] of [
      [330, 329],
      [600, 585],
      [null, 3],
    ] as const)
      expect(missingWords(promised, found)).toBeNull();
  });

  it('with noise in its data is read around it, and with noise for an index told in one sentence', async () => {
    const damaged = await outcomeOf(await changed('noise.mp4', (file) => void file.fill(0x5a, 48, 3048)));
    expect((damaged as ReadFootage).table.times.length).toBeGreaterThan(10);
    expect(await faultOf(await changed('index.mp4', (file) => void file.fill(0xff, boxAt(file, 'moov').content)))).toMatch(
      /^The (video|file) /,
    );
  });
});

/** Read at instants that ascend, or told. */
function expectSense(outcome: ReadFootage | Error): void {
  if (outcome instanceof Error) return void expect(outcome).toBeInstanceOf(MediaFault);
  expect(frameTableFault(outcome.table.times, outcome.table.endSeconds)).toBeNull();
}

describe('footage with absurd numbers', () => {
  const times = (file: Buffer) => boxAt(file, 'moov', 'trak', 'mdia', 'minf', 'stbl', 'stts');

  it.each([
    ['zero times', 0],
    ['once', 1],
    ['four billion times', 0xffffffff],
  ])('a clock that ticks %s a second is made sense of or told', async (name, rate) => {
    const clock = (file: Buffer): number => boxAt(file, 'moov', 'trak', 'mdia', 'mdhd').content + 12;
    expectSense(await outcomeOf(await changed(`${name}.mp4`, (file) => void file.writeUInt32BE(rate, clock(file)))));
  });

  it('frames that all stand at the same instant are made sense of or told', async () => {
    expectSense(await outcomeOf(await changed('same.mp4', (file) => void file.writeUInt32BE(0, times(file).content + 12))));
  });

  it('frames hours apart are told before anything is decoded', async () => {
    const file = await changed('apart.mp4', (bytes) => {
      bytes.writeUInt32BE(0x7fffff00, times(bytes).content + 12);
      bytes.writeUInt32BE(0x7fffff00, boxAt(bytes, 'moov', 'mvhd').content + 16);
    });
    expect(await faultOf(file)).toMatch(/^The video /);
  });

  it('a head that says 10 hours is told', async () => {
    const file = await changed('hours.mp4', (bytes) => {
      for (const path of [
        ['moov', 'mvhd'],
        ['moov', 'trak', 'mdia', 'mdhd'],
      ]) {
        const { content } = boxAt(bytes, ...path);
        bytes.writeUInt32BE(bytes.readUInt32BE(content + 12) * 36_000, content + 16);
      }
      for (const type of ['tkhd']) bytes.writeUInt32BE(36_000_000, boxAt(bytes, 'moov', 'trak', type).content + 20);
    });
    expect(await faultOf(file)).toMatch(/over four hours long/);
  });

  it('a picture of 8194 pixels, and one that only claims to be giant, are refused', async () => {
    const wide = join(folder, 'wide.mkv');
    await ffmpeg('-f', 'lavfi', '-i', 'color=black:s=8194x64:r=5:d=1', '-c:v', 'ffv1', wide);
    expect(await faultOf(wide)).toBe('The picture is 8194 × 64 pixels, larger than we can read. Record at 4K or less.');
    const claimed = await changed('giant.mp4', (file) => {
      const { content } = boxAt(file, 'moov', 'trak', 'mdia', 'minf', 'stbl', 'stsd');
      // Of the first description: width and height, after its head.
      file.writeUInt16BE(65_000, content + 8 + 8 + 24);
      file.writeUInt16BE(65_000, content + 8 + 8 + 26);
    });
    const outcome = await outcomeOf(claimed);
    // The coded picture says its true size, and that is what counts.
    if (outcome instanceof Error) expect(outcome).toBeInstanceOf(MediaFault);
    else expect(outcome.table.times).toHaveLength(70);
  });
});

describe('files made to break something', () => {
  it.each([70, 10_000])('%i streams in one file are refused in seconds', async (count) => {
    const begun = Date.now();
    expect(await faultOf(await changed(`streams-${count}.mp4`, (file) => withTracks(file, count)))).toMatch(
      /^The file holds far too many streams/,
    );
    expect(Date.now() - begun).toBeLessThan(10_000);
  });

  it('a bomb of black that decodes for an hour is refused before it is decoded', async () => {
    const file = join(folder, 'bomb.mp4');
    await ffmpeg('-f', 'lavfi', '-i', 'color=black:s=640x360:r=1:d=3600', '-c:v', 'libx264', '-preset', 'ultrafast', '-g', '3600', file);
    const begun = Date.now();
    expect(await faultOf(file)).toMatch(/^The file says it is 60 minutes long and holds next to nothing\. /);
    expect(Date.now() - begun).toBeLessThan(10_000);
  });

  it('one that is large enough for its length, and all black, is known by its pictures and refused as soon', async () => {
    const [minute, file] = [join(folder, 'minute.mp4'), join(folder, 'hours-of-black.mp4')];
    await ffmpeg('-f', 'lavfi', '-i', 'color=black:s=1280x720:r=30:d=60', '-c:v', 'libx264', '-preset', 'ultrafast', '-g', '1800', minute);
    await ffmpeg('-stream_loop', '19', '-i', minute, '-c', 'copy', file);
    // Padded to what the shortest look at bytes and seconds lets through.
    const padding = Buffer.alloc(3_100_000);
    padding.writeUInt32BE(padding.length);
    padding.write('free', 4);
    await appendFile(file, padding);
    expect((await stat(file)).size / 1200).toBeGreaterThan(2500);
    const begun = Date.now();
    expect(await faultOf(file)).toMatch(/^The file says it is 20 minutes long and holds next to nothing\. /);
    expect(Date.now() - begun).toBeLessThan(10_000);
  });

  it('what reads too slowly to come to an end is told once that is seen, and not before', () => {
    const hour = { seconds: 3600 };
    expect(isTooSlow(40, 0.00001, hour)).toBe(false);
    expect(isTooSlow(80, 0.001, hour)).toBe(true);
    expect(isTooSlow(80, 0.02, hour)).toBe(false);
    // What was not begun in a minute of processor time is not going to be.
    expect(isTooSlow(61, 0, hour)).toBe(true);
  });

  it('a playlist that names an address connects nowhere, whatever it calls itself', async () => {
    let connections = 0;
    const server = createServer((_, res) => (connections++, res.end())).on('connection', () => connections++);
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}/a.ts`;
    const list = `#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:10,\n${address}\n`;
    // Behind a first box, and behind the sync bytes of a transport stream.
    const disguises = [list, Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypisom'), Buffer.alloc(12), Buffer.from(list)])];
    const stream = Buffer.alloc(188 * 3, list);
    for (const at of [0, 188, 376]) stream[at] = 0x47;
    for (const [i, content] of [...disguises, stream].entries()) await faultOf(await write(`list-${i}.mp4`, content));
    await expect(ffprobeJson(safeInput('mpegts', address))).rejects.toBeInstanceOf(FfmpegFailure);
    server.close();
    expect(connections).toBe(0);
  });

  it('a run that writes more than it may is ended, and that is no trouble of ours', async () => {
    const failure = await run(
      ['-f', 'lavfi', '-i', 'testsrc2=s=640x360:d=20', '-c:v', 'rawvideo', '-f', 'avi', join(folder, 'flood.avi')],
      {
        processorSeconds: 30,
        mostBytes: 5_000_000,
        folder,
      },
    ).catch((error: unknown) => error);
    expect(failure).toBeInstanceOf(FfmpegFailure);
    expect((failure as FfmpegFailure).ours).toBe(false);
    expect((await stat(join(folder, 'flood.avi'))).size).toBeLessThanOrEqual(5_000_000);
  });

  it('a run that uses more processor time than it may is ended, and that is no trouble of ours', async () => {
    const spent: number[] = [];
    const endless = ['-f', 'lavfi', '-i', 'testsrc2=s=640x360:d=3600', '-f', 'null', '-'];
    // A machine that has not a quarter of a processor for it gives it up before, which is trouble of ours: it is tried again, as jobs are.
    const failure = await vi.waitFor(
      async () => {
        const ended = await run(endless, { processorSeconds: 2, folder, onSeconds: (_, seconds) => spent.push(seconds) }).catch(
          (error: unknown) => error,
        );
        expect(ended).toBeInstanceOf(FfmpegFailure);
        if ((ended as FfmpegFailure).ours) throw ended;
        return ended;
      },
      { timeout: 120_000, interval: 500 },
    );
    expect(failure).toMatchObject({ ours: false });
    expect(Math.max(...spent)).toBeGreaterThan(0.5);
    expect(Math.max(...spent)).toBeLessThan(4);
  });

  it('a run that waits, for a processor or for anything else, until it is given up is trouble of ours', async () => {
    const waiting = ['-re', '-f', 'lavfi', '-i', 'testsrc2=s=64x64:d=60', '-f', 'null', '-'];
    expect(await run(waiting, { processorSeconds: 0.5, folder }).catch((error: unknown) => error)).toMatchObject({ ours: true });
  });

  it('a run that is killed from outside is trouble of ours', async () => {
    const running = run(['-re', '-f', 'lavfi', '-i', 'testsrc2=d=60', '-f', 'null', '-'], { processorSeconds: 60, folder }).catch(
      (error: unknown) => error,
    );
    await new Promise((resolve) => setTimeout(resolve, 700));
    const { stdout } = await execa('pgrep', ['-P', String(process.pid), '-f', 'testsrc2=d=60']);
    process.kill(Number(stdout.split('\n')[0]), 'SIGKILL');
    expect(await running).toMatchObject({ ours: true });
  });
});
