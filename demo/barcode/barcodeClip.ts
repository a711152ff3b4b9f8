import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { readFile, writeFile } from 'node:fs/promises';
import { paintBarcode } from './barcode.ts';

export interface BarcodeClip {
  /** Presentation time of each frame in seconds, the first at 0. */
  times: number[];
  width: number;
  height: number;
}

interface BarcodeOptions {
  frames: number;
  /** Size as shown; a quarter turn is stored and undone by the file's rotation. */
  width?: number;
  height?: number;
  rotated?: boolean;
  /** Uneven times as phones make them; otherwise 30 frames a second. */
  variableRate?: boolean;
  bFrames?: number;
  sound?: boolean;
}

const clock = 90_000;

/** Uneven but ascending: a wobble, and a fifth of a second lost every twenty frames. */
const unevenSeconds = (frame: number): number => frame * 0.0333 + 0.012 * Math.sin(frame * 1.7) + Math.floor(frame / 20) * 0.2;

/** Writes a clip whose every frame carries its own number, and answers the times it was given. */
export async function writeBarcodeClip(file: string, options: BarcodeOptions): Promise<BarcodeClip> {
  const { frames, width = 360, height = 640, rotated = false, variableRate = false, bFrames = 0, sound = false } = options;
  const ticks = Array.from({ length: frames }, (_, i) => Math.round((variableRate ? unevenSeconds(i) : i / 30) * clock));
  const uneven = 'settb=1/90000,setpts=round((N*0.0333+0.012*sin(N*1.7)+floor(N/20)*0.2)*90000)';
  const filters = [variableRate ? uneven : 'settb=1/90000,setpts=round(N/30*90000)', ...(rotated ? ['transpose=2'] : [])].join(',');
  const encoder = spawn(
    'ffmpeg',
    [
      '-v',
      'error',
      '-y',
      '-f',
      'rawvideo',
      '-pix_fmt',
      'gray',
      '-s',
      `${width}x${height}`,
      '-r',
      '30',
      '-i',
      'pipe:0',
      ...(sound ? ['-f', 'lavfi', '-t', String(ticks[frames - 1]! / clock), '-i', 'sine=frequency=440'] : []),
      '-vf',
      `${filters},format=yuv420p`,
      '-fps_mode',
      'passthrough',
      '-enc_time_base',
      '1:90000',
      '-video_track_timescale',
      String(clock),
      '-c:v',
      'libx264',
      '-preset',
      'veryfast',
      '-crf',
      '20',
      '-bf',
      String(bFrames),
      '-g',
      '50',
      '-f',
      'mp4',
      file,
    ],
    { stdio: ['pipe', 'inherit', 'inherit'] },
  );
  const ended = once(encoder, 'close');
  const picture = new Uint8Array(width * height);
  for (let frame = 0; frame < frames; frame++) {
    // A moving ramp, so that neighbouring frames differ everywhere and the encoder has work.
    for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) picture[y * width + x] = 60 + ((x + y + frame * 5) % 120);
    paintBarcode(picture, width, height, frame);
    if (!encoder.stdin.write(Uint8Array.from(picture))) await once(encoder.stdin, 'drain');
  }
  encoder.stdin.end();
  const [code] = (await ended) as [number];
  if (code !== 0) throw new Error(`ffmpeg ended with ${code} while writing ${file}.`);
  if (rotated) await turnClockwise(file);
  return { times: ticks.map((t) => (t - ticks[0]!) / clock), width, height };
}

/** Bytes from a track header's name to its matrix (ISO 14496-12, tkhd version 0). */
const matrixOffset = 44;

/**
 * Says in the file that the picture is shown a quarter turn clockwise. Written into the first track's header, for how
 * ffmpeg is asked for it differs from version to version.
 */
async function turnClockwise(file: string): Promise<void> {
  const bytes = await readFile(file);
  const header = bytes.indexOf('tkhd');
  if (header < 0 || bytes[header + 4] !== 0) throw new Error(`${file} has no track header of version 0.`);
  // Rows (a b u), (c d v), (x y w) in 16.16 fixed point, u, v, w in 2.30: a quarter turn clockwise is 0 1 −1 0.
  const matrix = [0, 0x10000, 0, -0x10000, 0, 0, 0, 0, 0x40000000];
  matrix.forEach((value, i) => bytes.writeInt32BE(value, header + matrixOffset + i * 4));
  await writeFile(file, bytes);
}
