import { coachCorner, coachRate, coachSide } from '@lean-mentor/core/takes';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { coachOfPart, coachReader, cutCoach, joinCoach, voiceAndCoach } from './coach.ts';
import { ffmpeg, ffmpegBytes, ffprobeJson } from './ffmpeg.ts';

let folder = '';
let coach = '';
const at = (name: string): string => join(folder, name);
/** Brightness tells the second: 30 more with each. */
const bright = (seconds: number): number => 30 + 30 * seconds;

/** How bright each picture is in its middle. */
async function brightness(file: string): Promise<number[]> {
  const [size, middle] = [(coachSide * coachSide * 3) / 2, (coachSide * (coachSide + 1)) / 2];
  const bytes = await ffmpegBytes(['-i', file, '-fps_mode', 'passthrough', '-f', 'rawvideo', '-pix_fmt', 'yuv420p', 'pipe:1'], 60);
  return Array.from({ length: bytes.length / size }, (_, i) => bytes[i * size + middle]!);
}

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-coach-'));
  // As a browser gives it: not square, VP8 at an uneven rate, with a voice beside it.
  const seen = `color=c=black:s=320x240:r=30,format=yuv420p,geq=lum='${bright(0)}+30*T':cb=128:cr=128,select='gt(mod(n+1\\,7)\\,0)'`;
  const voice = ['-f', 'lavfi', '-i', 'sine=frequency=300:sample_rate=48000'];
  await ffmpeg(
    [
      '-f',
      'lavfi',
      '-i',
      seen,
      ...voice,
      '-t',
      '4',
      '-fps_mode',
      'vfr',
      '-c:v',
      'libvpx',
      '-b:v',
      '1M',
      '-c:a',
      'libopus',
      at('part.webm'),
    ],
    { processorSeconds: 60, mostBytes: 1e8 },
  );
  await coachOfPart({ file: at('part.webm'), demuxer: 'matroska' }, 4 * coachRate, at('0.mp4'), folder);
  await coachOfPart(null, 2 * coachRate, at('1.mp4'), folder);
  coach = at('coach.mp4');
  await joinCoach([at('0.mp4'), at('1.mp4')], coach, folder);
});
afterAll(() => rm(folder, { recursive: true, force: true }));

describe('the coach beside their voice', () => {
  it('is a square at an even rate, each picture where it was seen, and dark where a part was not filmed', async () => {
    const pictures = await brightness(coach);
    expect(pictures).toHaveLength(6 * coachRate);
    for (const seconds of [0.5, 1, 2, 3.5]) expect(pictures[Math.floor(seconds * coachRate)]).toBeCloseTo(bright(seconds), -1);
    for (const seconds of [4.2, 5.9]) expect(pictures[Math.floor(seconds * coachRate)]).toBeLessThan(40);
  });

  it('is cut as the voice is, and lies with it in one file', async () => {
    await cutCoach(
      coach,
      [
        { from: 0.5, to: 1.5 },
        { from: 3, to: 3.6 },
      ],
      at('cut.mp4'),
      folder,
    );
    const pictures = await brightness(at('cut.mp4'));
    expect(pictures).toHaveLength(1.6 * coachRate);
    for (const [heard, was] of [
      [0.2, 0.7],
      [0.9, 1.4],
      [1.2, 3.2],
    ] as const)
      expect(pictures[Math.round(heard * coachRate)]).toBeCloseTo(bright(was), -1);
    await ffmpeg(['-f', 'lavfi', '-i', 'sine=d=1.6', '-c:a', 'aac', at('voice.m4a')], { processorSeconds: 60 });
    await voiceAndCoach(at('voice.m4a'), at('cut.mp4'), at('both.mp4'), folder);
    const { streams } = (await ffprobeJson(['-show_streams', at('both.mp4')])) as { streams: { codec_type: string; duration: string }[] };
    expect(streams.map(({ codec_type, duration }) => [codec_type, Number(Number(duration).toFixed(1))])).toEqual([
      ['audio', 1.6],
      ['video', 1.6],
    ]);
  });

  it('of which nothing is left is one picture, and a cut at the very end takes no picture too many', async () => {
    await cutCoach(coach, [], at('none.mp4'), folder);
    expect(await brightness(at('none.mp4'))).toHaveLength(1);
    await cutCoach(coach, [{ from: 5.99, to: 6.011 }], at('end.mp4'), folder);
    expect(await brightness(at('end.mp4'))).toHaveLength(1);
  });

  it('is laid into a corner of a film at the instant that is heard, round or square, and its last picture stays', async () => {
    const size = { width: 640, height: 360 };
    const reader = coachReader(coach, size, 'bt709', { folder, signal: new AbortController().signal });
    const corner = coachCorner(size);
    const seen = async (seconds: number, shape: 'round' | 'square') => {
      const overlay = (await reader.at(seconds, shape))!;
      const { added, left } = overlay.planes[0]!;
      const middle = Math.floor(overlay.height / 2) * overlay.width + Math.floor(overlay.width / 2);
      return { overlay, middle: added[middle]! / 256, edge: left[0]! };
    };
    const [one, two] = [await seen(1, 'square'), await seen(3, 'round')];
    expect([one.overlay.x, one.overlay.y]).toEqual([expect.closeTo(corner.x, -1), expect.closeTo(corner.y, -1)]);
    expect(two.middle).toBeGreaterThan(one.middle + 30);
    // Of a round one the corner of its square stays as the film has it.
    expect([one.edge, two.edge]).toEqual([0, 256]);
    expect((await seen(6.5, 'square')).middle).toBeLessThan(40);
    await reader.close();
  });
});
