export { barcodePoints, brightnessAt, mostBarcodes, paintBarcode, readBarcode } from './barcode.ts';
export { writeBarcodeClip, type BarcodeClip } from './barcodeClip.ts';
