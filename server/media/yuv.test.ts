import { randomBytes } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ffmpegBytes } from './ffmpeg.ts';
import { lookFilter } from './film.ts';
import type { FilmLook } from '@lean-mentor/core/takes';
import { lay, looked as lookedInto, overlayOf, yuvBytes, type Matrix, type Size } from './yuv.ts';

let folder = '';
beforeAll(async () => void (folder = await mkdtemp(join(tmpdir(), 'lean-yuv-'))));
afterAll(() => rm(folder, { recursive: true, force: true }));

const size = { width: 160, height: 96 };
const looked = (picture: Uint8Array, of: Size, look: FilmLook): Buffer => {
  const seen = Buffer.alloc(picture.length);
  lookedInto(picture, seen, of, look);
  return seen;
};
const planes = (picture: Uint8Array): Uint8Array[] => {
  const luma = size.width * size.height;
  return [picture.subarray(0, luma), picture.subarray(luma, luma * 1.25), picture.subarray(luma * 1.25)];
};
/** A picture that is as smooth as video is, so that filters that round otherwise stay close. */
async function smooth(): Promise<Buffer> {
  const whole = { zoom: 1, x: 0, y: 0 };
  const noise = Buffer.from(randomBytes(yuvBytes(size)).map((v) => 60 + (v % 120)));
  return looked(looked(noise, size, { view: { zoom: 8, x: 0.3, y: 0.4 }, mirrored: false }), size, { view: whole, mirrored: false });
}
const rawIn = ['-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', `${size.width}x${size.height}`];

describe('a picture of video', () => {
  it('is itself where all of it is seen, and again itself mirrored twice', async () => {
    const picture = await smooth();
    const view = { zoom: 1, x: 0, y: 0 };
    expect(looked(picture, size, { view, mirrored: false }).equals(picture)).toBe(true);
    const mirrored = looked(picture, size, { view, mirrored: true });
    expect(mirrored.equals(picture)).toBe(false);
    expect(looked(mirrored, size, { view, mirrored: true }).equals(picture)).toBe(true);
  });

  it.each([
    [{ zoom: 2, x: 0.25, y: 0.3 }, false],
    [{ zoom: 3.3, x: 0.41, y: 0.07 }, true],
    [{ zoom: 8, x: 0.8, y: 0.8 }, false],
  ])('is enlarged here as it is by ffmpeg where it stands: %o, mirrored %s', async (view, mirrored) => {
    const picture = await smooth();
    const file = join(folder, 'one.raw');
    await writeFile(file, picture);
    const filter = lookFilter(size, { view, mirrored }).join(',');
    const theirs = await ffmpegBytes([...rawIn, '-i', file, '-vf', filter, '-f', 'rawvideo', 'pipe:1'], 30);
    const ours = looked(picture, size, { view, mirrored });
    const off = planes(ours).map((plane, p) => plane.reduce((sum, v, i) => sum + Math.abs(v - planes(theirs)[p]![i]!), 0) / plane.length);
    // Colour, of which there is a pixel for every four, ffmpeg takes from up to half a pixel beside.
    off.forEach((one, p) => expect(one).toBeLessThan(p === 0 ? 1.5 : 3));
  });

  it.each<Matrix>(['bt601', 'bt709'])(
    'has something laid over it in its own colours (%s), and all else is left as it was',
    async (matrix) => {
      const picture = Buffer.alloc(yuvBytes(size), 128);
      const before = Buffer.from(picture);
      const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="160" height="96"><rect x="41" y="30" width="60" height="40" fill="#FF8A3D"/></svg>`;
      const rgba = await sharp(Buffer.from(svg)).ensureAlpha().raw().toBuffer();
      const overlay = overlayOf(rgba, size, matrix)!;
      expect(overlay).toMatchObject({ x: 40, y: 30, width: 62, height: 40 });
      lay(overlay, picture, size);
      const file = join(folder, 'laid.raw');
      await writeFile(file, picture);
      const asSeen = `scale=in_color_matrix=${matrix === 'bt601' ? 'bt601' : 'bt709'}:in_range=tv,format=rgb24`;
      const rgb = await ffmpegBytes([...rawIn, '-i', file, '-vf', asSeen, '-f', 'rawvideo', 'pipe:1'], 30);
      const at = (50 * size.width + 70) * 3;
      [0xff, 0x8a, 0x3d].forEach((value, i) => expect(Math.abs(rgb[at + i]! - value)).toBeLessThan(5));
      const outside = (plane: Uint8Array, wide: number) =>
        Array.from(plane).filter((_, i) => i % wide < wide / 4 || i % wide > wide * 0.65);
      planes(picture).forEach((plane, p) =>
        expect(outside(plane, size.width >> (p ? 1 : 0))).toEqual(outside(planes(before)[p]!, size.width >> (p ? 1 : 0))),
      );
    },
  );

  it('has nothing laid over it where all is clear', () => expect(overlayOf(new Uint8Array(160 * 96 * 4), size, 'bt709')).toBeNull());
});
