import { asShown } from './asShown.ts';
import { ffmpeg, safeInput } from './ffmpeg.ts';
import type { Probe } from './probe.ts';

/** Longest side of the review copy in pixels. Smaller footage is not enlarged. */
const longestSide = 1280;

const even = (pixels: number): number => Math.max(2, Math.round(pixels / 2) * 2);

/** Size of the review copy: the picture's shape, sides even, at most 1280 long. */
export function reviewSize({ width, height }: { width: number; height: number }): { width: number; height: number } {
  const factor = Math.min(1, longestSide / Math.max(width, height));
  return { width: even(width * factor), height: even(height * factor) };
}

/**
 * ffmpeg's arguments for the review copy. The source's own timestamps are kept (`passthrough`, encoder time base of the
 * source); a short group of pictures without B-frames makes stepping cheap (measured: docs/decisions/frames.md).
 */
export function reviewCopyArguments(source: string, target: string, probe: Probe): string[] {
  const size = reviewSize(probe);
  return [
    ...safeInput(probe.demuxer, source),
    '-map',
    `0:${probe.videoStream}`,
    '-map',
    '0:a:0?',
    '-vf',
    `${asShown},scale=${size.width}:${size.height}:flags=bilinear,setsar=1,format=yuv420p`,
    '-fps_mode',
    'passthrough',
    '-enc_time_base',
    '-1',
    '-c:v',
    'libx264',
    '-preset',
    'superfast',
    '-tune',
    'fastdecode',
    '-crf',
    '23',
    '-g',
    '12',
    '-bf',
    '0',
    '-c:a',
    'aac',
    '-b:a',
    '96k',
    '-ac',
    '1',
    '-sn',
    '-dn',
    '-map_metadata',
    '-1',
    '-movflags',
    '+faststart',
    '-f',
    'mp4',
    target,
  ];
}

export async function makeReviewCopy(
  source: string,
  target: string,
  probe: Probe,
  onShare: (share: number) => void,
  signal?: AbortSignal,
): Promise<void> {
  await ffmpeg(reviewCopyArguments(source, target, probe), {
    timeoutSeconds: 120 + probe.seconds * 20,
    onSeconds: (seconds) => onShare(Math.min(1, seconds / probe.seconds)),
    ...(signal && { signal }),
  });
}
