import { floorAt, pictureHeight, pictureWidth, type View } from './camera.ts';
import type { Hall } from './hall.ts';
import type { FigureBuffer } from './rasterise.ts';
import { samples } from './rasterise.ts';
import type { FloorShadow } from './shadow.ts';

const sampleWidth = pictureWidth * samples;

/** The hall as the hand-held camera sees it, with the bodies' shadow on the mat. Writes all of `out` (RGB). */
export function paintBehind(out: Uint8Array, hall: Hall, shadow: FloorShadow, view: View): void {
  const c = Math.cos(view.roll) / view.zoom;
  const s = Math.sin(view.roll) / view.zoom;
  for (let y = 0; y < pictureHeight; y++) {
    for (let x = 0; x < pictureWidth; x++) {
      const dx = x - pictureWidth / 2;
      const dy = y - pictureHeight / 2;
      const u = c * dx + s * dy + view.centreU;
      const v = -s * dx + c * dy + view.centreV;
      const fx = Math.min(hall.width - 1.001, Math.max(0, (u - hall.left) * hall.resolution));
      const fy = Math.min(hall.height - 1.001, Math.max(0, (v - hall.top) * hall.resolution));
      const ix = fx | 0;
      const iy = fy | 0;
      const tx = fx - ix;
      const ty = fy - iy;
      const p = (iy * hall.width + ix) * 3;
      const q = p + hall.width * 3;
      const floor = floorAt(u, v);
      const light = floor ? 1 - 0.55 * shadow.at(floor[0], floor[1]) : 1;
      const at = (y * pictureWidth + x) * 3;
      for (let k = 0; k < 3; k++) {
        const above = hall.rgb[p + k]! * (1 - tx) + hall.rgb[p + 3 + k]! * tx;
        const below = hall.rgb[q + k]! * (1 - tx) + hall.rgb[q + 3 + k]! * tx;
        out[at + k] = (above * (1 - ty) + below * ty) * light;
      }
    }
  }
}

/** Offsets, in samples, at which a pixel looks for a nearer limb; two rings of eight. */
const lookAround = [6, 15].flatMap((radius) =>
  Array.from(
    { length: 8 },
    (_, i) => [Math.round(Math.cos((i * Math.PI) / 4) * radius), Math.round(Math.sin((i * Math.PI) / 4) * radius)] as const,
  ),
);

/** Lays the figures over `out`: samples averaged, and what lies behind a nearer limb darkened, which parts entangled limbs. */
export function layFigures(out: Uint8Array, figures: FigureBuffer): void {
  const { box, depth, rgb } = figures;
  const fromX = Math.floor(box.fromX / samples);
  const toX = Math.min(pictureWidth, Math.ceil(box.toX / samples));
  const fromY = Math.floor(box.fromY / samples);
  const toY = Math.min(pictureHeight, Math.ceil(box.toY / samples));
  for (let y = fromY; y < toY; y++)
    for (let x = fromX; x < toX; x++) {
      let hits = 0;
      let [red, green, blue] = [0, 0, 0];
      let nearest = Infinity;
      for (let k = 0; k < samples * samples; k++) {
        const at = (y * samples + (k >> 1)) * sampleWidth + x * samples + (k & 1);
        if (depth[at] === Infinity) continue;
        hits++;
        nearest = Math.min(nearest, depth[at]!);
        red += rgb[at * 3]!;
        green += rgb[at * 3 + 1]!;
        blue += rgb[at * 3 + 2]!;
      }
      if (hits === 0) continue;
      let hidden = 0;
      for (const [dx, dy] of lookAround) {
        const sx = x * samples + dx;
        const sy = y * samples + dy;
        if (sx < 0 || sy < 0 || sx >= sampleWidth || sy >= pictureHeight * samples) continue;
        const nearer = nearest - depth[sy * sampleWidth + sx]! - 0.03;
        if (nearer > 0) hidden += Math.min(1, nearer / 0.1);
      }
      const light = 1 - 0.62 * (hidden / lookAround.length);
      const cover = hits / (samples * samples);
      const at = (y * pictureWidth + x) * 3;
      out[at] = out[at]! * (1 - cover) + (red / hits) * light * cover;
      out[at + 1] = out[at + 1]! * (1 - cover) + (green / hits) * light * cover;
      out[at + 2] = out[at + 2]! * (1 - cover) + (blue / hits) * light * cover;
    }
}
