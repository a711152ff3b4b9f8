import { ffmpeg, safeInput } from './ffmpeg.ts';

/** Widest a clip that is sent away is, in pixels. */
const widest = 960;

/** Cuts a stretch of a review copy into a file of its own that plays anywhere, without sound. Seconds of the footage. */
export async function cutClip(reviewCopy: string, file: string, fromSeconds: number, toSeconds: number): Promise<void> {
  const stretch = ['-ss', fromSeconds.toFixed(3), '-t', Math.max(0.1, toSeconds - fromSeconds).toFixed(3)];
  const picture = ['-vf', `scale='min(${widest},iw)':-2`, '-c:v', 'libx264', '-preset', 'veryfast', '-crf', '23', '-pix_fmt', 'yuv420p'];
  await ffmpeg([...stretch, ...safeInput('mov', reviewCopy), '-map', '0:v:0', '-an', ...picture, '-movflags', '+faststart', '-y', file], {
    timeoutSeconds: 60,
    mostBytes: 64 * 1024 ** 2,
  });
}
