import { drawingsSvg, type Drawing } from '@lean-mentor/core/desk';
import { clampFrame, type FrameTable } from '@lean-mentor/core/footage';
import sharp from 'sharp';
import { asShown } from './asShown.ts';
import { ffmpegBytes, safeInput } from './ffmpeg.ts';
import { probe } from './probe.ts';
import { sniffFile } from './sniffContainer.ts';

/**
 * The exact frame of an original at its own size. ffmpeg's accurate seek shows the first frame not earlier than the time
 * asked for, so it is asked for the midpoint between the frame before and this one.
 */
export async function frameImage(original: string, table: FrameTable, frame: number): Promise<Buffer> {
  const at = clampFrame(table, frame);
  const seek = at === 0 ? [] : ['-ss', ((table.times[at - 1]! + table.times[at]!) / 2).toFixed(6)];
  const demuxer = await sniffFile(original);
  const { videoStream } = await probe(original, demuxer);
  return ffmpegBytes(
    [
      ...seek,
      ...safeInput(demuxer, original),
      '-map',
      `0:${videoStream}`,
      '-vf',
      asShown,
      '-frames:v',
      '1',
      '-f',
      'image2pipe',
      '-c:v',
      'png',
      'pipe:1',
    ],
    60,
  );
}

/** A frame with drawings laid over it, as PNG. */
export async function stillPng(
  original: string,
  table: FrameTable,
  frame: number,
  drawings: readonly Pick<Drawing, 'tool' | 'colour' | 'points'>[],
): Promise<Buffer> {
  const picture = sharp(await frameImage(original, table, frame));
  const { width, height } = await picture.metadata();
  const overlay = Buffer.from(drawingsSvg(drawings, width, height));
  return picture
    .composite(drawings.length > 0 ? [{ input: overlay }] : [])
    .png()
    .toBuffer();
}

/** Longest side of a small still, in pixels. */
const smallSide = 480;

/** A frame as a small JPEG. */
export const frameJpeg = async (file: string, table: FrameTable, frame: number): Promise<Buffer> =>
  sharp(await frameImage(file, table, frame))
    .resize({ width: smallSide, height: smallSide, fit: 'inside' })
    .jpeg({ quality: 80 })
    .toBuffer();
