import { tmpdir } from 'node:os';
import type { Readable } from 'node:stream';
import { execa, ExecaError } from 'execa';
import { programPath } from '../config/config.ts';
import { processorSecondsOf } from './processorSeconds.ts';
import type { Demuxer } from './sniffContainer.ts';

/** More streams than this no recording has; the demuxer stops there. */
export const mostStreams = 64;
/** A picture larger than this is not decoded, whatever the file's head says: 8K and a little. */
export const mostPixels = 36_000_000;

/** Reading a file safely: the demuxer is forced, only local files and pipes may be opened, streams and picture size are bounded. */
export const safeInput = (demuxer: Demuxer, path: string): string[] => [
  ...['-protocol_whitelist', 'file,pipe', '-max_streams', String(mostStreams), '-max_pixels', String(mostPixels)],
  ...['-f', demuxer, '-i', path],
];

const common = ['-hide_banner', '-nostdin', '-v', 'error'];
/** Address space of one run, in bytes: what 8K needs, and not the machine's whole memory. */
const mostMemory = 4 * 1024 ** 3;

interface Limits {
  /**
   * Processor time it may use, in seconds, all its threads together. Using more is the fault of what it reads; waiting for a processor on a
   * busy machine is not.
   */
  processorSeconds: number;
  /** Largest file it may write, in bytes. */
  mostBytes?: number;
  /** Its working and temporary directory. */
  folder?: string;
}

/** Real time may be so many times as much: only a run that has come to a standstill takes longer, which is no fault of what it reads. */
const mostWaiting = 4;
/** After its processor time has run out, in seconds of it: until then it may end by itself. */
const graceSeconds = 10;

/** A program that works on what others sent: at low priority, within limits, and seeing nothing of our environment. */
export function limited(
  program: 'ffmpeg' | 'ffprobe' | 'pocketsphinx_batch',
  args: string[],
  { processorSeconds, mostBytes = 1024 ** 2, folder = tmpdir() }: Limits,
) {
  const mostProcessor = Math.ceil(processorSeconds);
  const limits = [`--as=${mostMemory}`, `--fsize=${mostBytes}`, `--cpu=${mostProcessor}:${mostProcessor + graceSeconds}`, '--core=0'];
  return {
    file: 'prlimit',
    args: [...limits, 'nice', '-n', '10', program, ...args],
    options: {
      cwd: folder,
      extendEnv: false,
      env: { PATH: programPath(), TMPDIR: folder, HOME: folder },
      timeout: processorSeconds * mostWaiting * 1000,
      forceKillAfterDelay: 2000,
    },
  } as const;
}

/** Why a run of ffmpeg ended badly. `ours`: nothing the file did (no room on the disk, killed from outside, no processor to be had). */
export class FfmpegFailure extends Error {
  constructor(
    readonly said: string,
    readonly ours: boolean,
    cause: unknown,
  ) {
    super(`ffmpeg failed: ${said}`, { cause });
  }
}

/** Signals by which the limits end a run; any other one came from outside. */
const limitSignals = ['SIGXCPU', 'SIGXFSZ', 'SIGSEGV', 'SIGABRT', 'SIGFPE', 'SIGILL', 'SIGBUS'];

function failureOf(error: unknown): FfmpegFailure {
  if (!(error instanceof ExecaError)) return new FfmpegFailure((error as Error).message, true, error);
  const stderr = String(error.stderr ?? '').trim();
  const said = stderr.split('\n').pop() || error.shortMessage;
  const fromOutside = error.signal !== undefined && !limitSignals.includes(error.signal);
  const neverRan = error.exitCode === undefined && error.signal === undefined;
  return new FfmpegFailure(said, error.timedOut || fromOutside || neverRan || stderr.includes('No space left on device'), error);
}

/** Runs ffprobe and answers its JSON. Rejects with an FfmpegFailure. */
export async function ffprobeJson(args: string[], processorSeconds = 30): Promise<unknown> {
  const run = limited('ffprobe', ['-hide_banner', '-v', 'error', '-of', 'json', ...args], { processorSeconds });
  try {
    const { stdout } = await execa(run.file, run.args, { ...run.options, maxBuffer: 256 * 1024 * 1024, stdin: 'ignore' });
    return JSON.parse(stdout);
  } catch (error) {
    throw failureOf(error);
  }
}

/** Runs ffprobe and hears what it says line by line, as CSV that begins with the section's name. Rejects with an FfmpegFailure. */
export async function ffprobeLines(args: string[], hear: (line: string) => void, processorSeconds: number): Promise<void> {
  const { file, args: all, options } = limited('ffprobe', ['-hide_banner', '-v', 'error', '-of', 'csv', ...args], { processorSeconds });
  const run = execa(file, all, { ...options, stdin: 'ignore', buffer: { stdout: false } });
  try {
    for await (const line of run) hear(line);
    await run;
  } catch (error) {
    throw failureOf(error);
  }
}

/**
 * Runs ffmpeg at low priority. `onSeconds` hears how far into the footage it has come and for how much processor time; `pipes` hear what
 * it writes to pipe 3 and on. Rejects with an FfmpegFailure.
 */
export async function ffmpeg(
  args: string[],
  options: Limits & {
    signal?: AbortSignal;
    onSeconds?: (seconds: number, spentSeconds: number) => void;
    pipes?: ((piece: Uint8Array) => void)[];
  },
): Promise<void> {
  const pipes = options.pipes ?? [];
  const { file, args: all, options: bounds } = limited('ffmpeg', [...common, '-y', '-progress', 'pipe:1', ...args], options);
  const run = execa(file, all, {
    ...bounds,
    ...(options.signal && { cancelSignal: options.signal }),
    stdio: ['ignore', 'pipe', 'pipe', ...pipes.map(() => 'pipe' as const)],
    buffer: { stdout: false, ...Object.fromEntries(pipes.map((_, i) => [`fd${i + 3}`, false])) },
  });
  pipes.forEach((hear, i) => (run.stdio[i + 3] as unknown as Readable).on('data', hear));
  try {
    for await (const line of run) {
      const time = /^out_time_us=(\d+)/.exec(line);
      if (time) options.onSeconds?.(Number(time[1]) / 1e6, processorSecondsOf(run.pid));
    }
    await run;
  } catch (error) {
    throw failureOf(error);
  }
}

/** Runs ffmpeg and answers what it writes to standard output, at most 200 MB. Rejects with an FfmpegFailure. */
export async function ffmpegBytes(args: string[], processorSeconds: number): Promise<Buffer> {
  const run = limited('ffmpeg', [...common, ...args], { processorSeconds });
  try {
    const { stdout } = await execa(run.file, run.args, {
      ...run.options,
      encoding: 'buffer',
      maxBuffer: 200 * 1024 * 1024,
      stdin: 'ignore',
    });
    return Buffer.from(stdout);
  } catch (error) {
    throw failureOf(error);
  }
}

/** Runs ffmpeg and answers what it tells on the way: what its filters measure. Rejects with an FfmpegFailure. */
export async function ffmpegSaid(args: string[], processorSeconds: number): Promise<string> {
  const run = limited('ffmpeg', ['-hide_banner', '-nostdin', '-v', 'info', '-nostats', ...args], { processorSeconds });
  try {
    const { stderr } = await execa(run.file, run.args, { ...run.options, stdin: 'ignore' });
    return stderr;
  } catch (error) {
    throw failureOf(error);
  }
}

/**
 * Runs ffmpeg and gives what it writes to standard output in pictures of `size` bytes, no faster than they are taken; each holds until the
 * one after the next is asked for. `wanted`: which of them are given. Whoever stops taking ends it. Rejects with an FfmpegFailure.
 */
export async function* ffmpegPictures(
  args: string[],
  size: number,
  { wanted, ...options }: Limits & { signal?: AbortSignal; wanted?: (picture: number) => boolean },
): AsyncGenerator<Buffer> {
  const { file, args: all, options: bounds } = limited('ffmpeg', [...common, ...args, 'pipe:1'], options);
  const run = execa(file, all, {
    ...bounds,
    ...(options.signal && { cancelSignal: options.signal }),
    stdin: 'ignore',
    buffer: { stdout: false },
    encoding: 'buffer',
  });
  // Heard below; until then it must not count as unheard.
  run.catch(() => undefined);
  // Two by turns: a new one for each would keep the collector busy for a third of the time.
  let [picture, other] = [Buffer.allocUnsafe(size), Buffer.allocUnsafe(size)];
  let [filled, number] = [0, 0];
  let taken = false;
  try {
    for await (const piece of run.stdout as AsyncIterable<Buffer>)
      for (let at = 0; at < piece.length;) {
        const copied = piece.copy(picture, filled, at);
        at += copied;
        filled += copied;
        if (filled < size) continue;
        filled = 0;
        if (wanted?.(number++) === false) continue;
        yield picture;
        [picture, other] = [other, picture];
      }
    await run;
    taken = true;
  } catch (error) {
    taken = true;
    throw failureOf(error);
  } finally {
    if (!taken) run.kill();
  }
}

/** Runs ffmpeg on pictures, each of which must hold until the one after the next is asked for. Rejects with an FfmpegFailure. */
export async function ffmpegFed(
  args: string[],
  pictures: AsyncIterable<Uint8Array>,
  options: Limits & { signal?: AbortSignal },
): Promise<void> {
  const heard = common.filter((one) => one !== '-nostdin');
  const { file, args: all, options: bounds } = limited('ffmpeg', [...heard, '-y', ...args], options);
  const run = execa(file, all, { ...bounds, ...(options.signal && { cancelSignal: options.signal }), stdin: 'pipe' });
  const { stdin } = run;
  // An encoder that gives up breaks the pipe; why it did is what it says itself.
  stdin.on('error', () => undefined);
  const feed = async (): Promise<void> => {
    let written: Promise<void> = Promise.resolve();
    for await (const picture of pictures) {
      await written;
      if (!stdin.writable) return;
      written = new Promise((resolve) => stdin.write(picture, () => resolve()));
    }
    await written;
    stdin.end();
  };
  const [fed, encoded] = await Promise.allSettled([feed().catch((error: unknown) => (run.kill(), Promise.reject(error))), run]);
  if (fed.status === 'rejected') throw fed.reason;
  if (encoded.status === 'rejected') throw failureOf(encoded.reason);
}
