import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ffmpeg } from '../media/ffmpeg.ts';

/**
 * A "voice" as a browser records it (Opus in WebM, 2 s to a cluster): a tone, silent in the stretches named, in seconds. Given as its bytes.
 * `seen`: with a bright picture beside it (VP8).
 */
export async function madeVoice(
  seconds: number,
  silences: readonly (readonly [from: number, to: number])[] = [],
  seen = false,
): Promise<Buffer> {
  const folder = await mkdtemp(join(tmpdir(), 'lean-voice-'));
  try {
    const silent = silences.map(([from, to]) => `between(t,${from},${to})`).join('+') || '0';
    const tone = `aevalsrc=exprs='0.3*sin(880*t)*(1-min(1,${silent}))':s=48000:d=${seconds}`;
    const file = join(folder, 'voice.webm');
    const picture = seen ? ['-f', 'lavfi', '-i', `color=c=white:s=320x240:r=24:d=${seconds}`, '-c:v', 'libvpx'] : [];
    await ffmpeg(['-f', 'lavfi', '-i', tone, ...picture, '-c:a', 'libopus', '-b:a', '32k', '-cluster_time_limit', '2000', file], {
      processorSeconds: 60,
      mostBytes: 1e8,
      folder,
    });
    return await readFile(file);
  } finally {
    await rm(folder, { recursive: true });
  }
}
