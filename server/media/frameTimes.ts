import { frameTableFault, type FrameTable } from '@lean-mentor/core/footage';
import { ffprobeLines, safeInput } from './ffmpeg.ts';
import { MediaFault } from './mediaFault.ts';
import type { Demuxer } from './sniffContainer.ts';

/**
 * Presentation times of all frames of a stream, from its packets (nothing is decoded), counted from the start of the
 * file as ffmpeg counts them when it writes the review copy.
 */
export async function readSourceTimes(path: string, demuxer: Demuxer, stream: number): Promise<FrameTable> {
  const packets: { time: number; duration: number }[] = [];
  let start = 0;
  await ffprobeLines(
    ['-select_streams', String(stream), '-show_entries', 'packet=pts_time,duration_time:format=start_time', ...safeInput(demuxer, path)],
    (line) => {
      const [section, first, second] = line.split(',');
      if (section === 'packet') packets.push({ time: Number(first), duration: Number(second) || 0 });
      else if (section === 'format') start = Number(first) || 0;
    },
    480,
  );
  packets.sort((a, b) => a.time - b.time);
  const times = packets.map(({ time }) => Math.max(0, time - start));
  const lastDuration = packets[packets.length - 1]?.duration ?? 0;
  const endSeconds = (times[times.length - 1] ?? 0) + Math.max(lastDuration, 0.001);
  const fault = frameTableFault(times, endSeconds);
  if (fault) throw new MediaFault('The timing of the video cannot be read. Send the file again as it was recorded.', { cause: fault });
  return { times, endSeconds };
}

/** Frame table of a review copy; its times are the browser's `mediaTime`s. */
export const readFrameTable = (reviewCopy: string): Promise<FrameTable> => readSourceTimes(reviewCopy, 'mov', 0);
