import { join } from 'node:path';
import type { FootageSound, FrameTable, Stretch } from '@lean-mentor/core/footage';
import { FfmpegFailure } from './ffmpeg.ts';
import { readFrameTable } from './frameTimes.ts';
import { MediaFault } from './mediaFault.ts';
import { MotionReader, type FootageMotion } from './motionReader.ts';
import { probe, type Probe } from './probe.ts';
import { makeReviewCopy } from './reviewCopy.ts';
import { sniffFile } from './sniffContainer.ts';
import { frameJpeg } from './still.ts';
import { StripReader, type StripLayout } from './stripReader.ts';

/** Everything that is read off a file and made from it. */
export interface ReadFootage {
  /** The review copy, in the folder that was given. */
  copy: string;
  table: FrameTable;
  motion: FootageMotion;
  sound: FootageSound;
  bouts: Stretch[];
  strip: { layout: StripLayout; jpeg: Buffer };
  poster: Buffer;
}

export interface ReadingProgress {
  onProbed?: (found: Probe) => Promise<void>;
  /** 0..1 of the decoding. */
  onShare?: (share: number) => void;
  onStep?: (step: 'table' | 'still') => Promise<void>;
  signal?: AbortSignal;
}

/** A third of the way in, where most rounds are under way. */
const posterFrame = (table: FrameTable): number => Math.floor(table.times.length / 3);

/** What ffmpeg could not do, as the client's trouble where it is the file's; ours, and an abort, are thrown on as they are. */
function faultOf(error: unknown, signal: AbortSignal | undefined): unknown {
  if (signal?.aborted || !(error instanceof FfmpegFailure) || error.ours) return error;
  return new MediaFault('The video cannot be decoded; it may be damaged. Send the file again, or record it anew.', { cause: error });
}

/**
 * Reads a file whole, in one decoding, and makes its review copy, strip and still in `folder`. Throws a MediaFault, worded for the
 * client, for what cannot be reviewed; anything else that is thrown is no fault of the file.
 */
export async function readFootage(
  original: string,
  folder: string,
  { onProbed, onShare, onStep, signal }: ReadingProgress = {},
): Promise<ReadFootage> {
  const found = await probe(original, await sniffFile(original));
  await onProbed?.(found);
  const readers = { motion: new MotionReader(), strip: new StripReader(found) };
  const copy = join(folder, 'review.mp4');
  try {
    await makeReviewCopy(original, copy, found, readers, (share) => onShare?.(share), signal);
    await onStep?.('table');
    const table = await readFrameTable(copy);
    await onStep?.('still');
    const [strip, poster] = await Promise.all([readers.strip.finish(), frameJpeg(copy, table, posterFrame(table))]);
    return { copy, table, ...readers.motion.finish(table, readers.strip.sharpness), strip, poster };
  } catch (error) {
    throw faultOf(error, signal);
  }
}
