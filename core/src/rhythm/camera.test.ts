import { describe, expect, it } from 'vitest';
import {
  type CameraFrame,
  contrastOf,
  glimpse,
  lampDoes,
  type Picture,
  regionLevels,
  regionSamples,
  type Shift,
  seeded,
  shiftOf,
} from '../index.ts';

const width = 320;
const height = 240;
const lamps = [
  { x: 80, y: 100, r: 10 },
  { x: 200, y: 140, r: 10 },
];
const still: Shift = { dx: 0, dy: 0 };
type Scene = Readonly<{ lit: readonly boolean[]; shift?: Shift; exposure?: number; noise?: () => number }>;

/** A panel with a grain of its own, two lamps, and whatever the camera does to it. */
function picture({ lit, shift = still, exposure = 1, noise = () => 0.5 }: Scene): Picture {
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const [px, py] = [x - shift.dx, y - shift.dy];
      const grain = 90 + 30 * Math.sin(px / 9) * Math.cos(py / 13) + (((px >> 4) + (py >> 4)) % 2) * 25;
      let [r, g, b] = [grain, grain, grain];
      lamps.forEach((lamp, i) => {
        if ((px - lamp.x) ** 2 + (py - lamp.y) ** 2 > lamp.r ** 2) return;
        [r, g, b] = lit[i] ? [230, 150, 60] : [70, 60, 50];
      });
      const at = (y * width + x) * 4;
      const n = (noise() - 0.5) * 24;
      data.set([r * exposure + n, g * exposure + n, b * exposure + n, 255], at);
    }
  return { width, height, data };
}

const film = (seconds: number, scene: (atMs: number, i: number) => Scene): CameraFrame[] => {
  const first = glimpse(picture({ lit: [false, false] }));
  let shift = still;
  return Array.from({ length: seconds * 15 }, (_, i) => {
    const atMs = (i * 1000) / 15;
    const now = picture(scene(atMs, i));
    shift = shiftOf(first, glimpse(now), shift);
    return { atMs, levels: regionLevels(now, lamps, shift) };
  });
};
const does = (frames: readonly CameraFrame[], region: number) =>
  lampDoes(regionSamples(frames, region), contrastOf(frames, region), { slowHz: 1, fastHz: 3 }).state;

describe('the camera', () => {
  it('a lamp is told from its surroundings in one picture', () => {
    const [a, b] = regionLevels(picture({ lit: [true, false] }), lamps);
    expect((a?.inside[0] ?? 0) - (a?.ring[0] ?? 0)).toBeGreaterThan(60);
    expect((b?.inside[0] ?? 0) - (b?.ring[0] ?? 0)).toBeLessThan(0);
  });

  it.each([[{ dx: 0, dy: 0 }], [{ dx: 8, dy: 0 }], [{ dx: -8, dy: 4 }], [{ dx: 4, dy: -12 }]])(
    'a hand that has moved by %j is found',
    (shift) => {
      const first = glimpse(picture({ lit: [false, false] }));
      expect(shiftOf(first, glimpse(picture({ lit: [true, true], shift })))).toEqual(shift);
    },
  );

  it.each<[string, (atMs: number, i: number) => Scene, readonly string[]]>([
    ['one lit, one dark', () => ({ lit: [true, false] }), ['lit', 'dark']],
    ['one slow, one fast', (t) => ({ lit: [t % 1000 < 500, t % 334 < 167] }), ['slow', 'fast']],
    ['behind noise', (t) => ({ lit: [t % 1000 < 500, false], noise: random }), ['slow', 'dark']],
    [
      'while the exposure breathes',
      (t) => ({ lit: [t % 1000 < 500, true], exposure: 0.85 + 0.15 * Math.sin(t / 700) }),
      ['slow', 'lit'],
    ],
    [
      'in a shaky hand',
      (t, i) => ({
        lit: [t % 1000 < 500, false],
        shift: { dx: 4 * Math.round(2 * Math.sin(i / 5)), dy: 4 * Math.round(Math.cos(i / 7)) },
      }),
      ['slow', 'dark'],
    ],
    [
      'under tubes that flicker with the mains',
      (t) => ({ lit: [t % 1000 < 500, false], exposure: 1 + 0.08 * Math.sin(2 * Math.PI * 100.3 * (t / 1000)) }),
      ['slow', 'dark'],
    ],
    ['a run of three and a pause', (t) => ({ lit: [t % 3300 < 1500 && t % 600 < 300, false] }), ['rhythm', 'dark']],
  ])('%s', (_, scene, states) => {
    const frames = film(7, scene);
    expect([does(frames, 0), does(frames, 1)]).toEqual(states);
  });
});
const random = seeded(3);
