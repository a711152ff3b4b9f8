import { drawingsAtFrame, type Drawing as FootageDrawing } from '@lean-mentor/core/desk';
import type { FrameTable } from '@lean-mentor/core/footage';
import { join } from 'node:path';
import sharp from 'sharp';
import { overlay } from './still.ts';

type Drawing = Omit<FootageDrawing, 'footageId'>;

/** Widest a clip that is sent away is, in pixels. */
export const widestClip = 960;

/** Transparent pictures that follow one another over a clip. */
export interface ClipLayers {
  /** Their files, numbered from 0, as ffmpeg's image2 demuxer names them. */
  files: string;
  /** Seconds of the clip from which on each is seen; the first from 0. */
  from: number[];
  /** Size in pixels. */
  width: number;
  height: number;
}

export interface LayersAsked {
  table: FrameTable;
  drawings: readonly Drawing[];
  /** Seconds of the footage. */
  fromSeconds: number;
  toSeconds: number;
  /** Of the picture as it is shown. */
  size: { width: number; height: number };
}

/** What is to be seen from an instant of the clip on. */
interface Layer {
  fromSeconds: number;
  visible: Drawing[];
  frame: number;
}

/**
 * What is drawn on the frames of a stretch, as layers that follow one another; drawings that move have one for each frame. Frame times are
 * rounded on their way through files: a layer comes up midway between the frame before and its first one.
 */
function layersOf({ table, drawings, fromSeconds, toSeconds }: LayersAsked): Layer[] {
  const layers: Layer[] = [];
  let last = '';
  table.times.forEach((seconds, frame) => {
    const begins = (seconds + (table.times[frame - 1] ?? seconds)) / 2;
    if (begins < fromSeconds - (seconds - begins) || begins >= toSeconds) return;
    const visible = drawingsAtFrame([...drawings], frame);
    const moves = visible.some(({ keys }) => keys.length > 1);
    const state = `${visible.map(({ id }) => id).join(' ')} ${moves ? frame : ''}`;
    if (layers.length > 0 && state === last) return;
    last = state;
    layers.push({ fromSeconds: layers.length === 0 ? 0 : Math.max(0, begins - fromSeconds), visible, frame });
  });
  return layers;
}

/** As wide as the clip is, with an even height, as the encoder asks. */
function sizeOf({ width, height }: LayersAsked['size']): { width: number; height: number } {
  const factor = Math.min(1, widestClip / width);
  const even = (pixels: number): number => Math.max(2, 2 * Math.round((pixels * factor) / 2));
  return { width: even(width), height: even(height) };
}

/** Paints the drawings of a stretch into a folder; null where nothing is drawn on it. */
export async function paintLayers(folder: string, asked: LayersAsked): Promise<ClipLayers | null> {
  const layers = layersOf(asked);
  if (layers.every(({ visible }) => visible.length === 0)) return null;
  const size = sizeOf(asked.size);
  for (const [i, { visible, frame }] of layers.entries())
    await sharp(Buffer.from(overlay(asked.table, frame, visible, size)))
      .ensureAlpha()
      .png()
      .toFile(join(folder, `layer-${i}.png`));
  return { files: join(folder, 'layer-%d.png'), from: layers.map((layer) => layer.fromSeconds), ...size };
}
