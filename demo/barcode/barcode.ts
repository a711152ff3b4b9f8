/** A frame number that can be read back from the picture: 16 bits as black and white cells, and the same bits inverted below. */
const columns = 8;
const rows = 2;
const bits = columns * rows;
export const mostBarcodes = 2 ** bits;

/** Cells as shares of the picture: x, y of the top-left corner, w, h. The first `bits` cells carry the number, the others its inverse. */
function cells(): { x: number; y: number; w: number; h: number }[] {
  const w = 0.88 / columns;
  const h = 0.06;
  return Array.from({ length: bits * 2 }, (_, i) => ({ x: 0.06 + (i % columns) * w, y: 0.06 + Math.floor(i / columns) * h, w, h }));
}

/** Points, in shares of the picture, whose brightness tells the cells: the middle of each, in order. */
export const barcodePoints = cells().map(({ x, y, w, h }) => ({ x: x + w / 2, y: y + h / 2 }));

const isWhite = (number: number, cell: number): boolean => ((number >> (cell % bits)) & 1) === (cell < bits ? 1 : 0);

/** Paints the number over a grey picture (one byte a pixel). */
export function paintBarcode(grey: Uint8Array, width: number, height: number, number: number): void {
  cells().forEach(({ x, y, w, h }, i) => {
    const value = isWhite(number, i) ? 235 : 20;
    for (let row = Math.round(y * height); row < Math.round((y + h) * height); row++)
      grey.fill(value, row * width + Math.round(x * width), row * width + Math.round((x + w) * width));
  });
}

/** The number behind the brightness (0..255) at `barcodePoints`, or null when bits and inverse disagree: then it is no barcode. */
export function readBarcode(brightness: readonly number[]): number | null {
  let number = 0;
  for (let bit = 0; bit < bits; bit++) {
    const white = brightness[bit]! > 128;
    if (white === brightness[bit + bits]! > 128) return null;
    if (white) number |= 1 << bit;
  }
  return number;
}

/** Brightness at `barcodePoints` of a picture of interleaved channels, the first of which is taken. */
export const brightnessAt = (data: ArrayLike<number>, width: number, height: number, channels: number): number[] =>
  barcodePoints.map(({ x, y }) => data[(Math.floor(y * height) * width + Math.floor(x * width)) * channels]!);
