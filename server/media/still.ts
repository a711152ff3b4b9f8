import { drawingPoints, drawingsSvg, type Drawing } from '@lean-mentor/core/desk';
import { clampFrame, secondsOfFrame, type FrameTable } from '@lean-mentor/core/footage';
import { lettersPath } from '@lean-mentor/core/lettering';
import sharp, { type Sharp } from 'sharp';
import { asShown } from './asShown.ts';
import { ffmpegBytes, safeInput } from './ffmpeg.ts';
import { probe } from './probe.ts';
import { sniffFile, type Demuxer } from './sniffContainer.ts';

/**
 * The exact frame of a stream. ffmpeg's accurate seek shows the first frame not earlier than the time asked for, so it is asked
 * for the midpoint between the frame before and this one.
 */
function frameOf(
  demuxer: Demuxer,
  path: string,
  stream: number,
  table: FrameTable,
  frame: number,
  filter: string,
  codec: string,
): Promise<Buffer> {
  const at = clampFrame(table, frame);
  const seek = at === 0 ? [] : ['-ss', ((table.times[at - 1]! + table.times[at]!) / 2).toFixed(6)];
  const picture = ['-map', `0:${stream}`, '-vf', filter, '-frames:v', '1', '-f', 'image2pipe', '-c:v', codec, 'pipe:1'];
  return ffmpegBytes([...seek, ...safeInput(demuxer, path), ...picture], 240);
}

interface Opened {
  demuxer: Demuxer;
  videoStream: number;
}

/** What was found in originals, by path: an original never changes, and looking into it takes a third of a still's time. */
const known = new Map<string, Promise<Opened>>();
const mostKnown = 200;

function openedOf(original: string): Promise<Opened> {
  const before = known.get(original);
  if (before) return before;
  const opening = sniffFile(original).then(async (demuxer) => ({ demuxer, videoStream: (await probe(original, demuxer)).videoStream }));
  known.set(original, opening);
  opening.catch(() => known.delete(original));
  if (known.size > mostKnown) known.delete(known.keys().next().value!);
  return opening;
}

/** The samples of a picture that ffmpeg wrote as PPM (P6, eight bits): its width, height and largest value stand before them. */
function ofPpm(bytes: Buffer): Sharp {
  const [head, width, height] = /^P6\s(\d+) (\d+)\s255\s/.exec(bytes.toString('latin1', 0, 40)) ?? [];
  if (!head) throw new Error('ffmpeg wrote something else than a picture.');
  return sharp(bytes.subarray(head.length), { raw: { width: Number(width), height: Number(height), channels: 3 } });
}

/** A frame of an original at its own size. Packing it as PNG, and unpacking it here again, would take longer than decoding it. */
async function framePicture(
  original: string,
  table: FrameTable,
  frame: number,
): Promise<{ picture: Sharp; width: number; height: number }> {
  const { demuxer, videoStream } = await openedOf(original);
  const found = ofPpm(await frameOf(demuxer, original, videoStream, table, frame, `${asShown},format=rgb24`, 'ppm'));
  const { width, height } = await found.metadata();
  return { picture: found, width, height };
}

/** A frame of an original at its own size, as PNG. */
export const frameImage = async (original: string, table: FrameTable, frame: number): Promise<Buffer> =>
  (await framePicture(original, table, frame)).picture.png().toBuffer();

export type Drawn = Pick<Drawing, 'tool' | 'colour' | 'weight' | 'words' | 'points' | 'keys'>;

/** Drawings as SVG of the picture's size, each where it is on that frame; with `picture` (an address or data URL) below them. */
export const overlay = (
  table: FrameTable,
  frame: number,
  drawings: readonly Drawn[],
  size: { width: number; height: number },
  picture: string | null = null,
): string => {
  const secondsAt = (at: number): number => secondsOfFrame(table, at);
  const placed = drawings.map((drawing) => ({ ...drawing, points: drawingPoints(drawing, frame, secondsAt) }));
  return drawingsSvg(placed, size.width, size.height, lettersPath, { picture });
};

/** A frame with drawings laid over it, as PNG. */
export async function stillPng(original: string, table: FrameTable, frame: number, drawings: readonly Drawn[]): Promise<Buffer> {
  const { picture: below, width, height } = await framePicture(original, table, frame);
  return below
    .composite(drawings.length > 0 ? [{ input: Buffer.from(overlay(table, frame, drawings, { width, height })) }] : [])
    .png()
    .toBuffer();
}

/** A frame with drawings laid over it, as SVG: the picture inside, the drawings as paths over it. */
export async function stillSvg(original: string, table: FrameTable, frame: number, drawings: readonly Drawn[]): Promise<string> {
  const { picture: below, width, height } = await framePicture(original, table, frame);
  const image = await below.png().toBuffer();
  return overlay(table, frame, drawings, { width, height }, `data:image/png;base64,${image.toString('base64')}`);
}

/** Longest side of a small still, in pixels. */
const smallSide = 480;

/** A frame of a review copy as a small JPEG. */
export const frameJpeg = (reviewCopy: string, table: FrameTable, frame: number): Promise<Buffer> =>
  frameOf(
    'mov',
    reviewCopy,
    0,
    table,
    frame,
    `scale=w=min(${smallSide}\\,iw):h=min(${smallSide}\\,ih):force_original_aspect_ratio=decrease:flags=area`,
    'mjpeg',
  );
