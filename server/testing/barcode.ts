import { brightnessAt, readBarcode } from '@lean-mentor/demo/barcode';
import sharp from 'sharp';

/** The frame number burnt into a picture, or null when there is none to be read. */
export async function barcodeOf(picture: Buffer): Promise<number | null> {
  const { data, info } = await sharp(picture).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return readBarcode(brightnessAt(data, info.width, info.height, info.channels));
}
