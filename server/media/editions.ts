import { open } from 'node:fs/promises';
import { createReadStream } from 'node:fs';
import { join } from 'node:path';
import { isEditionDue, type FrameTable, type MakingSoFar } from '@lean-mentor/core/footage';
import { ffmpegFed, safeInput } from './ffmpeg.ts';
import { readFrameTable } from './frameTimes.ts';
import { growingName } from './reviewCopy.ts';

/** What is made of a review copy so far, as a file that can be played, and its frames' times. */
export interface Edition {
  /** The file; whoever hears of it takes it away. */
  copy: string;
  table: FrameTable;
}

export interface EditionsWanted {
  /** Seconds of footage that the last edition of an earlier run holds: shorter ones are of no use to anybody. */
  lastSeconds: number;
  put: (edition: Edition) => Promise<void>;
  /** Whether one should be put out now; absent: by core's rule. */
  isDue?: (soFar: MakingSoFar) => boolean;
  /** One that could not be packed or put out: the next one is tried when it is due, and the whole comes in any case. */
  onFault: (error: unknown) => void;
}

/** Packing what is there takes a moment: less than this, in seconds of real time, and bytes as for the copy itself. */
const packing = { processorSeconds: 2400, mostBytes: 64e9 };

/**
 * How many bytes from the start of a growing MP4 are whole pieces: boxes come one after another, each with its length, and after every
 * `mdat` one can stop (ISO/IEC 14496-12, 4.2 and 8.8).
 */
export async function wholePieces(path: string): Promise<number> {
  const file = await open(path, 'r');
  try {
    const { size } = await file.stat();
    const head = Buffer.alloc(16);
    let whole = 0;
    for (let at = 0; at + 16 <= size;) {
      await file.read(head, 0, 16, at);
      const short = head.readUInt32BE(0);
      const length = short === 1 ? Number(head.readBigUInt64BE(8)) : short;
      if (length < 8 || at + length > size) break;
      at += length;
      if (head.toString('latin1', 4, 8) === 'mdat') whole = at;
    }
    return whole;
  } finally {
    await file.close();
  }
}

/** Packs what is there of a growing copy, pictures and times as they are, into a file of its own; null while that is nothing. */
export async function packEdition(growing: string, target: string, folder: string, signal?: AbortSignal): Promise<Edition | null> {
  const whole = await wholePieces(growing);
  if (whole === 0) return null;
  // Without -copyts all times would be moved by how much earlier than the picture the sound begins.
  const args = ['-copyts', ...safeInput('mov', 'pipe:0'), '-map', '0', '-c', 'copy', '-map_metadata', '-1'];
  const pieces = createReadStream(growing, { end: whole - 1, highWaterMark: 1 << 20 });
  await ffmpegFed([...args, '-movflags', '+faststart', '-f', 'mp4', target], pieces, { ...packing, folder, ...(signal && { signal }) });
  return { copy: target, table: await readFrameTable(target) };
}

/** Puts out what is made of a review copy while the rest is being made, whenever it is worth it; one edition at a time. */
export class Editions {
  private readonly begun = performance.now();
  private lastSeconds: number;
  private packing: Promise<void> = Promise.resolve();
  private isPacking = false;
  private count = 0;

  constructor(
    private readonly folder: string,
    private readonly wholeSeconds: number,
    private readonly wanted: EditionsWanted,
    private readonly signal?: AbortSignal,
  ) {
    this.lastSeconds = wanted.lastSeconds;
  }

  readonly heard = (madeSeconds: number): void => {
    const elapsedSeconds = (performance.now() - this.begun) / 1000;
    const { wholeSeconds, lastSeconds } = this;
    const { isDue = isEditionDue } = this.wanted;
    if (this.isPacking || !isDue({ elapsedSeconds, madeSeconds, wholeSeconds, lastSeconds })) return;
    this.isPacking = true;
    this.packing = this.pack()
      .catch((error: unknown) => {
        if (!this.signal?.aborted) this.wanted.onFault(error);
      })
      .finally(() => (this.isPacking = false));
  };

  /** Waits for the one that is being put out. */
  readonly settled = (): Promise<void> => this.packing;

  private async pack(): Promise<void> {
    const target = join(this.folder, `edition-${++this.count}.mp4`);
    const edition = await packEdition(join(this.folder, growingName), target, this.folder, this.signal);
    if (!edition || edition.table.endSeconds <= this.lastSeconds) return;
    await this.wanted.put(edition);
    this.lastSeconds = edition.table.endSeconds;
  }
}
