import { coachCorner, coachPictures, coachRate, coachSide, type CoachShape } from '@lean-mentor/core/takes';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { ffmpeg, ffmpegPictures, safeInput } from './ffmpeg.ts';
import { playsAnywhere } from './playsAnywhere.ts';
import type { Demuxer } from './sniffContainer.ts';
import { overlayOf, type Matrix, type Overlay, type Size } from './yuv.ts';

/** Longest run, in seconds, and largest file, in bytes. */
const limits = { processorSeconds: 7200, mostBytes: 2e9 };
const encoded = [...playsAnywhere, '-g', String(coachRate), '-video_track_timescale', '25000', '-an'];
const dark = '0x141716';

/**
 * The coach as a part of a recording shows them: a square of the middle, at an even rate, so many pictures long; dark where the part has no
 * picture. A camera that began late or stopped early is waited for with its first or last picture.
 */
export async function coachOfPart(
  part: { file: string; demuxer: Demuxer } | null,
  pictures: number,
  to: string,
  folder: string,
): Promise<void> {
  const most = ['-frames:v', String(pictures)];
  if (!part) {
    const none = ['-f', 'lavfi', '-i', `color=c=${dark}:s=${coachSide}x${coachSide}:r=${coachRate},format=yuv420p`];
    return ffmpeg([...none, ...most, ...encoded, to], { ...limits, folder });
  }
  const square = `crop='min(iw,ih)':'min(iw,ih)',scale=${coachSide}:${coachSide},setsar=1,format=yuv420p`;
  const even = `fps=${coachRate}:start_time=0,tpad=stop=-1:stop_mode=clone`;
  await ffmpeg([...safeInput(part.demuxer, part.file), '-map', '0:v:0', '-vf', `${square},${even}`, ...most, ...encoded, to], {
    ...limits,
    folder,
  });
}

/** Parts one after another. */
export async function joinCoach(parts: readonly string[], to: string, folder: string): Promise<void> {
  const list = join(folder, 'coach-parts.txt');
  await writeFile(list, parts.map((file) => `file '${file.replaceAll("'", "'\\''")}'\n`).join(''));
  await ffmpeg(['-f', 'concat', '-safe', '0', '-i', list, '-c', 'copy', to], { ...limits, folder });
}

/** What is left of it when all but some stretches (in seconds, ascending) are cut out: as long as the voice that is left. */
export async function cutCoach(
  from: string,
  stretches: readonly { from: number; to: number }[],
  to: string,
  folder: string,
): Promise<void> {
  const all = coachPictures(stretches).filter(({ first, end }) => end > first);
  // Less than half a picture is one all the same: a film without any is none.
  const [first = 0] = stretches.map(({ from }) => Math.floor(from * coachRate));
  const kept = all.length > 0 ? all : [{ first, end: first + 1 }];
  const pictures = kept.reduce((sum, { first: begins, end }) => sum + end - begins, 0);
  const script = join(folder, 'coach-cut.txt');
  const wanted = kept.map(({ first: begins, end }) => `between(n,${begins},${end - 1})`).join('+');
  // A rounded end may lie one picture beyond the last.
  await writeFile(script, `tpad=stop=${coachRate}:stop_mode=clone,select='${wanted}',setpts=N/${coachRate}/TB`);
  const cut = ['-filter_script:v', script, '-r', String(coachRate), '-frames:v', String(pictures)];
  await ffmpeg([...safeInput('mov', from), ...cut, ...encoded, to], { ...limits, folder });
}

/** A voice with the coach beside it in one file: whatever plays it keeps the two together. */
export const voiceAndCoach = (voice: string, coach: string, to: string, folder: string): Promise<void> =>
  ffmpeg(
    [
      ...[...safeInput('mov', voice), ...safeInput('mov', coach), '-map', '0:a', '-map', '1:v'],
      ...['-c', 'copy', '-movflags', '+faststart', '-f', 'mp4', to],
    ],
    { ...limits, folder },
  );

/** How opaque each pixel is, 0..255: a round picture has a soft edge. */
function maskOf(shape: CoachShape, side: number): Uint8Array {
  const middle = (side - 1) / 2;
  return Uint8Array.from({ length: side * side }, (_, i) => {
    if (shape === 'square') return 255;
    const off = Math.hypot((i % side) - middle, Math.floor(i / side) - middle);
    return Math.round(255 * Math.max(0, Math.min(1, side / 2 - off)));
  });
}

/** Gives what of the coach is seen at an instant of a film, in whatever order pictures come that never goes back. */
export interface CoachReader {
  at: (seconds: number, shape: CoachShape) => Promise<Overlay | null>;
  close: () => Promise<void>;
}

/** `file`: the voice that is heard, with the coach in it. `size`: of the film. */
export function coachReader(file: string, size: Size, matrix: Matrix, run: { folder: string; signal: AbortSignal }): CoachReader {
  const corner = coachCorner(size);
  const [x, y, side] = [corner.x, corner.y, corner.side].map((at) => 2 * Math.round(at / 2)) as [number, number, number];
  let pictures: AsyncGenerator<Buffer> | null = null;
  let [next, shown]: [number, { picture: number; shape: CoachShape; overlay: Overlay | null } | null] = [0, null];
  let last: Buffer | null = null;
  const masks = new Map<CoachShape, Uint8Array>();
  const readFrom = (first: number): AsyncGenerator<Buffer> => {
    const at = first === 0 ? [] : ['-ss', ((first - 0.5) / coachRate).toFixed(6)];
    const scaled = ['-map', '0:v:0', '-vf', `scale=${side}:${side}:flags=bilinear,format=rgb24`, '-fps_mode', 'passthrough'];
    next = first;
    return ffmpegPictures([...at, ...safeInput('mov', file), ...scaled, '-f', 'rawvideo'], side * side * 3, {
      processorSeconds: limits.processorSeconds,
      ...run,
    });
  };
  const laid = (rgb: Buffer, shape: CoachShape): Overlay | null => {
    const mask = masks.get(shape) ?? maskOf(shape, side);
    masks.set(shape, mask);
    const rgba = new Uint8Array(side * side * 4);
    for (let i = 0; i < mask.length; i++) {
      rgba.set(rgb.subarray(i * 3, i * 3 + 3), i * 4);
      rgba[i * 4 + 3] = mask[i]!;
    }
    const overlay = overlayOf(rgba, { width: side, height: side }, matrix);
    return overlay && { ...overlay, x: overlay.x + x, y: overlay.y + y };
  };
  return {
    at: async (seconds, shape) => {
      const picture = Math.max(0, Math.floor(seconds * coachRate));
      if (shown?.picture === picture && shown.shape === shape) return shown.overlay;
      pictures ??= readFrom(picture);
      for (; next <= picture; next += 1) {
        const { value, done } = await pictures.next();
        // A film may be a picture longer than what is heard: the last one stays.
        if (done) break;
        last = value;
      }
      shown = last && { picture, shape, overlay: laid(last, shape) };
      return shown?.overlay ?? null;
    },
    close: async () => void (await pictures?.return(undefined)),
  };
}
