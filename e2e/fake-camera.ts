import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { entriesOf, type Readout, readBundle, sceneAt, schedule } from '@wire-trail/core';
import QRCode from 'qrcode';
// @ts-expect-error plain JavaScript, as the pictures script that shares it
import { chromiumOptions } from './chromium.mjs';

const [width, height, framesPerS] = [320, 240, 30];
/** Where the lamp is in the picture, as shares of its width and height. */
export const lampAt = { x: 0.62, y: 0.4 } as const;
const radius = 9;

/** Brightness of every point of one picture: a panel with a grain, one lamp, noise that is the same in every run. */
function picture(lit: boolean, frame: number): Buffer {
  const luma = Buffer.alloc(width * height);
  const [cx, cy] = [lampAt.x * width, lampAt.y * height];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const grain = 84 + (((x >> 3) * 7 + (y >> 3) * 13) % 5) * 9;
      const noise = ((x * 131 + y * 57 + frame * 911) % 17) - 8;
      const inLamp = (x - cx) ** 2 + (y - cy) ** 2 <= radius ** 2;
      luma[y * width + x] = (inLamp ? (lit ? 205 : 60) : grain) + noise;
    }
  return Buffer.concat([luma, Buffer.alloc((width * height) / 2, 128)]);
}

/** The demo's own description of a readout, so that the clip shows what the library says the unit shows. */
function demoReadout(file: string, id: string): Readout {
  const bundle = readBundle(
    JSON.parse(readFileSync(fileURLToPath(new URL(`../demo/${file}.json`, import.meta.url)), 'utf8')),
  );
  const readout = bundle.ok ? entriesOf(bundle.value, 'readout').find((r) => r.id === id) : undefined;
  if (!readout) throw new Error(`${file} has no readout ${id}`);
  return readout;
}

/** Writes a clip in which the lamp of a demo readout blinks a code, over and over; gives its path. */
export function clipOf(file: string, readoutId: string, code: string, name: string): string {
  const scenes = schedule(demoReadout(file, readoutId), code);
  const scene = scenes.ok ? scenes.value[0] : undefined;
  if (!scene) throw new Error(`cannot show ${code}`);
  const frames = Math.round((scene.periodMs / 1000) * framesPerS);
  const parts: Buffer[] = [Buffer.from(`YUV4MPEG2 W${width} H${height} F${framesPerS}:1 Ip A1:1 C420\n`)];
  for (let i = 0; i < frames; i++) {
    const shown = sceneAt(scene, (i * 1000) / framesPerS);
    const lit = shown.some((s) => s.kind === 'lamp' && s.state === 'lit');
    parts.push(Buffer.from('FRAME\n'), picture(lit, i));
  }
  return keep(parts, name);
}

function keep(parts: readonly Buffer[], name: string): string {
  const folder = fileURLToPath(new URL('../.cache/clips', import.meta.url));
  mkdirSync(folder, { recursive: true });
  const path = `${folder}/${name}`;
  writeFileSync(path, Buffer.concat(parts));
  return path;
}

/** Writes a clip of a made-up plate with a square code, as somebody holds a phone before it; gives its path. */
export function plateClip(text: string, name: string): string {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const [wide, tall] = [640, 480];
  const point = Math.floor(300 / modules.size);
  const parts: Buffer[] = [Buffer.from(`YUV4MPEG2 W${wide} H${tall} F${framesPerS}:1 Ip A1:1 C420\n`)];
  for (let frame = 0; frame < 20; frame++) {
    const luma = Buffer.alloc(wide * tall);
    // a hand is never quite still
    const shift = Math.round(Math.sin(frame / 3) * 2);
    const [left, top] = [(wide - modules.size * point) / 2 + shift, (tall - modules.size * point) / 2];
    for (let y = 0; y < tall; y++)
      for (let x = 0; x < wide; x++) {
        const [px, py] = [Math.floor((x - left) / point), Math.floor((y - top) / point)];
        const inside = px >= 0 && py >= 0 && px < modules.size && py < modules.size;
        luma[y * wide + x] = (inside && modules.get(py, px) ? 50 : 190) + ((x * 131 + y * 57 + frame * 911) % 17) - 8;
      }
    parts.push(Buffer.from('FRAME\n'), Buffer.concat([luma, Buffer.alloc((wide * tall) / 2, 128)]));
  }
  return keep(parts, name);
}

/** How a browser is started that sees this clip, over and over, where a page asks for the camera. */
export const seeing = (clip: string) => ({
  ...chromiumOptions,
  args: [
    ...chromiumOptions.args,
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-video-capture=${clip}`,
  ],
});
