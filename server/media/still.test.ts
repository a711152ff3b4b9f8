import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Drawing } from '@lean-mentor/core/desk';
import { writeBarcodeClip } from '@lean-mentor/demo/barcode';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { frameImage, stillPng, stillSvg } from './still.ts';

let folder: string;
let file: string;
let table: { times: number[]; endSeconds: number };
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lean-test-still-'));
  file = join(folder, 'clip.mp4');
  table = { times: [...(await writeBarcodeClip(file, { frames: 20, width: 320, height: 240 })).times], endSeconds: 0.7 };
});
afterAll(() => rm(folder, { recursive: true }));

const arrow: Pick<Drawing, 'tool' | 'colour' | 'weight' | 'words' | 'points' | 'keys'> = {
  tool: 'arrow',
  colour: 'client',
  weight: 'bold',
  words: '',
  points: [
    { x: 0.2, y: 0.9 },
    { x: 0.8, y: 0.9 },
  ],
  keys: [],
};
/** How far two pictures differ on average in a part of them, in steps of grey. */
async function differ(a: Buffer, b: Buffer, part: { left: number; top: number; width: number; height: number }): Promise<number> {
  const [one, other] = await Promise.all([a, b].map((picture) => sharp(picture).extract(part).greyscale().raw().toBuffer()));
  return one!.reduce((sum, value, i) => sum + Math.abs(value - other![i]!), 0) / one!.length;
}

describe('a still', () => {
  it('has its drawings on it where they stand, and is the frame as it is elsewhere', async () => {
    const [plain, drawn, none] = await Promise.all([
      frameImage(file, table, 7),
      stillPng(file, table, 7, [arrow]),
      stillPng(file, table, 7, []),
    ]);
    const [where, elsewhere] = [
      { left: 64, top: 206, width: 190, height: 20 },
      { left: 0, top: 0, width: 320, height: 150 },
    ];
    expect(await differ(plain, drawn, where)).toBeGreaterThan(8);
    expect(await differ(plain, drawn, elsewhere)).toBe(0);
    expect(await differ(plain, none, where)).toBe(0);
  });

  it('as SVG has them as paths over the picture', async () => {
    const [drawn, none] = [await stillSvg(file, table, 7, [arrow]), await stillSvg(file, table, 7, [])];
    const paths = (svg: string): number => (svg.match(/<(?:path|line|polyline|polygon)\b/g) ?? []).length;
    expect(paths(drawn)).toBeGreaterThan(paths(none));
  });
});
