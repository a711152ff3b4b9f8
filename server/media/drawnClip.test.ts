import type { Drawing } from '@lean-mentor/core/desk';
import { brightnessAt, readBarcode, writeBarcodeClip } from '@lean-mentor/demo/barcode';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { cutClip } from './cutClip.ts';
import { paintLayers } from './drawnClip.ts';
import { ffmpegBytes, ffprobeJson } from './ffmpeg.ts';

let folder = '';
beforeAll(async () => void (folder = await mkdtemp(join(tmpdir(), 'lean-drawn-'))));
afterAll(() => rm(folder, { recursive: true, force: true }));

const [width, height] = [360, 640];
const ring: Drawing = {
  ...{ id: 'r', footageId: 'f', tool: 'ring', colour: 'partner', weight: 'bold', words: '', keys: [], fromFrame: 60, toFrame: 75 },
  points: [
    { x: 0.3, y: 0.6 },
    { x: 0.7, y: 0.8 },
  ],
};
/** Moves to the right by half the picture from its first frame to its last. */
const moving: Drawing = {
  ...ring,
  keys: [60, 74].map((frame, i) => ({ frame, points: ring.points.map(({ x, y }) => ({ x: x - 0.2 + 0.4 * i, y })) })),
};

/** The number each picture of a file carries, and where on it, as a share of the width, the middle of what is coloured lies. */
async function picturesOf(file: string): Promise<{ number: number | null; at: number | null }[]> {
  const bytes = await ffmpegBytes(['-i', file, '-fps_mode', 'passthrough', '-f', 'rawvideo', '-pix_fmt', 'rgb24', 'pipe:1'], 60);
  const size = width * height * 3;
  return Array.from({ length: bytes.length / size }, (_, i) => {
    const picture = bytes.subarray(i * size, (i + 1) * size);
    const coloured: number[] = [];
    // Well below the barcode, which is grey as all else is.
    for (let byte = width * Math.round(height * 0.5) * 3; byte < size; byte += 3)
      if (picture[byte]! - picture[byte + 2]! > 60) coloured.push(((byte / 3) % width) / width);
    // A few stray ones are what the encoder keeps of the frame before.
    const at = coloured.length > 100 ? coloured.reduce((a, b) => a + b) / coloured.length : null;
    return { number: readBarcode(brightnessAt(picture, width, height, 3)), at };
  });
}

describe.each([
  ['frames a thirtieth apart', false],
  ['frames as phones make them', true],
])('a clip cut from footage with %s', (_, variableRate) => {
  const fromFrame = 45;
  let asked: Omit<Parameters<typeof paintLayers>[1], 'drawings'>;
  const source = (): string => join(folder, `${variableRate}.mp4`);
  beforeAll(async () => {
    const { times } = await writeBarcodeClip(source(), { frames: 120, variableRate, sound: true });
    const [fromSeconds, toSeconds] = [times[fromFrame]!, times[100]!];
    asked = { table: { times, endSeconds: times[119]! + 1 / 30 }, fromSeconds, toSeconds, size: { width, height } };
  });
  const cut = async (drawings: readonly Drawing[]) => {
    const file = join(folder, 'drawn.mp4');
    const layers = await paintLayers(folder, { ...asked, drawings });
    await cutClip(source(), file, { ...asked, layers });
    return picturesOf(file);
  };

  it('has every frame of its stretch, and what was drawn on exactly its own frames', async () => {
    const pictures = await cut([ring]);
    const numbers = pictures.map(({ number }) => number);
    expect(numbers).toEqual(Array.from({ length: numbers.length }, (_one, i) => fromFrame + i));
    expect(numbers.at(-1)).toBeGreaterThanOrEqual(98);
    const drawn = pictures.filter(({ at }) => at !== null).map(({ number }) => number);
    expect(drawn).toEqual(Array.from({ length: 15 }, (_one, i) => 60 + i));
  });

  it('moves a drawing along as the coach pinned it, frame by frame', async () => {
    const drawn = (await cut([moving])).filter(({ at }) => at !== null);
    expect(drawn).toHaveLength(15);
    expect(drawn[0]!.at).toBeCloseTo(0.3, 1);
    expect(drawn[14]!.at).toBeCloseTo(0.7, 1);
    for (const [i, { at }] of drawn.slice(1).entries()) expect(at!).toBeGreaterThan(drawn[i]!.at!);
  });

  it('has the sound of its stretch only where that is wished, drawn on or not', async () => {
    const kinds = async (withSound: boolean, drawings: readonly Drawing[]): Promise<string[]> => {
      const file = join(folder, 'heard.mp4');
      await cutClip(source(), file, { ...asked, withSound, layers: await paintLayers(folder, { ...asked, drawings }) });
      const { streams } = (await ffprobeJson(['-show_entries', 'stream=codec_type', file])) as { streams: { codec_type: string }[] };
      return streams.map(({ codec_type }) => codec_type);
    };
    expect(await kinds(false, [])).toEqual(['video']);
    expect(await kinds(true, [])).toEqual(['video', 'audio']);
    expect(await kinds(true, [ring])).toEqual(['video', 'audio']);
  });
});

it('a stretch on which nothing is drawn has no layers', async () => {
  const table = { times: Array.from({ length: 120 }, (_, i) => i / 30), endSeconds: 4 };
  expect(await paintLayers(folder, { table, drawings: [ring], fromSeconds: 3, toSeconds: 4, size: { width, height } })).toBeNull();
});
