import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import type { FrameTable } from '@lean-mentor/core/footage';
import { execa } from 'execa';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { frameImage } from '../../media/still.ts';
import { originalKey, reviewCopyKey, soundKey } from '../../storage/index.ts';
import { barcodeOf } from '../../testing/barcode.ts';
import { ffmpeg, footageOf, pathOf, probed, tableOf } from '../../testing/footage.ts';
import { peopledHouse } from '../../testing/peopledHouse.ts';
import { makeReady } from './makeReady.ts';

const { house } = peopledHouse();
let folder: string;
/** Seventy frames at 30 a second, each carrying its number, upright, 320 × 240, with sound. */
let plain: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-phone-'));
  plain = join(folder, 'plain.mp4');
  await writeBarcodeClip(plain, { frames: 70, width: 320, height: 240, sound: true });
});
afterAll(async () => {
  await rm(folder, { recursive: true });
});

interface Ready {
  footageId: string;
  table: FrameTable;
  width: number;
  height: number;
  seconds: number;
}

/** Makes a file ready and answers what came of it; a MediaFault is thrown on. */
async function ready(file: string): Promise<Ready> {
  const footageId = await footageOf(house, file);
  await makeReady(house, footageId, new AbortController().signal);
  const table = await tableOf(house, footageId);
  const row = (await house.db.footages.findByPk(footageId))!.get({ plain: true });
  return { footageId, table, width: row.width!, height: row.height!, seconds: row.seconds! };
}

/** Makes a file from the plain clip by ffmpeg's arguments. */
async function made(name: string, ...args: string[]): Promise<string> {
  const file = join(folder, name);
  await ffmpeg('-i', plain, ...args, file);
  return file;
}

/** Reads frame numbers back from review copy and original at these indices. */
async function numbers({ footageId, table }: Ready, frames: number[]): Promise<(number | null)[][]> {
  const read = (path: string) => Promise.all(frames.map(async (frame) => barcodeOf(await frameImage(path, table, frame))));
  return Promise.all([read(pathOf(house, reviewCopyKey(footageId))), read(pathOf(house, originalKey(footageId)))]);
}

const x264 = ['-c:v', 'libx264', '-preset', 'ultrafast', '-crf', '18'];

describe('what phones and screens record', () => {
  it('HEVC is made into what every browser plays, the same frames', async () => {
    const footage = await ready(
      await made('hevc.mp4', '-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=error', '-tag:v', 'hvc1'),
    );
    expect(await numbers(footage, [0, 17, 69])).toEqual([
      [0, 17, 69],
      [0, 17, 69],
    ]);
    const stdout = await probed(pathOf(house, reviewCopyKey(footage.footageId)), 'stream=codec_name');
    expect(stdout).toBe('h264');
  });

  it.each([60, 120])('%s frames a second keep every frame', async (rate) => {
    const footage = await ready(
      await made(
        `fast${rate}.mp4`,
        '-an',
        '-vf',
        `settb=1/90000,setpts=round(N/${rate}*90000)`,
        '-fps_mode',
        'passthrough',
        '-enc_time_base',
        '1:90000',
        ...x264,
        '-video_track_timescale',
        '90000',
      ),
    );
    expect(footage.table.times).toHaveLength(70);
    expect(footage.table.times[69]).toBeCloseTo(69 / rate, 3);
    expect(await numbers(footage, [1, 68])).toEqual([
      [1, 68],
      [1, 68],
    ]);
  });

  it('interlaced footage stays frame for frame and loses its combs', async () => {
    const file = await made('interlaced.mp4', ...x264, '-flags', '+ilme+ildct', '-x264opts', 'tff=1', '-vf', 'setfield=tff');
    const footage = await ready(file);
    expect(footage.table.times).toHaveLength(70);
    expect(await numbers(footage, [3, 30])).toEqual([
      [3, 30],
      [3, 30],
    ]);
  });

  it('a picture that begins after the sound keeps its own times', async () => {
    const file = join(folder, 'late.mp4');
    await execa('ffmpeg', [
      '-v',
      'error',
      '-y',
      '-itsoffset',
      '0.7',
      '-i',
      plain,
      '-i',
      plain,
      '-map',
      '0:v',
      '-map',
      '1:a',
      '-c',
      'copy',
      file,
    ]);
    const footage = await ready(file);
    expect(footage.table.times[0]).toBeCloseTo(0.7, 2);
    expect(await numbers(footage, [0, 1, 20])).toEqual([
      [0, 1, 20],
      [0, 1, 20],
    ]);
  });

  it('interlaced footage in which something moves has no combs left', async () => {
    const stripes = "nullsrc=s=320x240:r=60:d=2,geq=lum='255*lt(mod(X-8*N,64),32)':cb=128:cr=128,tinterlace=interleave_top,setfield=tff";
    const file = join(folder, 'combed.mp4');
    await ffmpeg('-f', 'lavfi', '-i', stripes, ...x264, '-flags', '+ilme+ildct', '-x264opts', 'tff=1', file);
    const combed = await combs(file, 20);
    const { footageId } = await ready(file);
    expect(combed).toBeGreaterThan(30);
    expect(await combs(pathOf(house, reviewCopyKey(footageId)), 20)).toBeLessThan(combed / 3);
  });

  it('sound that begins after the picture is heard as late as it is', async () => {
    const file = join(folder, 'late-sound.mp4');
    await ffmpeg('-i', plain, '-itsoffset', '0.7', '-i', plain, '-map', '0:v', '-map', '1:a', '-c', 'copy', file);
    const firstHeard = async (at: string): Promise<number> => {
      const { footageId } = await ready(at);
      const { rate, peaks } = JSON.parse((await house.storage.read(soundKey(footageId))).toString()) as { rate: number; peaks: number[] };
      return peaks.findIndex((peak) => peak > 25) / rate;
    };
    expect((await firstHeard(file)) - (await firstHeard(plain))).toBeCloseTo(0.7, 1);
  });

  it('footage without sound becomes ready without sound', async () => {
    const { footageId, table } = await ready(await made('silent.mp4', '-an', '-c', 'copy'));
    const stdout = await probed(pathOf(house, reviewCopyKey(footageId)), 'stream=codec_type', 'all');
    expect([stdout, table.times.length]).toEqual(['video', 70]);
  });

  it('of several pictures in one file the one it names as its own is taken, in review copy and still alike', async () => {
    const file = join(folder, 'two.mkv');
    await execa('ffmpeg', [
      '-v',
      'error',
      '-y',
      '-f',
      'lavfi',
      '-i',
      'color=red:s=64x64:r=30:d=1.3',
      '-i',
      plain,
      '-map',
      '0:v',
      '-map',
      '1:v',
      ...x264,
      '-disposition:v:0',
      '0',
      '-disposition:v:1',
      'default',
      file,
    ]);
    const footage = await ready(file);
    expect([footage.width, footage.height]).toEqual([320, 240]);
    expect(await numbers(footage, [5])).toEqual([[5], [5]]);
  });

  it('a screen recording that stands still for seconds has those seconds on one frame', async () => {
    const file = await made(
      'screen.mp4',
      '-an',
      '-vf',
      'settb=1/90000,setpts=round((N/30+gt(N\\,19)*4)*90000)',
      '-fps_mode',
      'passthrough',
      '-enc_time_base',
      '1:90000',
      ...x264,
      '-video_track_timescale',
      '90000',
    );
    const footage = await ready(file);
    const { times } = footage.table;
    expect(times).toHaveLength(70);
    expect(times[20]! - times[19]!).toBeCloseTo(4 + 1 / 30, 2);
    expect(await numbers(footage, [19, 20])).toEqual([
      [19, 20],
      [19, 20],
    ]);
  });

  it('pixels that are not square are shown as wide as they are meant', async () => {
    const { width, height, footageId, table } = await ready(await made('anamorphic.mp4', ...x264, '-vf', 'setsar=4/3'));
    expect([width, height]).toEqual([427, 240]);
    const still = await sharp(await frameImage(pathOf(house, originalKey(footageId)), table, 3)).metadata();
    expect([Math.round(still.width! / 2) * 2, still.height]).toEqual([426, 240]);
  });

  it('odd and portrait pictures keep their shape', async () => {
    const { footageId, width, height } = await ready(
      await made('odd.mp4', '-c:v', 'libx264', '-pix_fmt', 'yuv444p', '-vf', 'scale=181:321'),
    );
    expect([width, height]).toEqual([181, 321]);
    const stdout = await probed(pathOf(house, reviewCopyKey(footageId)), 'stream=width,height');
    expect(stdout).toBe('182,322');
  });

  it('a recording that does not say how long it is is as long as its frames', async () => {
    const file = join(folder, 'live.webm');
    // Written to a pipe, a WebM cannot go back and note its length.
    const { stdout } = await execa(
      'ffmpeg',
      ['-v', 'error', '-i', plain, '-an', '-c:v', 'libvpx', '-deadline', 'realtime', '-f', 'webm', 'pipe:1'],
      { encoding: 'buffer', maxBuffer: 1e8 },
    );
    await writeFile(file, stdout);
    const { table, seconds } = await ready(file);
    expect(table.times).toHaveLength(70);
    expect(seconds).toBeGreaterThan(2.2);
  });
});

/** How strongly the lines of a frame differ from their neighbours beyond what they differ from the next but one: combs do. */
async function combs(file: string, frame: number): Promise<number> {
  const select = ['-vf', `select=eq(n\\,${frame}),format=gray`, '-frames:v', '1', '-f', 'rawvideo', 'pipe:1'];
  const { stdout } = await execa('ffmpeg', ['-v', 'error', '-i', file, ...select], { encoding: 'buffer' });
  const [width, height] = (await probed(file, 'stream=width,height')).split(',').map(Number) as [number, number];
  const apart = (lines: number): number => {
    let sum = 0;
    for (let y = 0; y + lines < height; y++)
      for (let x = 0; x < width; x++) sum += Math.abs(stdout[y * width + x]! - stdout[(y + lines) * width + x]!);
    return sum / (width * (height - lines));
  };
  return apart(1) - apart(2);
}
