import { stat } from 'node:fs/promises';
import { z } from 'zod';
import { FfmpegFailure, ffprobeJson, mostPixels, mostStreams, safeInput } from './ffmpeg.ts';
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
      sample_rate: number.optional(),
      avg_frame_rate: z.string().optional(),
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
  /** The sound, where it is one that can be heard. */
  soundStream: number | null;
  width: number;
  height: number;
  seconds: number;
  /** As the file says, 1 to 240; phones vary it. */
  framesPerSecond: number;
  /** How long its head says that the picture is, in seconds; null where it says nothing. */
  promisedSeconds: number | null;
}

/** Longest footage, in seconds. */
export const longestSeconds = 4 * 3600;
const longestSide = 8192;
/**
 * All pictures of a file together have at most so many pixels: four hours of 1080p at 30 a second. It is told by the head, and bounds
 * the work however small the file is.
 */
const mostPixelsInAll = 4 * 3600 * 30 * 1920 * 1080;
/**
 * With more pixels than this in all (ten minutes of 720p at 30 a second) a file with fewer bits for each of them than this is no recording
 * of a room: it decodes to nothing, for hours. Phones spend 0.05 and more, the strongest compression of a still mat about 0.004.
 */
const hollow = { pixelsInAll: 600 * 30 * 1280 * 720, bitsPerPixel: 0.0012 };
/** The same for few pictures: longer than this, in seconds, with fewer bytes a second than this. */
const empty = { seconds: 600, bytesPerSecond: 2500 };

type Stream = z.infer<typeof probed>['streams'][number];

/** The picture among several streams: the one the file names as its own, else the largest; never a cover image. */
function mainVideo(streams: Stream[]): Stream | undefined {
  const area = (s: Stream): number => (s.width ?? 0) * (s.height ?? 0);
  return streams
    .filter((s) => s.codec_type === 'video' && !s.disposition?.attached_pic)
    .sort((a, b) => (b.disposition?.default ?? 0) - (a.disposition?.default ?? 0) || area(b) - area(a))[0];
}

/** Sound of a rate that microphones record; a rate of a million a second would take minutes to bring down. */
const isSound = ({ codec_type, sample_rate = 0 }: Stream): boolean =>
  codec_type === 'audio' && sample_rate >= 4000 && sample_rate <= 384_000;

/** A ratio such as "4:3" or "30000/1001"; null where it says nothing. */
function ratioOf(text: string | undefined): number | null {
  const [over, under] = (text ?? '').split(/[:/]/).map(Number);
  return over && under && over / under > 0 ? over / under : null;
}

const tooManyStreams = 'The file holds far too many streams to be a recording. Send the video as your phone recorded it.';

/** Probes footage. Throws a MediaFault, worded for the client, for what cannot be reviewed. */
export async function probe(path: string, demuxer: Demuxer): Promise<Probe> {
  let found: z.infer<typeof probed>;
  try {
    found = probed.parse(await ffprobeJson(['-show_streams', '-show_format', ...safeInput(demuxer, path)]));
  } catch (error) {
    if (!(error instanceof FfmpegFailure) || error.ours) throw error;
    if (/max_streams/.test(String((error.cause as { stderr?: string }).stderr))) throw new MediaFault(tooManyStreams);
    throw new MediaFault('The video cannot be opened; it may have been cut off on the way. Send the file again.', { cause: error });
  }
  if (found.streams.length >= mostStreams) throw new MediaFault(tooManyStreams);
  const video = mainVideo(found.streams);
  if (!video?.width || !video.height) throw new MediaFault('The file has sound but no picture. Send the video itself.');
  if (video.width > longestSide || video.height > longestSide || video.width * video.height > mostPixels)
    throw new MediaFault(`The picture is ${video.width} × ${video.height} pixels, larger than we can read. Record at 4K or less.`);
  // Recordings made in a browser, and some that were cut, do not say how long they are: their last frame does.
  const said = found.format.duration ?? video.duration ?? 0;
  const seconds = said > 0 ? said : (await readSourceTimes(path, demuxer, video.index)).endSeconds;
  if (!(seconds > 0.5)) throw new MediaFault('The video is shorter than half a second. Send the whole round.');
  if (seconds > longestSeconds) throw new MediaFault('The video is over four hours long. Cut it to the rounds you want looked at.');
  const framesPerSecond = Math.min(240, Math.max(1, ratioOf(video.avg_frame_rate) ?? 30));
  const pixelsInAll = seconds * framesPerSecond * video.width * video.height;
  const { size } = await stat(path);
  const isHollow = pixelsInAll > hollow.pixelsInAll && (size * 8) / pixelsInAll < hollow.bitsPerPixel;
  if (isHollow || (seconds > empty.seconds && size / seconds < empty.bytesPerSecond))
    throw new MediaFault(
      `The file says it is ${Math.round(seconds / 60)} minutes long and holds next to nothing. Send the video as your phone recorded it.`,
    );
  if (pixelsInAll > mostPixelsInAll)
    throw new MediaFault(
      `The video is ${Math.round(seconds / 60)} minutes of ${video.width} × ${video.height} pixels at ${Math.round(framesPerSecond)} pictures a second, more than we can read. Cut it to the rounds you want looked at, or record at 1080p.`,
    );
  const rotation = video.side_data_list?.find((d) => d.rotation !== undefined)?.rotation ?? 0;
  const turned = Math.abs(rotation) % 180 === 90;
  // Width in square pixels.
  const wide = Math.round(video.width * (ratioOf(video.sample_aspect_ratio) ?? 1));
  return {
    demuxer,
    videoStream: video.index,
    soundStream: found.streams.find(isSound)?.index ?? null,
    width: turned ? video.height : wide,
    height: turned ? wide : video.height,
    seconds,
    framesPerSecond,
    promisedSeconds: said > 0 ? (video.duration ?? said) : null,
  };
}
