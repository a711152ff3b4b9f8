import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { bramLines, lineGap } from '../scenario/bramTake.ts';

/**
 * `npm run demo:voice`: speaks the demo's take with flite, a free voice of Debian's (package flite), and writes down how long each line is.
 * What it makes is in the repository; it is run again only when the lines change.
 */
const folder = mkdtempSync(join(tmpdir(), 'lean-voice-'));
const here = (name: string): string => fileURLToPath(new URL(name, import.meta.url));
try {
  const [rate, bytes] = [16_000, 2];
  const gap = Buffer.alloc(Math.round(lineGap * rate) * bytes);
  const spoken: number[] = [];
  const sound = bramLines.flatMap(({ say }, i) => {
    const file = join(folder, `${i}.wav`);
    execFileSync('flite', ['-voice', 'slt', '-t', say, '-o', file]);
    const samples = readFileSync(file).subarray(44);
    spoken.push(samples.length / bytes / rate);
    return [samples, gap];
  });
  const raw = join(folder, 'all.raw');
  writeFileSync(raw, Buffer.concat(sound));
  const as = ['-c:a', 'libopus', '-b:a', '24k', '-application', 'voip'];
  execFileSync('ffmpeg', ['-v', 'error', '-y', '-f', 's16le', '-ar', String(rate), '-ac', '1', '-i', raw, ...as, here('bram-take.webm')]);
  writeFileSync(here('bram-take.json'), `${JSON.stringify(spoken)}\n`);
} finally {
  rmSync(folder, { recursive: true });
}
