import { assertNever } from '../base/result.ts';
import type { Box, Control, Face, Sign } from '../model/panel.ts';

const ink = '#1d2b2a';
const soft = '#5b6763';
const line = '#d5ccba';

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
const middle = ({ x, y, w, h }: Box): readonly [number, number] => [x + w / 2, y + h / 2];
const text = (x: number, y: number, size: number, words: string, fill = ink): string =>
  `<text x="${x}" y="${y}" font-family="Body" font-size="${size}" text-anchor="middle" fill="${fill}">${escaped(words)}</text>`;

function controlShape({ look, at: { x, y, w, h } }: Control): string {
  const round = look === 'knob' || look === 'key' || look === 'button';
  return round
    ? `<ellipse cx="${x + w / 2}" cy="${y + h / 2}" rx="${w / 2}" ry="${h / 2}" fill="#ffffff" stroke="${ink}" stroke-width="0.3"/>`
    : `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="0.6" fill="#ffffff" stroke="${ink}" stroke-width="0.3"/>`;
}

function signShape(sign: Sign): string {
  const { x, y, w, h } = sign.at;
  const [cx, cy] = middle(sign.at);
  switch (sign.kind) {
    case 'lamp':
      return `<circle cx="${cx}" cy="${cy}" r="${Math.min(w, h) / 2}" fill="none" stroke="${ink}" stroke-width="0.35"/>`;
    case 'segments':
    case 'text':
      return `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${ink}"/>`;
    case 'bar':
    case 'beeper':
    case 'felt':
      return `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="1" fill="none" stroke="${soft}" stroke-width="0.25" stroke-dasharray="0.8 0.5"/>`;
    default:
      return assertNever(sign);
  }
}

/**
 * A face of a unit as a drawing for paper: its controls with their numbers, its signs with what is printed beside them and,
 * where it is given, what each counts.
 */
export function faceSvg(
  face: Face,
  of: Readonly<{ numbers: ReadonlyMap<string, number>; weights: ReadonlyMap<string, string> }>,
): string {
  const parts = [
    `<rect x="0" y="0" width="${face.width}" height="${face.height}" rx="1.6" fill="#fbf9f4" stroke="${line}" stroke-width="0.6"/>`,
    ...face.signs.flatMap((sign) => {
      const [cx, cy] = middle(sign.at);
      const weight = of.weights.get(sign.id);
      return [
        signShape(sign),
        text(cx, sign.at.y + sign.at.h + 1.7, 1.5, sign.label),
        ...(weight === undefined ? [] : [text(cx, cy + 0.7, 1.9, weight)]),
      ];
    }),
    ...face.controls.flatMap((control) => {
      const [cx, cy] = middle(control.at);
      const number = of.numbers.get(control.id);
      return [
        controlShape(control),
        ...(number === undefined ? [] : [text(cx, cy + 0.9, 2.4, String(number))]),
        text(cx, control.at.y + control.at.h + 1.7, 1.5, control.label, soft),
      ];
    }),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-0.5 -0.5 ${face.width + 1} ${face.height + 1}">${parts.join('')}</svg>`;
}
