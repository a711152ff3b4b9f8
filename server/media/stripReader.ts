import { sharpnessOf, type SharpnessSample } from '@lean-mentor/core/footage';
import sharp from 'sharp';
import { picturesOf } from './pieces.ts';
import type { Probe } from './probe.ts';

/** Longest side of the pictures looked at, in pixels; a small picture of the strip has half of that. */
const longestSide = 320;
const columns = 12;
/** The strip holds at most this many pictures. */
const mostPictures = 96;

const multipleOfFour = (pixels: number): number => Math.max(4, Math.round(pixels / 4) * 4);

export function stripPictureSize({ width, height }: Pick<Probe, 'width' | 'height'>): { width: number; height: number } {
  const factor = longestSide / Math.max(width, height);
  return { width: multipleOfFour(width * factor), height: multipleOfFour(height * factor) };
}

/** Every how many frames one is looked at: about two a second. */
export const stripStep = ({ framesPerSecond }: Pick<Probe, 'framesPerSecond'>): number => Math.max(1, Math.round(framesPerSecond / 2));

/** Where a small picture of the strip is found in its image, and which frame it shows. */
export interface StripLayout {
  columns: number;
  width: number;
  height: number;
  frames: number[];
}

/**
 * Takes pictures (planar 4:2:0) as ffmpeg writes them, about two a second; tells how sharp each is and keeps few enough of them,
 * evenly spaced, for one strip.
 */
export class StripReader {
  readonly takePictures: (piece: Uint8Array) => void;
  readonly sharpness: SharpnessSample[] = [];
  private kept: { frame: number; rgb: Uint8Array<ArrayBuffer> }[] = [];
  private keepEvery = 1;
  private readonly size: { width: number; height: number };

  constructor(probe: Probe) {
    this.size = stripPictureSize(probe);
    const { width, height } = this.size;
    const step = stripStep(probe);
    let count = 0;
    this.takePictures = picturesOf((width * height * 3) / 2, (picture) => {
      const at = count++;
      const frame = at * step;
      this.sharpness.push({ frame, sharpness: sharpnessOf(picture.subarray(0, width * height), width, height) });
      if (at % this.keepEvery !== 0) return;
      this.kept.push({ frame, rgb: halved(picture, width, height) });
      if (this.kept.length <= mostPictures) return;
      this.kept = this.kept.filter((_, i) => i % 2 === 0);
      this.keepEvery *= 2;
    });
  }

  /** All that was kept, row by row in one JPEG. */
  async finish(): Promise<{ layout: StripLayout; jpeg: Buffer }> {
    const [width, height] = [this.size.width / 2, this.size.height / 2];
    const rows = Math.max(1, Math.ceil(this.kept.length / columns));
    const jpeg = await sharp({ create: { width: width * columns, height: height * rows, channels: 3, background: '#000' } })
      .composite(
        this.kept.map(({ rgb }, i) => ({
          input: Buffer.from(rgb.buffer),
          raw: { width, height, channels: 3 as const },
          left: (i % columns) * width,
          top: Math.floor(i / columns) * height,
        })),
      )
      .jpeg({ quality: 72 })
      .toBuffer();
    return { layout: { columns, width, height, frames: this.kept.map(({ frame }) => frame) }, jpeg };
  }
}

/** Half of a planar 4:2:0 picture each way, as RGB (ITU-R BT.601, video range): its colour planes have that size already. */
function halved(picture: Uint8Array, width: number, height: number): Uint8Array<ArrayBuffer> {
  const [w, h] = [width / 2, height / 2];
  const rgb = new Uint8Array(w * h * 3);
  const u = width * height;
  const v = u + w * h;
  const clamp = (value: number): number => Math.max(0, Math.min(255, Math.round(value)));
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const top = y * 2 * width + x * 2;
      const luma = (picture[top]! + picture[top + 1]! + picture[top + width]! + picture[top + width + 1]!) / 4;
      const [grey, blue, red] = [1.164 * (luma - 16), picture[u + y * w + x]! - 128, picture[v + y * w + x]! - 128];
      const at = (y * w + x) * 3;
      rgb[at] = clamp(grey + 1.596 * red);
      rgb[at + 1] = clamp(grey - 0.392 * blue - 0.813 * red);
      rgb[at + 2] = clamp(grey + 2.017 * blue);
    }
  return rgb;
}
