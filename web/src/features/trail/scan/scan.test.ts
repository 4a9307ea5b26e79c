import { familyEntry, readScan, seeded } from '@wire-trail/core';
import JsBarcode from 'jsbarcode';
import QRCode from 'qrcode';
import { describe, expect, it } from 'vitest';
import { glasswasher, velmarrow } from '../../../testing/trail.tsx';
import { readGrey } from './read-picture.ts';
import { plateText } from './simulated-plate.ts';

const text = 'MODEL: G4-20B;S/N: 118204';
type Picture = Readonly<{ grey: Uint8ClampedArray; width: number; height: number }>;

/** A picture of dark and light places, so many points each, on silver, with a margin. */
function picture(
  isDark: (x: number, y: number) => boolean,
  of: { wide: number; tall: number; point: number },
): Picture {
  const margin = of.point * 12;
  const [width, height] = [of.wide * of.point + margin * 2, of.tall * of.point + margin * 2];
  const grey = new Uint8ClampedArray(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [px, py] = [Math.floor((x - margin) / of.point), Math.floor((y - margin) / of.point)];
      const inside = px >= 0 && py >= 0 && px < of.wide && py < of.tall;
      grey[y * width + x] = inside && isDark(px, py) ? 40 : 205;
    }
  return { grey, width, height };
}
const qr = (of: string, point = 4): Picture => {
  const { modules } = QRCode.create(of, { errorCorrectionLevel: 'M' });
  return picture((x, y) => Boolean(modules.get(y, x)), { wide: modules.size, tall: modules.size, point });
};
const bars = (of: string, format: string, point = 3): Picture => {
  const drawn: { encodings?: Array<{ data: string }> } = {};
  JsBarcode(drawn, of, { format });
  const row = (drawn.encodings ?? []).map((e) => e.data).join('');
  return picture((x) => row[x] === '1', { wide: row.length, tall: 40, point });
};
/** The same as a camera gives it: noise, a shade from one side to the other. */
const worn = ({ grey, width, height }: Picture, noise: number, shade: number): Picture => {
  const random = seeded(11);
  return {
    width,
    height,
    grey: grey.map((v, i) => v + (random() - 0.5) * noise - ((i % width) / width) * shade),
  };
};
const read = (p: Picture) => readGrey(p.grey, p.width, p.height);

describe('the codes of a plate', () => {
  it.each<[string, Picture, string]>([
    ['a square code', qr(text), text],
    ['a small one', qr(text, 2), text],
    ['one in bad light', worn(qr(text), 60, 90), text],
    ['bars of the long kind', bars('G4-118204', 'CODE128'), 'G4-118204'],
    ['bars of the wide kind', bars('G4-118204', 'CODE39'), 'G4-118204'],
    ['bars in bad light', worn(bars('G4-118204', 'CODE128'), 50, 70), 'G4-118204'],
  ])('%s is read', (_, shown, says) => expect(read(shown)).toBe(says));

  it.each<[string, Picture]>([
    ['a blank plate', picture(() => false, { wide: 40, tall: 20, point: 4 })],
    ['a pattern that is no code', picture((x, y) => (x * 5 + y * 3) % 7 < 3, { wide: 60, tall: 60, point: 3 })],
    [
      'a square code with half of it gone',
      picture((x, y) => x < 20 && Boolean(QRCode.create(text, {}).modules.get(y, x)), { wide: 29, tall: 29, point: 4 }),
    ],
  ])('%s says nothing', (_, shown) => expect(read(shown)).toBeNull());
});

it('a made-up plate says what a real one of that family would', () => {
  const families = [glasswasher, velmarrow].map(familyEntry);
  expect(readScan(plateText(families) ?? '', families)).toMatchObject({
    family: glasswasher.family,
    serial: expect.stringMatching(/118204$/),
  });
  expect(plateText([])).toBeNull();
});
