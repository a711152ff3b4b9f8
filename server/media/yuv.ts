import type { FilmLook } from '@lean-mentor/core/takes';

export interface Size {
  width: number;
  height: number;
}

/** Bytes of a picture as video has it: brightness of every pixel, then two planes of colour at half the width and height (I420). */
export const yuvBytes = ({ width, height }: Size): number => width * height + 2 * (width >> 1) * (height >> 1);

/** How much of red and of blue there is in brightness: ITU-R BT.601 and BT.709. */
const matrices = { bt601: [0.299, 0.114], bt709: [0.2126, 0.0722] } as const;
export type Matrix = keyof typeof matrices;

/** What is laid over a picture, and where; of each plane its values times its opacity, and how much of the picture is left (0..256). */
export interface Overlay {
  x: number;
  y: number;
  width: number;
  height: number;
  planes: readonly { added: Uint16Array; left: Uint16Array }[];
}

/** The smallest box, at even places, that holds all that is not clear; null where everything is. */
function boxOf(rgba: Uint8Array, { width, height }: Size): Pick<Overlay, 'x' | 'y' | 'width' | 'height'> | null {
  let [left, right, top, bottom] = [width, -1, height, -1];
  for (let y = 0; y < height; y++)
    for (let x = 0, at = y * width * 4 + 3; x < width; x++, at += 4)
      if (rgba[at] !== 0) {
        if (x < left) left = x;
        if (x > right) right = x;
        if (y < top) top = y;
        bottom = y;
      }
  if (right < 0) return null;
  [left, top] = [left & ~1, top & ~1];
  return { x: left, y: top, width: (right - left + 2) & ~1, height: (bottom - top + 2) & ~1 };
}

/** Red, green, blue and opacity as something to lay over video of that matrix (values 16 to 235 and 240, as video has them). */
export function overlayOf(rgba: Uint8Array, size: Size, matrix: Matrix): Overlay | null {
  const box = boxOf(rgba, size);
  if (!box) return null;
  const [kr, kb] = matrices[matrix];
  const kg = 1 - kr - kb;
  const { width, height } = box;
  const plane = (pixels: number) => ({ added: new Uint16Array(pixels), left: new Uint16Array(pixels) });
  const half = width >> 1;
  const [luma, u, v] = [plane(width * height), plane(half * (height >> 1)), plane(half * (height >> 1))];
  const sums = { a: new Float32Array(half), u: new Float32Array(half), v: new Float32Array(half) };
  for (let y = 0; y < height; y++) {
    if (y % 2 === 0) for (const sum of Object.values(sums)) sum.fill(0);
    for (let x = 0; x < width; x++) {
      const at = ((box.y + y) * size.width + box.x + x) * 4;
      const [r, g, b, a] = [rgba[at]! / 255, rgba[at + 1]! / 255, rgba[at + 2]! / 255, rgba[at + 3]! / 255];
      const bright = kr * r + kg * g + kb * b;
      luma.added[y * width + x] = Math.round((16 + 219 * bright) * a * 256);
      luma.left[y * width + x] = Math.round((1 - a) * 256);
      const pair = x >> 1;
      sums.a[pair]! += a / 4;
      sums.u[pair]! += ((128 + (112 * (b - bright)) / (1 - kb)) * a) / 4;
      sums.v[pair]! += ((128 + (112 * (r - bright)) / (1 - kr)) * a) / 4;
    }
    if (y % 2 === 0) continue;
    const row = (y >> 1) * half;
    for (let x = 0; x < half; x++) {
      const rest = Math.round((1 - sums.a[x]!) * 256);
      u.added[row + x] = Math.round(sums.u[x]! * 256);
      v.added[row + x] = Math.round(sums.v[x]! * 256);
      u.left[row + x] = rest;
      v.left[row + x] = rest;
    }
  }
  return { ...box, planes: [luma, u, v] };
}

/** Lays something over a picture, in its place. */
export function lay(overlay: Overlay, picture: Uint8Array, { width, height }: Size): void {
  let begins = 0;
  overlay.planes.forEach(({ added, left }, p) => {
    const down = p === 0 ? 0 : 1;
    const [wide, high] = [width >> down, height >> down];
    const [boxWide, boxHigh] = [overlay.width >> down, overlay.height >> down];
    for (let y = 0; y < boxHigh; y++) {
      let at = begins + ((overlay.y >> down) + y) * wide + (overlay.x >> down);
      for (let from = y * boxWide; from < (y + 1) * boxWide; from++, at++) {
        const rest = left[from]!;
        if (rest !== 256) picture[at] = (picture[at]! * rest + added[from]!) >> 8;
      }
    }
    begins += wide * high;
  });
}

/** What of a picture a look shows, enlarged to fill it: straight between neighbouring pixels. */
export function looked(picture: Uint8Array, { width, height }: Size, { view: { zoom, x, y }, mirrored }: FilmLook): Buffer {
  const seen = Buffer.allocUnsafe(picture.length);
  let begins = 0;
  for (const down of [0, 1, 1]) {
    const [wide, high] = [width >> down, height >> down];
    // Where each column of what is seen comes from, reckoned once for all rows.
    const columns = new Int32Array(wide);
    const shares = new Int32Array(wide);
    for (let column = 0; column < wide; column++) {
      const from = Math.min(wide - 1, Math.max(0, x * wide + (column + 0.5) / zoom - 0.5));
      const at = Math.min(wide - 2, Math.floor(from));
      const share = Math.round((from - at) * 256);
      columns[column] = mirrored ? wide - 2 - at : at;
      shares[column] = mirrored ? 256 - share : share;
    }
    for (let row = 0; row < high; row++) {
      const from = Math.min(high - 1, Math.max(0, y * high + (row + 0.5) / zoom - 0.5));
      const at = Math.min(high - 2, Math.floor(from));
      const share = Math.round((from - at) * 256);
      const [upper, out] = [begins + at * wide, begins + row * wide];
      for (let column = 0; column < wide; column++) {
        const [place, across] = [upper + columns[column]!, shares[column]!];
        const above = picture[place]! * (256 - across) + picture[place + 1]! * across;
        const below = picture[place + wide]! * (256 - across) + picture[place + wide + 1]! * across;
        seen[out + column] = (above * (256 - share) + below * share + 32_768) >> 16;
      }
    }
    begins += wide * high;
  }
  return seen;
}
