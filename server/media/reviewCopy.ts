import { frameTableFault, type FrameTable } from '@lean-mentor/core/footage';
import { z } from 'zod';
import { ffmpeg, ffprobeJson, safeInput } from './ffmpeg.ts';
import { MediaFault } from './mediaFault.ts';
import type { Probe } from './probe.ts';
import type { Demuxer } from './sniffContainer.ts';

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
    `scale=${size.width}:${size.height}:flags=bilinear,format=yuv420p`,
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

const packets = z.object({
  packets: z.array(z.object({ pts_time: z.coerce.number(), duration_time: z.coerce.number().optional() })),
  format: z.object({ start_time: z.coerce.number().optional() }).optional(),
});

/**
 * Presentation times of all frames of a stream, from its packets (nothing is decoded), counted from the start of the
 * file as ffmpeg counts them when it writes the review copy.
 */
export async function readSourceTimes(path: string, demuxer: Demuxer, stream: number): Promise<FrameTable> {
  const read = packets.parse(
    await ffprobeJson(
      ['-select_streams', String(stream), '-show_entries', 'packet=pts_time,duration_time:format=start_time', ...safeInput(demuxer, path)],
      300,
    ),
  );
  const start = read.format?.start_time ?? 0;
  const sorted = read.packets.sort((a, b) => a.pts_time - b.pts_time);
  const times = sorted.map((p) => Math.max(0, p.pts_time - start));
  const lastDuration = sorted[sorted.length - 1]?.duration_time ?? 0;
  const endSeconds = (times[times.length - 1] ?? 0) + Math.max(lastDuration, 0.001);
  const fault = frameTableFault(times, endSeconds);
  if (fault) throw new MediaFault(`The video's timing cannot be read (${fault}) Send the file again as it was recorded.`);
  return { times, endSeconds };
}

/** Frame table of a review copy; its times are the browser's `mediaTime`s. */
export const readFrameTable = (reviewCopy: string): Promise<FrameTable> => readSourceTimes(reviewCopy, 'mov', 0);
