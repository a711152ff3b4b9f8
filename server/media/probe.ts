import { ExecaError } from 'execa';
import { z } from 'zod';
import { ffprobeJson, safeInput } from './ffmpeg.ts';
import { readSourceTimes } from './frameTimes.ts';
import { MediaFault } from './mediaFault.ts';
import type { Demuxer } from './sniffContainer.ts';

const number = z.coerce.number();
const probed = z.object({
  streams: z.array(
    z.object({
      index: z.number(),
      codec_type: z.string().optional(),
      width: z.number().optional(),
      height: z.number().optional(),
      duration: number.optional(),
      sample_aspect_ratio: z.string().optional(),
      disposition: z.object({ attached_pic: z.number().optional(), default: z.number().optional() }).optional(),
      side_data_list: z.array(z.object({ rotation: z.number().optional() }).loose()).optional(),
    }),
  ),
  format: z.object({ duration: number.optional() }),
});

/** What is known of footage before it is decoded. Width and height are as shown, rotation applied. */
export interface Probe {
  demuxer: Demuxer;
  videoStream: number;
  hasSound: boolean;
  width: number;
  height: number;
  seconds: number;
}

const limits = { side: 8192, seconds: 4 * 3600, streams: 64 };

type Stream = z.infer<typeof probed>['streams'][number];

/** The picture among several streams: the one the file names as its own, else the largest; never a cover image. */
function mainVideo(streams: Stream[]): Stream | undefined {
  const area = (s: Stream): number => (s.width ?? 0) * (s.height ?? 0);
  return streams
    .filter((s) => s.codec_type === 'video' && !s.disposition?.attached_pic)
    .sort((a, b) => (b.disposition?.default ?? 0) - (a.disposition?.default ?? 0) || area(b) - area(a))[0];
}

/** Width of a pixel over its height, from "4:3"; 1 where it is not known. */
function pixelAspect(text: string | undefined): number {
  const [w, h] = (text ?? '').split(':').map(Number);
  return w && h ? w / h : 1;
}

/** Probes footage. Throws a MediaFault, worded for the client, for what cannot be reviewed. */
export async function probe(path: string, demuxer: Demuxer): Promise<Probe> {
  let found: z.infer<typeof probed>;
  try {
    found = probed.parse(await ffprobeJson(['-show_streams', '-show_format', ...safeInput(demuxer, path)], 15));
  } catch (error) {
    if (error instanceof ExecaError && !error.timedOut && error.exitCode === undefined) throw error;
    throw new MediaFault('The video cannot be opened; it may have been cut off on the way. Send the file again.', { cause: error });
  }
  if (found.streams.length > limits.streams)
    throw new MediaFault('The file holds far too many streams to be a recording. Send the video as your phone recorded it.');
  const video = mainVideo(found.streams);
  if (!video?.width || !video.height) throw new MediaFault('The file has sound but no picture. Send the video itself.');
  // Recordings made in a browser, and some that were cut, do not say how long they are: their last frame does.
  const seconds = found.format.duration ?? video.duration ?? (await readSourceTimes(path, demuxer, video.index)).endSeconds;
  if (!(seconds > 0.5)) throw new MediaFault('The video is shorter than half a second. Send the whole round.');
  if (seconds > limits.seconds) throw new MediaFault('The video is over four hours long. Cut it to the rounds you want looked at.');
  if (video.width > limits.side || video.height > limits.side)
    throw new MediaFault(`The picture is ${video.width} × ${video.height} pixels, larger than we can read. Record at 4K or less.`);
  const rotation = video.side_data_list?.find((d) => d.rotation !== undefined)?.rotation ?? 0;
  const turned = Math.abs(rotation) % 180 === 90;
  // Width in square pixels.
  const wide = Math.round(video.width * pixelAspect(video.sample_aspect_ratio));
  return {
    demuxer,
    videoStream: video.index,
    hasSound: found.streams.some((s) => s.codec_type === 'audio'),
    width: turned ? video.height : wide,
    height: turned ? wide : video.height,
    seconds,
  };
}
