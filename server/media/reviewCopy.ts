import { basename, dirname } from 'node:path';
import { greyHeight, greyWidth, reviewSize, soundRate } from '@lean-mentor/core/footage';
import { asShown } from './asShown.ts';
import { ffmpeg, safeInput } from './ffmpeg.ts';
import { MediaFault } from './mediaFault.ts';
import type { MotionReader } from './motionReader.ts';
import { longestSeconds, type Probe } from './probe.ts';
import { stripPictureSize, stripStep, type StripReader } from './stripReader.ts';

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
];

/** The whole file with its head first, so that it is played while it is fetched. */
const whole = ['-movflags', '+faststart', '-f', 'mp4'];

/** What the copy grows in beside it, in the folder of the copy: pieces of a second that each can be read before the next is there. */
export const growingName = 'growing.mp4';

/** The same coded pictures and sound written twice: whole, and in pieces. The names must be plain ones in the working folder. */
const wholeAndGrowing = (name: string): string[] => [
  ...['-f', 'tee'],
  `[f=mp4:movflags=+faststart]${name}|[f=mp4:movflags=+frag_keyframe+delay_moov+default_base_moof:min_frag_duration=1000000:flush_packets=1]${growingName}`,
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
  ...bounded(source, probe),
  ...['-map', `0:${probe.videoStream}`, ...soundOf(probe), '-vf', pictureFilter(probe)],
  ...encoding,
  ...whole,
  target,
];

const soundOf = ({ soundStream }: Probe): string[] => (soundStream === null ? [] : ['-map', `0:${soundStream}`]);

/** Not much further than its head says a file goes is it read: what lies there are hours of nothing, or a time stamp gone wrong. */
const bounded = (source: string, probe: Probe): string[] => [
  ...['-t', String(Math.min(longestSeconds, probe.seconds * 1.25 + 30))],
  ...safeInput(probe.demuxer, source),
];

/** Sound that begins after the picture has silence put before it: its samples then tell the time of the footage. */
const fromTheStart = 'aresample=async=1:first_pts=0';

/** Bytes of review copy a second of footage may take: several times what the busiest 120 frames a second take. */
const mostBytesPerSecond = 4_000_000;

/**
 * The same review copy and, from the same decoding, small grey pictures of every frame to pipe 3, one larger picture about every
 * half second to pipe 4 and, where there is sound, mono samples to pipe 5.
 */
function everythingArguments(source: string, target: string, probe: Probe, grows: boolean): string[] {
  const grey = `scale=${greyWidth}:${greyHeight}:flags=area,format=gray`;
  const { width, height } = stripPictureSize(probe);
  const seen = `select=not(mod(n\\,${stripStep(probe)})),scale=${width}:${height}:flags=area,format=yuv420p`;
  const raw = ['-fps_mode', 'passthrough', '-f', 'rawvideo'];
  return [
    ...bounded(source, probe),
    '-filter_complex',
    `[0:${probe.videoStream}]${pictureFilter(probe)},split=3[review][q][s];[q]${grey}[grey];[s]${seen}[seen]`,
    ...['-map', '[review]', ...soundOf(probe), ...encoding, ...(grows ? wholeAndGrowing(basename(target)) : [...whole, target])],
    ...['-map', '[grey]', ...raw, 'pipe:3'],
    ...['-map', '[seen]', ...raw, 'pipe:4'],
    ...(probe.soundStream === null
      ? []
      : ['-map', `0:${probe.soundStream}`, '-af', fromTheStart, '-ac', '1', '-ar', String(soundRate), '-f', 's16le', 'pipe:5']),
  ];
}

/**
 * Reading may use so much processor time, in seconds: eighty for each second of footage, and no more than twelve hours. A minute of 1080p
 * at 60 a second takes about two minutes of it. How long it takes by the clock says more of what else the machine does than of the file.
 */
const mostReadingSeconds = ({ seconds }: Pick<Probe, 'seconds'>): number => Math.min(12 * 3600, 480 + seconds * 80);
/** After so much of it, it is seen how fast it goes, in seconds. */
const judgedAfterSeconds = 60;
/** Whether a file that has come so far for so many seconds would take more than it may: told as soon as it can be known. */
export const isTooSlow = (spentSeconds: number, share: number, probe: Pick<Probe, 'seconds'>): boolean =>
  spentSeconds > judgedAfterSeconds && spentSeconds / Math.max(share, 1e-6) > mostReadingSeconds(probe);

const tooSlowWords = 'The video takes longer to read than we can give it. Cut it to the rounds you want looked at, or record at 1080p.';

interface Readers {
  motion: MotionReader;
  strip: StripReader;
  /** Hears how many seconds of the footage are made; given where the copy is to grow in pieces beside itself. */
  editions: { heard: (madeSeconds: number) => void } | null;
}

/** Makes the review copy; `motion` and `strip` hear the pictures and the sound on the way. */
export async function makeReviewCopy(
  source: string,
  target: string,
  probe: Probe,
  { motion, strip, editions }: Readers,
  onShare: (share: number) => void,
  signal?: AbortSignal,
): Promise<void> {
  const tooSlow = new AbortController();
  const heard = (seconds: number, spentSeconds: number): void => {
    const share = Math.min(1, seconds / probe.seconds);
    if (isTooSlow(spentSeconds, share, probe)) tooSlow.abort();
    onShare(share);
    editions?.heard(seconds);
  };
  await ffmpeg(everythingArguments(source, target, probe, editions !== null), {
    processorSeconds: mostReadingSeconds(probe),
    mostBytes: 100e6 + Math.ceil(probe.seconds * mostBytesPerSecond),
    folder: dirname(target),
    onSeconds: heard,
    pipes: [motion.takePictures, strip.takePictures, motion.takeSound],
    signal: AbortSignal.any([tooSlow.signal, ...(signal ? [signal] : [])]),
  }).catch((error: unknown) => {
    if (tooSlow.signal.aborted && !signal?.aborted) throw new MediaFault(tooSlowWords);
    throw error;
  });
}
