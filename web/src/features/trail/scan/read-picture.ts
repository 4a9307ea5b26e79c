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

/** Running means of a line, over so many values to either side. */
function means(line: Float32Array, reach: number): Float32Array {
  const sums = new Float64Array(line.length + 1);
  line.forEach((v, i) => {
    sums[i + 1] = (sums[i] ?? 0) + v;
  });
  return line.map((_, i) => {
    const [from, to] = [Math.max(0, i - reach), Math.min(line.length, i + reach + 1)];
    return ((sums[to] ?? 0) - (sums[from] ?? 0)) / (to - from);
  });
}

/**
 * A picture as bars are best told in it: each place as the middle of those above and below, because bars stand upright and
 * grain does not, held against how light it is around there, because a shadow lies over one side of a plate.
 */
function evened(grey: Uint8ClampedArray, width: number, height: number): Uint8ClampedArray {
  const upright = new Float32Array(grey.length);
  for (let x = 0; x < width; x++) {
    const column = means(
      Float32Array.from({ length: height }, (_, y) => grey[y * width + x] ?? 0),
      5,
    );
    for (let y = 0; y < height; y++) upright[y * width + x] = column[y] ?? 0;
  }
  const out = new Uint8ClampedArray(grey.length);
  for (let y = 0; y < height; y++) {
    const row = upright.subarray(y * width, (y + 1) * width);
    const around = means(row, Math.round(width / 8));
    for (let x = 0; x < width; x++) out[y * width + x] = 128 + (row[x] ?? 0) - (around[x] ?? 0);
  }
  return out;
}

/** What a bar code or square code in a picture of grey values says; null where none is found. */
export function readGrey(grey: Uint8ClampedArray, width: number, height: number): string | null {
  const source = new RGBLuminanceSource(grey, width, height);
  const upright = new RGBLuminanceSource(evened(grey, width, height), width, height);
  for (const binarizer of [
    new HybridBinarizer(source),
    new GlobalHistogramBinarizer(source),
    new HybridBinarizer(upright),
  ]) {
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
export function readPicture(from: CanvasImageSource, width: number, height: number): string | null {
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
