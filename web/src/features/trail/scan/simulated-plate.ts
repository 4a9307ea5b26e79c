import { type Family, modelLike } from '@wire-trail/core';
import QRCode from 'qrcode';

/** What a made-up plate of the first of these families says; null where none has model numbers. */
export function plateText(families: readonly Family[]): string | null {
  for (const family of families)
    for (const pattern of family.variants.flatMap((v) => v.models)) {
      const model = modelLike(pattern);
      if (model) return `MODEL: ${model};S/N: ${model.slice(0, 2)}-118204`;
    }
  return null;
}

/** Draws a made-up plate with its square code, as a camera would see it; whether there was anything to draw. */
export function paintPlate(canvas: HTMLCanvasElement, families: readonly Family[]): boolean {
  const text = plateText(families);
  const context = canvas.getContext('2d');
  if (text === null || !context) return false;
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const [point, edge] = [6, 48];
  canvas.width = modules.size * point + edge * 2 + 260;
  canvas.height = modules.size * point + edge * 2;
  context.fillStyle = 'silver';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.fillStyle = 'black';
  for (let y = 0; y < modules.size; y++)
    for (let x = 0; x < modules.size; x++)
      if (modules.get(y, x)) context.fillRect(edge + x * point, edge + y * point, point, point);
  context.font = '20px monospace';
  text.split(';').forEach((line, i) => {
    context.fillText(line, modules.size * point + edge * 1.5, edge + 30 + i * 34);
  });
  return true;
}
