import { join } from 'node:path';
import { clockText, type FootageSound, type FrameTable, type Stretch } from '@lean-mentor/core/footage';
import { Editions, type EditionsWanted } from './editions.ts';
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
  /** What its head promised and could not be read, in words; null where all of it was. */
  missing: string | null;
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
  /** What is made can be looked at before the rest is there. */
  editions?: EditionsWanted | null;
  signal?: AbortSignal;
}

/** A third of the way in, where most rounds are under way. */
const posterFrame = (table: FrameTable): number => Math.floor(table.times.length / 3);

/** Heads round, and sound may go on after the last picture: less than this, in seconds and as a share, is not missing. */
const tolerance = { seconds: 2, share: 0.03 };

/** What is missing of a file that was cut off on its way, in words: what its head promises against what could be read. */
export function missingWords(promisedSeconds: number | null, readSeconds: number): string | null {
  if (promisedSeconds === null) return null;
  const missing = promisedSeconds - readSeconds;
  if (missing < Math.max(tolerance.seconds, promisedSeconds * tolerance.share)) return null;
  return `The last ${clockText(missing)} of ${clockText(promisedSeconds)} are missing: the file was cut off before it came here. Send it again if they matter.`;
}

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
  { onProbed, onShare, onStep, editions: wanted, signal }: ReadingProgress = {},
): Promise<ReadFootage> {
  const found = await probe(original, await sniffFile(original));
  await onProbed?.(found);
  const editions = wanted ? new Editions(folder, found.seconds, wanted, signal) : null;
  const readers = { motion: new MotionReader(), strip: new StripReader(found), editions };
  const copy = join(folder, 'review.mp4');
  try {
    await makeReviewCopy(original, copy, found, readers, (share) => onShare?.(share), signal);
    await editions?.settled();
    await onStep?.('table');
    const table = await readFrameTable(copy);
    const missing = missingWords(found.promisedSeconds, table.endSeconds);
    await onStep?.('still');
    const [strip, poster] = await Promise.all([readers.strip.finish(), frameJpeg(copy, table, posterFrame(table))]);
    return { copy, table, missing, ...readers.motion.finish(table, readers.strip.sharpness), strip, poster };
  } catch (error) {
    throw faultOf(error, signal);
  }
}
