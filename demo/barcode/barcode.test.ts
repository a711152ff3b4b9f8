import { describe, expect, it } from 'vitest';
import { brightnessAt, mostBarcodes, paintBarcode, readBarcode } from './barcode.ts';

describe('a barcode', () => {
  it('is read back as the number it was painted with', () => {
    for (const number of [0, 1, 255, 4711, mostBarcodes - 1]) {
      const grey = new Uint8Array(360 * 640).fill(120);
      paintBarcode(grey, 360, 640, number);
      expect(readBarcode(brightnessAt(grey, 360, 640, 1))).toBe(number);
    }
  });

  it('is told from a picture that has none', () => {
    expect(readBarcode(brightnessAt(new Uint8Array(360 * 640).fill(200), 360, 640, 1))).toBeNull();
  });
});
