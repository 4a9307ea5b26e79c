import { type Face, litAt, type Readout, type Region, type Scene, type Sign, sceneAt } from '@wire-trail/core';
import { feedInks } from '../../../../../foundation/theme/inks.ts';

/** How big the pictures are, whatever they come from. */
export const picture = { width: 640, height: 480 } as const;

const colours: Readonly<Record<string, string>> = feedInks;

/** What makes a simulated picture as poor as a real one. */
export type Trouble = Readonly<{ shaky: boolean; dim: boolean; noisy: boolean }>;

const layout = (face: Face) => {
  const scale = Math.min((picture.width - 80) / face.width, (picture.height - 120) / face.height);
  return {
    scale,
    left: (picture.width - face.width * scale) / 2,
    top: (picture.height - face.height * scale) / 2,
  };
};

/** Where a sign of the face is in the simulated picture. */
export function regionOf(face: Face, sign: Sign): Region {
  const { scale, left, top } = layout(face);
  const { x, y, w, h } = sign.at;
  return { x: left + (x + w / 2) * scale, y: top + (y + h / 2) * scale, r: Math.max(6, (Math.min(w, h) / 2) * scale) };
}

const tile = 16;

/** A stand-in for a camera: the drawn panel, with what the unit shows at an instant, a grain and a hand that is not still. */
export function paintFeed(
  context: CanvasRenderingContext2D,
  {
    face,
    scene,
    rates,
    atMs,
    trouble,
    random,
  }: {
    face: Face;
    scene: Scene | null;
    rates: Readout['rates'];
    atMs: number;
    trouble: Trouble;
    random: () => number;
  },
): void {
  const { scale, left, top } = layout(face);
  const sway = trouble.shaky ? [4 * Math.sin(atMs / 310), 3 * Math.cos(atMs / 470)] : [0, 0];
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.fillStyle = feedInks.panel;
  context.fillRect(0, 0, picture.width, picture.height);
  context.translate(sway[0] ?? 0, sway[1] ?? 0);
  for (let y = -tile; y < picture.height + tile; y += tile)
    for (let x = -tile; x < picture.width + tile; x += tile) {
      const shade = 100 + ((x * 7 + y * 13) % 5) * 9 + (((x / tile) ^ (y / tile)) & 1) * 12;
      context.fillStyle = `rgb(${shade},${shade - 4},${shade - 12})`;
      context.fillRect(x, y, tile, tile);
    }
  context.fillStyle = feedInks.face;
  context.fillRect(left, top, face.width * scale, face.height * scale);
  context.fillStyle = feedInks.edge;
  for (const { at } of face.controls)
    context.fillRect(left + at.x * scale, top + at.y * scale, at.w * scale, at.h * scale);
  const shown = scene ? sceneAt(scene, atMs) : [];
  for (const sign of face.signs) {
    if (sign.kind !== 'lamp') continue;
    const now = shown.find((s) => s.sign === sign.id);
    const lit = now?.kind === 'lamp' && litAt(now.state, atMs, rates);
    const { x, y, r } = regionOf(face, sign);
    context.beginPath();
    context.arc(x, y, r, 0, 2 * Math.PI);
    context.fillStyle = feedInks.dark;
    context.fill();
    if (!lit) continue;
    context.globalAlpha = trouble.dim ? 0.3 : 1;
    context.fillStyle = colours[(now.kind === 'lamp' && now.colour) || sign.colours[0] || 'amber'] ?? feedInks.amber;
    context.fill();
    context.globalAlpha = 1;
  }
  if (!trouble.noisy) return;
  context.setTransform(1, 0, 0, 1, 0, 0);
  for (let i = 0; i < 900; i++) {
    const v = Math.floor(random() * 255);
    context.fillStyle = `rgba(${v},${v},${v},0.35)`;
    context.fillRect(random() * picture.width, random() * picture.height, 5, 5);
  }
}
