import {
  BarcodeFormat,
  BinaryBitmap,
  DecodeHintType,
  GlobalHistogramBinarizer,
  HybridBinarizer,
  MultiFormatReader,
  RGBLuminanceSource,
} from '@zxing/library';

const formats = [
  BarcodeFormat.QR_CODE,
  BarcodeFormat.DATA_MATRIX,
  BarcodeFormat.CODE_128,
  BarcodeFormat.CODE_39,
  BarcodeFormat.EAN_13,
  BarcodeFormat.ITF,
];
const hints = new Map<DecodeHintType, unknown>([
  [DecodeHintType.POSSIBLE_FORMATS, formats],
  [DecodeHintType.TRY_HARDER, true],
]);

/** What a bar code or square code in a picture of grey values says; null where none is found. */
export function readGrey(grey: Uint8ClampedArray, width: number, height: number): string | null {
  const source = new RGBLuminanceSource(grey, width, height);
  for (const binarizer of [new HybridBinarizer(source), new GlobalHistogramBinarizer(source)]) {
    const reader = new MultiFormatReader();
    reader.setHints(hints);
    try {
      return reader.decode(new BinaryBitmap(binarizer)).getText();
    } catch {
      // nothing was found this way
    }
  }
  return null;
}

/** How wide a picture is looked at: enough for the bars of a plate, few enough points to be quick. */
const lookedAt = 960;
let canvas: HTMLCanvasElement | null = null;

/** The same for what a camera or a file shows. */
export async function readPicture(from: CanvasImageSource, width: number, height: number): Promise<string | null> {
  const scale = Math.min(1, lookedAt / width);
  canvas ??= document.createElement('canvas');
  canvas.width = Math.round(width * scale);
  canvas.height = Math.round(height * scale);
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context || canvas.width === 0 || canvas.height === 0) return null;
  context.drawImage(from, 0, 0, canvas.width, canvas.height);
  const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
  const grey = new Uint8ClampedArray(canvas.width * canvas.height);
  for (let i = 0; i < grey.length; i++)
    grey[i] = ((data[i * 4] ?? 0) * 306 + (data[i * 4 + 1] ?? 0) * 601 + (data[i * 4 + 2] ?? 0) * 117) >> 10;
  return readGrey(grey, canvas.width, canvas.height);
}
