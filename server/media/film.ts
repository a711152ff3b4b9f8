import type { FrameTable } from '@lean-mentor/core/footage';
import { captionSvg, filmReads, stageSvg, type FilmLook, type FilmRate, type FilmRead, type Stage } from '@lean-mentor/core/takes';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { z } from 'zod';
import { asShown } from './asShown.ts';
import { coachReader } from './coach.ts';
import { comparedPainter, type ComparedSource } from './compared.ts';
import { ffmpeg, ffmpegFed, ffmpegPictures, ffprobeJson, safeInput } from './ffmpeg.ts';
import { playsAnywhere } from './playsAnywhere.ts';
import type { Demuxer } from './sniffContainer.ts';
import { lay, looked, overlayOf, yuvBytes, type Matrix, type Overlay, type Size } from './yuv.ts';

/** Footage that a film is made from. */
export interface FilmSource {
  file: string;
  demuxer: Demuxer;
  videoStream: number;
  table: FrameTable;
  /** Size of the film, in even pixels; the footage is scaled to it. */
  size: Size;
  matrix: Matrix;
  /** The voice that is heard, with the coach beside it; null where nobody is seen. */
  coach: string | null;
  /** Footages that are compared in it, by their ids. */
  compared: ReadonlyMap<string, ComparedSource>;
}

/** A picture of a film: its stage, and the words that are burnt into it, if any. */
export interface FilmPicture {
  /** Its instant of what is heard, in seconds. */
  at: number;
  stage: Stage;
  words: string;
}

/** Frames held at once while footage runs backwards: as many as take so many bytes, but enough to be worth a read. */
const heldBytes = 64e6;
const leastHeld = 6;
/** A run of ffmpeg's for a stretch, or for joining them, may use so much processor time, in seconds. */
const mostProcessorSeconds = 7200;

const coloured = z.object({ streams: z.array(z.object({ color_space: z.string().optional() })) });

/** By which matrix the colours of a file are kept; where it does not say, by its size, as players take it. */
export async function matrixOf(file: string, demuxer: Demuxer, stream: number, { height }: Size): Promise<Matrix> {
  const asked = ['-select_streams', String(stream), '-show_entries', 'stream=color_space', ...safeInput(demuxer, file)];
  const said = coloured.parse(await ffprobeJson(asked)).streams[0]?.color_space;
  if (said === 'bt709') return 'bt709';
  if (said === 'smpte170m' || said === 'bt470bg') return 'bt601';
  return height >= 720 ? 'bt709' : 'bt601';
}

const tagsOf = (matrix: Matrix): string[] => {
  const name = matrix === 'bt709' ? 'bt709' : 'smpte170m';
  return ['-colorspace', name, '-color_primaries', name, '-color_trc', name];
};

/**
 * What of the picture is seen, as ffmpeg's filter takes it: its corners, between pixels too. It counts from the corner of a pixel, where
 * everybody else does from its middle.
 */
export function lookFilter({ width, height }: Size, { view: { zoom, x, y }, mirrored }: FilmLook): string[] {
  const middle = (1 / zoom - 1) / 2;
  const [left, top] = [x * width + middle, y * height + middle];
  const [right, bottom] = [left + width / zoom, top + height / zoom];
  const corners = [left, top, right, top, left, bottom, right, bottom].map((v) => v.toFixed(3)).join(':');
  return [...(mirrored ? ['hflip'] : []), ...(zoom === 1 ? [] : [`perspective=${corners}:interpolation=linear:sense=source`])];
}

/** The frames of a read that are shown, as the film has them, in the order of the footage. */
function framesOf(source: FilmSource, read: FilmRead, folder: string, signal: AbortSignal): AsyncGenerator<Buffer> {
  const { file, demuxer, videoStream, table, size } = source;
  const { first, last, look, stages } = read;
  // Asked for the midpoint before a frame, ffmpeg's seek gives that frame: times are rounded on their way through files.
  const at = first === 0 ? [] : ['-ss', ((table.times[first - 1]! + table.times[first]!) / 2).toFixed(6)];
  const scaled = `scale=${size.width}:${size.height}:flags=bilinear,setsar=1,format=yuv420p`;
  const filter = [asShown, scaled, ...(look ? lookFilter(size, look) : [])].join(',');
  const many = ['-map', `0:${videoStream}`, '-vf', filter, '-frames:v', String(last - first + 1), '-fps_mode', 'passthrough'];
  const args = [...at, ...safeInput(demuxer, file), ...many, '-f', 'rawvideo'];
  const shown = new Set(stages.map(({ frame }) => frame));
  const wanted = (picture: number): boolean => shown.has(first + picture);
  return ffmpegPictures(args, yuvBytes(size), { processorSeconds: mostProcessorSeconds, folder, signal, wanted });
}

/** The pictures of a read in the order in which the film shows them, each with its stage. A file that ends early stays at its last. */
async function* picturesOf(source: FilmSource, read: FilmRead, folder: string, signal: AbortSignal): AsyncGenerator<[Stage, Buffer]> {
  const frames = framesOf(source, read, folder, signal);
  const { stages } = read;
  if (read.backwards) {
    const held: Buffer[] = [];
    for await (const frame of frames) held.push(Buffer.from(frame));
    if (held.length === 0) throw nothingThere(read);
    // The last that was read is the first that is shown.
    let at = held.length - 1;
    for (const [i, stage] of stages.entries()) {
      if (i > 0 && stage.frame !== stages[i - 1]!.frame) at = Math.max(0, at - 1);
      yield [stage, held[at]!];
    }
    return;
  }
  let last: Buffer | null = null;
  let shown = 0;
  for await (const frame of frames) {
    last = frame;
    const at = stages[shown]?.frame;
    for (; shown < stages.length && stages[shown]!.frame === at; shown++) yield [stages[shown]!, frame];
  }
  if (!last) throw nothingThere(read);
  for (; shown < stages.length; shown++) yield [stages[shown]!, last];
}

const nothingThere = ({ first, last }: FilmRead): Error => new Error(`None of the frames ${first} to ${last} could be read.`);

/** Makes the same overlay once for as long as what it is made from stays the same. `paint`: in red, green, blue and opacity. */
function overlays<T>(size: Size, matrix: Matrix, paint: (of: T) => Promise<Buffer>) {
  let [key, made]: [string | null, Overlay | null] = [null, null];
  return async (of: T | null): Promise<Overlay | null> => {
    const now = of === null ? null : JSON.stringify(of);
    if (now !== key) [key, made] = [now, of === null ? null : overlayOf(await paint(of), size, matrix)];
    return made;
  };
}

const painted = (svg: string): Promise<Buffer> => sharp(Buffer.from(svg)).ensureAlpha().raw().toBuffer();

/** The pictures of a stretch of film, each with all that is seen on it. */
async function* composed(
  source: FilmSource,
  pictures: readonly FilmPicture[],
  folder: string,
  signal: AbortSignal,
): AsyncGenerator<Uint8Array> {
  const { size, matrix, table } = source;
  const [drawn, said] = [overlays(size, matrix, painted), overlays(size, matrix, painted)];
  const beside = overlays(size, matrix, comparedPainter(size, source.compared, { folder, signal }));
  const coach = source.coach === null ? null : coachReader(source.coach, size, matrix, { folder, signal });
  const pictureOf = new Map(pictures.map((picture) => [picture.stage, picture]));
  const mostHeld = Math.max(leastHeld, Math.floor(heldBytes / yuvBytes(size)));
  const stages = pictures.map(({ stage }) => stage);
  let [own, other] = [Buffer.allocUnsafe(yuvBytes(size)), Buffer.allocUnsafe(yuvBytes(size))];
  for (const read of filmReads(stages, mostHeld))
    for await (const [stage, frame] of picturesOf(source, read, folder, signal)) {
      const { words, at } = pictureOf.get(stage)!;
      const above = stage.compare ? await beside(stage.compare) : await drawn(stageSvg(stage, table, size));
      const seen = stage.coach && coach ? await coach.at(at, stage.coach) : null;
      const over = [above, seen, words ? await said(captionSvg(words, size)) : null];
      if (read.look && !over.some(Boolean)) {
        yield frame;
        continue;
      }
      // A frame that is shown again must not carry what was drawn on it before: what is changed is changed on a picture of our own.
      if (read.look) frame.copy(own);
      else looked(frame, own, size, stage);
      for (const one of over) if (one) lay(one, own, size);
      yield own;
      [own, other] = [other, own];
    }
  await coach?.close();
}

/** Bytes a second of film may take. */
const mostBytesPerSecond = 8_000_000;

/** Writes a stretch of film without its sound. `onPicture` hears of each one that is made. */
export async function writeFilmStretch(
  source: FilmSource,
  pictures: readonly FilmPicture[],
  { pictures: many, per }: FilmRate,
  to: string,
  { folder, signal, onPicture }: { folder: string; signal: AbortSignal; onPicture?: () => void },
): Promise<void> {
  const { width, height } = source.size;
  async function* told(): AsyncGenerator<Uint8Array> {
    for await (const picture of composed(source, pictures, folder, signal)) {
      onPicture?.();
      yield picture;
    }
  }
  const input = ['-f', 'rawvideo', '-pix_fmt', 'yuv420p', '-s', `${width}x${height}`, '-framerate', `${many}/${per}`, '-i', 'pipe:0'];
  const encoded = [...playsAnywhere, '-g', String(Math.round((many / per) * 2))];
  const limits = {
    processorSeconds: mostProcessorSeconds,
    mostBytes: 10e6 + Math.ceil((pictures.length * per * mostBytesPerSecond) / many),
  };
  await ffmpegFed([...input, ...encoded, ...tagsOf(source.matrix), '-video_track_timescale', String(many), to], told(), {
    ...limits,
    folder,
    signal,
  });
}

export interface FilmParts {
  /** Files of its stretches, in order. */
  stretches: readonly string[];
  voice: string;
  /** SubRip, to be shown or not as the viewer likes; null: none beside the picture. */
  captions: string | null;
  chapters: readonly { from: number; to: number; title: string }[];
  title: string;
}

/** Signs that mean something in ffmpeg's metadata files. */
const escaped = (text: string): string => text.replace(/[=;#\\\n]/g, (sign) => `\\${sign}`);

/** Puts the stretches of a film together with its voice, its chapters and its captions, beginning before all of it is there. */
export async function joinFilm(
  { stretches, voice, captions, chapters, title }: FilmParts,
  to: string,
  folder: string,
  signal: AbortSignal,
): Promise<void> {
  const [list, about] = [join(folder, 'stretches.txt'), join(folder, 'about.txt')];
  await writeFile(list, stretches.map((file) => `file '${file.replaceAll("'", "'\\''")}'\n`).join(''));
  const ms = (seconds: number): number => Math.round(seconds * 1000);
  const parts = chapters.map(
    (one) => `[CHAPTER]\nTIMEBASE=1/1000\nSTART=${ms(one.from)}\nEND=${ms(one.to)}\ntitle=${escaped(one.title)}\n`,
  );
  await writeFile(about, `;FFMETADATA1\ntitle=${escaped(title)}\n${parts.join('')}`);
  const inputs = ['-f', 'concat', '-safe', '0', '-i', list, ...safeInput('mov', voice), '-f', 'ffmetadata', '-i', about];
  const words = captions === null ? [] : ['-f', 'srt', '-i', captions];
  const maps = [
    '-map',
    '0:v',
    '-map',
    '1:a',
    ...(captions === null ? [] : ['-map', '3:s', '-c:s', 'mov_text']),
    '-map_metadata',
    '2',
    '-map_chapters',
    '2',
  ];
  const args = [...inputs, ...words, ...maps, '-c:v', 'copy', '-c:a', 'copy', '-movflags', '+faststart', '-f', 'mp4', to];
  await ffmpeg(args, { processorSeconds: mostProcessorSeconds, mostBytes: 40e9, folder, signal });
}
