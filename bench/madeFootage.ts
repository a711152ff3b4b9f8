import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const demoClip = fileURLToPath(new URL('../demo/clips/ilse-harbour-round.mp4', import.meta.url));

/** Runs ffmpeg as low as the house does; answers how many seconds it took. */
export function runFfmpeg(...args: string[]): number {
  const begun = performance.now();
  const { status } = spawnSync('nice', ['-n', '10', 'ffmpeg', '-v', 'error', '-nostdin', '-y', ...args], { stdio: 'inherit' });
  if (status !== 0) throw new Error('ffmpeg failed.');
  return (performance.now() - begun) / 1000;
}

/** What phones record, made of the demo's footage: its movement at their size and rate, with the grain of a sensor. */
export function madeFootage(file: string, { size, rate, seconds }: { size: string; rate: number; seconds: number }): void {
  const picture = `scale=${size.replace('x', ':')},fps=${rate},noise=alls=6:allf=t`;
  runFfmpeg(
    '-t',
    String(seconds),
    '-i',
    demoClip,
    '-vf',
    picture,
    '-c:v',
    'libx264',
    '-preset',
    'veryfast',
    '-b:v',
    '15M',
    '-c:a',
    'aac',
    file,
  );
}

/** Ten minutes of 1080p60 as phones record them: twenty seconds thirty times over. */
export function tenMinuteFilm(folder: string): string {
  const [once, long] = [join(folder, 'twenty-seconds.mp4'), join(folder, 'ten-minutes.mp4')];
  madeFootage(once, { size: '1920x1080', rate: 60, seconds: 20 });
  runFfmpeg('-stream_loop', '29', '-i', once, '-c', 'copy', long);
  return long;
}
