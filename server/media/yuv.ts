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
  for (let y = 0; y < height; y++) {
    const row = y * width * 4 + 3;
    let from = 0;
    while (from < width && rgba[row + from * 4] === 0) from += 1;
    if (from === width) continue;
    let to = width - 1;
    while (rgba[row + to * 4] === 0) to -= 1;
    left = Math.min(left, from);
    right = Math.max(right, to);
    top = Math.min(top, y);
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
  const half = width >> 1;
  const plane = (pixels: number) => ({ added: new Uint16Array(pixels), left: new Uint16Array(pixels).fill(256) });
  const [luma, u, v] = [plane(width * height), plane(half * (height >> 1)), plane(half * (height >> 1))];
  // Of each pixel of colour the four of brightness that share it, in 1/256.
  const sums = { a: new Float32Array(u.left.length), u: new Float32Array(u.left.length), v: new Float32Array(u.left.length) };
  for (let y = 0; y < height; y++)
    for (let x = 0, at = ((box.y + y) * size.width + box.x) * 4; x < width; x++, at += 4) {
      const a = rgba[at + 3]! / 255;
      if (a === 0) continue;
      const [r, g, b] = [rgba[at]! / 255, rgba[at + 1]! / 255, rgba[at + 2]! / 255];
      const bright = kr * r + kg * g + kb * b;
      luma.added[y * width + x] = Math.round((16 + 219 * bright) * a * 256);
      luma.left[y * width + x] = Math.round((1 - a) * 256);
      const shared = (y >> 1) * half + (x >> 1);
      sums.a[shared]! += 64 * a;
      sums.u[shared]! += 64 * (128 + (112 * (b - bright)) / (1 - kb)) * a;
      sums.v[shared]! += 64 * (128 + (112 * (r - bright)) / (1 - kr)) * a;
    }
  for (let i = 0; i < sums.a.length; i++) {
    if (sums.a[i] === 0) continue;
    u.left[i] = v.left[i] = Math.round(256 - sums.a[i]!);
    u.added[i] = Math.round(sums.u[i]!);
    v.added[i] = Math.round(sums.v[i]!);
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

/** Where each column of what is seen comes from: the left one of two neighbours, and how much of the right one there is in it (0..256). */
function columnsOf(wide: number, { view: { zoom, x }, mirrored }: FilmLook): { at: Int32Array; share: Int32Array } {
  const [at, share] = [new Int32Array(wide), new Int32Array(wide)];
  for (let column = 0; column < wide; column++) {
    const from = Math.min(wide - 1, Math.max(0, x * wide + (column + 0.5) / zoom - 0.5));
    const left = Math.min(wide - 2, Math.floor(from));
    const right = Math.round((from - left) * 256);
    at[column] = mirrored ? wide - 2 - left : left;
    share[column] = mirrored ? 256 - right : right;
  }
  return { at, share };
}

/** A row of bytes that can be reckoned with four at a time. */
interface Row {
  bytes: Uint8Array;
  fours: Uint32Array;
}
const rowOf = (wide: number): Row => {
  const fours = new Uint32Array(Math.ceil(wide / 4));
  return { fours, bytes: new Uint8Array(fours.buffer, 0, wide) };
};
/** Every other of four bytes, each with room to grow. */
const everyOther = 0x00ff00ff;

/** A row between two others, `share` (0..256) of the way to the second. */
function between(one: Row, other: Row, share: number, into: Row): void {
  const rest = 256 - share;
  for (let i = 0; i < into.fours.length; i++) {
    const a = one.fours[i]!;
    const b = other.fours[i]!;
    const even = Math.imul(a & everyOther, rest) + Math.imul(b & everyOther, share);
    const odd = Math.imul((a >>> 8) & everyOther, rest) + Math.imul((b >>> 8) & everyOther, share);
    into.fours[i] = ((even >>> 8) & everyOther) | (odd & ~everyOther);
  }
}

/**
 * What of a picture a look shows, enlarged to fill another: straight between neighbouring pixels, first along the rows, of which enlarged
 * pictures need few, then between them.
 */
export function looked(picture: Uint8Array, seen: Uint8Array, { width, height }: Size, look: FilmLook): void {
  const { zoom, y } = look.view;
  let begins = 0;
  for (const down of [0, 1, 1]) {
    const [wide, high] = [width >> down, height >> down];
    const columns = columnsOf(wide, look);
    const plane = picture.subarray(begins, begins + wide * high);
    let [upper, lower] = [rowOf(wide), rowOf(wide)];
    const out = rowOf(wide);
    let held = -2;
    for (let row = 0; row < high; row++) {
      const from = Math.min(high - 1, Math.max(0, y * high + (row + 0.5) / zoom - 0.5));
      const above = Math.min(high - 2, Math.floor(from));
      if (above === held + 1) {
        [upper, lower] = [lower, upper];
        along(plane, (above + 1) * wide, columns, lower.bytes);
      } else if (above !== held) {
        along(plane, above * wide, columns, upper.bytes);
        along(plane, (above + 1) * wide, columns, lower.bytes);
      }
      held = above;
      between(upper, lower, Math.round((from - above) * 256), out);
      seen.set(out.bytes, begins + row * wide);
    }
    begins += wide * high;
  }
}

/** A row of a plane, which begins at a place of it, as wide as what is seen. */
function along(plane: Uint8Array, begins: number, { at, share }: ReturnType<typeof columnsOf>, into: Uint8Array): void {
  for (let column = 0; column < into.length; column++) {
    const left = begins + at[column]!;
    const right = share[column]!;
    into[column] = (plane[left]! * (256 - right) + plane[left + 1]! * right) >> 8;
  }
}
