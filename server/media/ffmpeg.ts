import type { Readable } from 'node:stream';
import { execa, ExecaError } from 'execa';
import type { Demuxer } from './sniffContainer.ts';

/** Reading a file safely: the demuxer is forced, only local files and pipes may be opened, probing is bounded. */
export const safeInput = (demuxer: Demuxer, path: string): string[] => ['-protocol_whitelist', 'file,pipe', '-f', demuxer, '-i', path];

const common = ['-hide_banner', '-nostdin', '-v', 'error'];

/** Runs ffprobe and answers its JSON. Stopped after `timeoutSeconds` (default 30). */
export async function ffprobeJson(args: string[], timeoutSeconds = 30): Promise<unknown> {
  const { stdout } = await execa('ffprobe', ['-hide_banner', '-v', 'error', '-of', 'json', ...args], {
    timeout: timeoutSeconds * 1000,
    maxBuffer: 256 * 1024 * 1024,
    stdin: 'ignore',
  });
  return JSON.parse(stdout);
}

/**
 * Runs ffmpeg at low priority. `onSeconds` hears how far into the footage it has come; `pipes` hear what it writes to
 * pipe 3 and on.
 * Rejects with the last line ffmpeg said.
 */
export async function ffmpeg(
  args: string[],
  options: {
    signal?: AbortSignal;
    timeoutSeconds: number;
    onSeconds?: (seconds: number) => void;
    pipes?: ((piece: Uint8Array) => void)[];
  },
): Promise<void> {
  const pipes = options.pipes ?? [];
  const run = execa('nice', ['-n', '10', 'ffmpeg', ...common, '-y', '-progress', 'pipe:1', ...args], {
    timeout: options.timeoutSeconds * 1000,
    ...(options.signal && { cancelSignal: options.signal }),
    stdio: ['ignore', 'pipe', 'pipe', ...pipes.map(() => 'pipe' as const)],
    buffer: { stdout: false, fd3: false, fd4: false },
    forceKillAfterDelay: 2000,
  });
  pipes.forEach((hear, i) => (run.stdio[i + 3] as unknown as Readable).on('data', hear));
  try {
    for await (const line of run) {
      const time = /^out_time_us=(\d+)/.exec(line);
      if (time) options.onSeconds?.(Number(time[1]) / 1e6);
    }
    await run;
  } catch (error) {
    const said = error instanceof ExecaError ? String(error.stderr).trim().split('\n').pop() : '';
    throw new Error(`ffmpeg failed: ${said || (error as Error).message}`, { cause: error });
  }
}

/** Runs ffmpeg and answers what it writes to standard output, at most 200 MB. */
export async function ffmpegBytes(args: string[], timeoutSeconds: number): Promise<Buffer> {
  const { stdout } = await execa('ffmpeg', [...common, ...args], {
    timeout: timeoutSeconds * 1000,
    encoding: 'buffer',
    maxBuffer: 200 * 1024 * 1024,
    stdin: 'ignore',
  });
  return Buffer.from(stdout);
}
