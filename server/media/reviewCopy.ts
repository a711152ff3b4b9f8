import { asShown } from './asShown.ts';
import { greyHeight, greyWidth, soundRate } from '@lean-mentor/core/footage';
import { ffmpeg, safeInput } from './ffmpeg.ts';
import type { MotionReader } from './motionReader.ts';
import type { Probe } from './probe.ts';

/** Longest side of the review copy in pixels. Smaller footage is not enlarged. */
const longestSide = 1280;

const even = (pixels: number): number => Math.max(2, Math.round(pixels / 2) * 2);

/** Size of the review copy: the picture's shape, sides even, at most 1280 long. */
export function reviewSize({ width, height }: { width: number; height: number }): { width: number; height: number } {
  const factor = Math.min(1, longestSide / Math.max(width, height));
  return { width: even(width * factor), height: even(height * factor) };
}

const encoding = [
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
];

const pictureFilter = (probe: Probe): string => {
  const size = reviewSize(probe);
  return `${asShown},scale=${size.width}:${size.height}:flags=bilinear,setsar=1,format=yuv420p`;
};

/**
 * ffmpeg's arguments for the review copy alone. The source's own timestamps are kept (`passthrough`, encoder time base of
 * the source); a short group of pictures without B-frames makes stepping cheap (measured: docs/decisions/frames.md).
 */
export const reviewCopyArguments = (source: string, target: string, probe: Probe): string[] => [
  ...safeInput(probe.demuxer, source),
  '-map',
  `0:${probe.videoStream}`,
  '-map',
  '0:a:0?',
  '-vf',
  pictureFilter(probe),
  ...encoding,
  target,
];

/**
 * The same review copy and, from the same decoding, small grey pictures of every frame to pipe 3 and, where there is sound,
 * mono samples to pipe 4.
 */
function everythingArguments(source: string, target: string, probe: Probe): string[] {
  const grey = `scale=${greyWidth}:${greyHeight}:flags=area,format=gray`;
  const sound = ['-map', '0:a:0', '-ac', '1', '-ar', String(soundRate), '-f', 's16le', 'pipe:4'];
  return [
    ...safeInput(probe.demuxer, source),
    '-filter_complex',
    `[0:${probe.videoStream}]${pictureFilter(probe)},split=2[review][q];[q]${grey}[grey]`,
    '-map',
    '[review]',
    '-map',
    '0:a:0?',
    ...encoding,
    target,
    '-map',
    '[grey]',
    '-fps_mode',
    'passthrough',
    '-f',
    'rawvideo',
    'pipe:3',
    ...(probe.hasSound ? sound : []),
  ];
}

/** Makes the review copy; `motion` hears every frame and the sound on the way. */
export async function makeReviewCopy(
  source: string,
  target: string,
  probe: Probe,
  motion: MotionReader,
  onShare: (share: number) => void,
  signal?: AbortSignal,
): Promise<void> {
  await ffmpeg(everythingArguments(source, target, probe), {
    timeoutSeconds: 120 + probe.seconds * 20,
    onSeconds: (seconds) => onShare(Math.min(1, seconds / probe.seconds)),
    pipes: [motion.takePictures, motion.takeSound],
    ...(signal && { signal }),
  });
}
