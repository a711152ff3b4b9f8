import type { FrameTable } from '@lean-mentor/core/footage';
import { comparisonCells, comparisonGrid, frameSeen, type ComparisonGrid, type TakeComparison } from '@lean-mentor/core/takes';
import sharp, { type OverlayOptions } from 'sharp';
import { asShown } from './asShown.ts';
import { ffmpegPictures, safeInput } from './ffmpeg.ts';
import type { Matrix, Size } from './yuv.ts';

/** A footage that a film compares: its review copy. */
export interface ComparedSource {
  file: string;
  table: FrameTable;
  matrix: Matrix;
}

/** Behind the pictures, as the stage is. */
const behind = { r: 0x14, g: 0x17, b: 0x16 };
/** So many frames are read in one go while they are played; what was read is kept, since a range comes again and again. */
const readAtOnce = 16;
const mostKept = 96;
/** One read may use so much processor time, in seconds. */
const mostProcessorSeconds = 480;

interface Wanted {
  source: ComparedSource;
  frame: number;
  mirrored: boolean;
  size: Size;
}

/** Frames from one on, each as large as it can be within a size, in red, green and blue. */
async function readFrames({ source, frame, mirrored, size }: Wanted, many: number, folder: string, signal: AbortSignal): Promise<Buffer[]> {
  const { file, table, matrix } = source;
  const at = frame === 0 ? [] : ['-ss', ((table.times[frame - 1]! + table.times[frame]!) / 2).toFixed(6)];
  const { width, height } = size;
  const scaled = `scale=${width}:${height}:force_original_aspect_ratio=decrease:flags=bilinear:in_color_matrix=${matrix},setsar=1`;
  const hex = [behind.r, behind.g, behind.b].map((part) => part.toString(16).padStart(2, '0')).join('');
  const padded = `format=rgb24,pad=${width}:${height}:(ow-iw)/2:(oh-ih)/2:color=0x${hex}`;
  const filter = [asShown, ...(mirrored ? ['hflip'] : []), scaled, padded].join(',');
  const args = [...at, ...safeInput('mov', file), '-map', '0:v:0', '-vf', filter, '-frames:v', String(many), '-fps_mode', 'passthrough'];
  const pictures: Buffer[] = [];
  for await (const picture of ffmpegPictures([...args, '-f', 'rawvideo'], width * height * 3, {
    processorSeconds: mostProcessorSeconds,
    folder,
    signal,
  }))
    pictures.push(Buffer.from(picture));
  return pictures;
}

/**
 * Draws what is compared at an instant: red, green, blue and opacity of a whole picture. What is not there any more stays dark. `grid`:
 * how it is laid out, where the picture is larger than one of them.
 */
export type ComparedPainter = (compare: TakeComparison) => Promise<Buffer>;

export function comparedPainter(
  size: Size,
  sources: ReadonlyMap<string, ComparedSource>,
  { folder, signal, grid }: { folder: string; signal: AbortSignal; grid?: ComparisonGrid },
): ComparedPainter {
  const kept = new Map<string, Buffer>();
  const keyOf = ({ source, frame, mirrored, size: { width, height } }: Wanted): string =>
    [source.file, frame, mirrored, width, height].join(' ');
  const pictureOf = async (wanted: Wanted, runs: boolean): Promise<Buffer | null> => {
    const there = kept.get(keyOf(wanted));
    if (there) return there;
    const read = await readFrames(wanted, runs ? readAtOnce : 1, folder, signal);
    read.forEach((picture, i) => kept.set(keyOf({ ...wanted, frame: wanted.frame + i }), picture));
    for (const key of kept.keys()) if (kept.size > mostKept) kept.delete(key);
    return read[0] ?? null;
  };
  return async (compare) => {
    const { items, layout, opacity, rate } = compare;
    const cells = comparisonCells(items.length, grid ?? comparisonGrid(items.length, size));
    const laid: OverlayOptions[] = [];
    for (const [i, item] of items.entries()) {
      const source = sources.get(item.footageId);
      if (!source) continue;
      const share = layout === 'over' ? { x: 0, y: 0, width: 1, height: 1 } : cells[i]!;
      const cell = { width: Math.floor(share.width * size.width), height: Math.floor(share.height * size.height) };
      const frame = frameSeen(item, compare, source.table);
      const picture = await pictureOf({ source, frame, mirrored: item.mirrored, size: cell }, rate !== 0);
      if (!picture) continue;
      const whole = sharp(picture, { raw: { ...cell, channels: 3 } }).ensureAlpha(layout === 'over' && i > 0 ? opacity : 1);
      laid.push({
        input: await whole.raw().toBuffer(),
        raw: { ...cell, channels: 4 },
        left: Math.floor(share.x * size.width),
        top: Math.floor(share.y * size.height),
      });
    }
    const ground = sharp({ create: { ...size, channels: 4, background: { ...behind, alpha: 1 } } });
    return ground.composite(laid).raw().toBuffer();
  };
}
