import { frameTableFault, type FrameTable } from '@lean-mentor/core/footage';
import { z } from 'zod';
import { ffprobeJson, safeInput } from './ffmpeg.ts';
import { MediaFault } from './mediaFault.ts';
import type { Demuxer } from './sniffContainer.ts';

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
