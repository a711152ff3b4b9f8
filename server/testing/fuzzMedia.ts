import { mkdir, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { frameTableFault } from '@lean-mentor/core/footage';
import { MediaFault } from '../media/mediaFault.ts';
import { readFootage } from '../media/readFootage.ts';
import { ffmpeg } from './footage.ts';

/** Whatever is wrong with a file is told within this long, in seconds. */
const mostSeconds = 10;

export interface FuzzReport {
  /** Files that were read, and those that were told in one sentence. */
  read: number;
  told: number;
  /** What must not happen, each with the number that makes the file again. */
  faults: string[];
  /** Slowest file, in seconds, and this process's memory at the end, in bytes. */
  slowestSeconds: number;
  memoryBytes: number;
}

/** Numbers 0..1 that are the same for the same seed (mulberry32). */
function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** A file with one to eight things done to it that hurt: heads are hit more often than what follows. */
export function mutated(file: Buffer, random: () => number): Buffer {
  let bytes = Buffer.from(file);
  const whole = (below: number): number => Math.floor(random() * below);
  const place = (): number => whole(random() < 0.6 ? Math.min(1500, bytes.length) : bytes.length);
  const piece = (): number => 1 + whole(random() < 0.8 ? 16 : bytes.length / 4);
  const values = [0, 1, 0x7f, 0xff];
  for (let i = 1 + whole(8); i > 0 && bytes.length > 16; i--) {
    const [at, length] = [place(), piece()];
    switch (whole(7)) {
      case 0:
        bytes[at] = bytes[at]! ^ (1 << whole(8));
        break;
      case 1:
        bytes.fill(values[whole(4)]!, at, Math.min(bytes.length, at + length));
        break;
      case 2:
        for (let k = at; k < Math.min(bytes.length, at + length); k++) bytes[k] = whole(256);
        break;
      case 3:
        bytes = Buffer.concat([bytes.subarray(0, at), bytes.subarray(at + length)]);
        break;
      case 4:
        bytes = Buffer.concat([bytes.subarray(0, at + length), bytes.subarray(at)]);
        break;
      case 5:
        if (at + 4 <= bytes.length) bytes.writeUInt32BE([0, 1, 0x7fffffff, 0xffffffff, bytes.length][whole(5)]!, at);
        break;
      default:
        bytes = bytes.subarray(0, Math.max(16, whole(bytes.length)));
    }
  }
  return bytes;
}

const kinds: [extension: string, args: string[]][] = [
  ['mp4', ['-c:v', 'libx264', '-preset', 'ultrafast', '-bf', '2', '-c:a', 'aac']],
  ['mov', ['-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=error', '-c:a', 'aac']],
  ['mkv', ['-c:v', 'libx264', '-preset', 'ultrafast', '-c:a', 'aac']],
  ['webm', ['-c:v', 'libvpx', '-deadline', 'realtime', '-c:a', 'libvorbis']],
  ['ts', ['-c:v', 'libx264', '-preset', 'ultrafast', '-c:a', 'aac']],
  ['avi', ['-c:v', 'mpeg4', '-c:a', 'mp3']],
];

/** Reads `count` mutated files of every kind we take; the same `from` makes the same files. */
export async function fuzzMedia(folder: string, count: number, from = 0): Promise<FuzzReport> {
  const seeds: Buffer[] = [];
  for (const [extension, args] of kinds) {
    const file = join(folder, `seed.${extension}`);
    await ffmpeg('-f', 'lavfi', '-i', 'testsrc2=s=160x120:r=24:d=1', '-f', 'lavfi', '-i', 'sine=d=1', '-shortest', ...args, file);
    seeds.push(await readFile(file));
  }
  const report: FuzzReport = { read: 0, told: 0, faults: [], slowestSeconds: 0, memoryBytes: 0 };
  for (let n = from; n < from + count; n++) {
    const file = join(folder, `case-${n}`);
    const work = join(folder, `work-${n}`);
    await mkdir(work);
    await writeFile(file, mutated(seeds[n % seeds.length]!, seeded(n)));
    const begun = performance.now();
    try {
      const { table } = await readFootage(file, work);
      report.read += 1;
      const fault = frameTableFault(table.times, table.endSeconds);
      if (fault) report.faults.push(`${n}: ${fault}`);
    } catch (error) {
      if (error instanceof MediaFault && /^[A-Z].*\. [A-Z][^.]*(, or [^.]*)?\.$/.test(error.message)) report.told += 1;
      else report.faults.push(`${n}: ${String(error)}`);
    }
    const seconds = (performance.now() - begun) / 1000;
    report.slowestSeconds = Math.max(report.slowestSeconds, seconds);
    if (seconds > mostSeconds) report.faults.push(`${n}: it took ${seconds.toFixed(1)} s`);
    const left = (await readdir(work)).filter((name) => name !== 'review.mp4');
    if (left.length > 0) report.faults.push(`${n}: it left ${left.join(', ')}`);
    await rm(work, { recursive: true });
    await rm(file);
  }
  report.memoryBytes = process.memoryUsage().rss;
  return report;
}
