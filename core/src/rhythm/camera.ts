import type { LampState } from '../model/lamp.ts';
import { blinkingStates, type LampRate, lampTraits } from '../model/lamp.ts';
import { evenTrace, type Lights, lightsOf, pulsesOf, type Sample, type Trace } from './trace.ts';

/** A picture as a canvas gives it: four bytes a point. */
export type Picture = Readonly<{ width: number; height: number; data: Uint8ClampedArray }>;
/** A lamp in the picture: its middle and how far it reaches, in points of the picture. */
export type Region = Readonly<{ x: number; y: number; r: number }>;
/** What one picture says of one lamp: mean red, green and blue within, and in a ring around it. */
export type RegionLevels = Readonly<{
  inside: readonly [number, number, number];
  ring: readonly [number, number, number];
}>;
export type Shift = Readonly<{ dx: number; dy: number }>;

/** Brightness of every lamp in one picture, seen through a hand that has moved by `shift`. */
export function regionLevels(
  picture: Picture,
  regions: readonly Region[],
  shift: Shift = { dx: 0, dy: 0 },
): RegionLevels[] {
  const { width, height, data } = picture;
  return regions.map(({ x, y, r }) => {
    const inside: [number, number, number] = [0, 0, 0];
    const ring: [number, number, number] = [0, 0, 0];
    let [points, ringPoints] = [0, 0];
    const outer = r * 2;
    const [cx, cy] = [x + shift.dx, y + shift.dy];
    const step = Math.max(1, Math.floor(r / 10));
    const [x0, x1] = [Math.max(0, Math.ceil(cx - outer)), Math.min(width - 1, Math.floor(cx + outer))];
    const [y0, y1] = [Math.max(0, Math.ceil(cy - outer)), Math.min(height - 1, Math.floor(cy + outer))];
    for (let py = y0; py <= y1; py += step)
      for (let px = x0; px <= x1; px += step) {
        const away = (px - cx) ** 2 + (py - cy) ** 2;
        if (away > outer * outer) continue;
        const at = (py * width + px) * 4;
        const [red, green, blue] = [data[at] ?? 0, data[at + 1] ?? 0, data[at + 2] ?? 0];
        if (away <= r * r) {
          inside[0] += red;
          inside[1] += green;
          inside[2] += blue;
          points += 1;
        } else if (away >= 2.2 * r * r) {
          ring[0] += red;
          ring[1] += green;
          ring[2] += blue;
          ringPoints += 1;
        }
      }
    const mean = (sum: readonly [number, number, number], n: number) =>
      [sum[0] / Math.max(1, n), sum[1] / Math.max(1, n), sum[2] / Math.max(1, n)] as const;
    return { inside: mean(inside, points), ring: mean(ring, ringPoints) };
  });
}

/** A coarse grid of brightness, to hold one picture against another. */
export type Glimpse = Readonly<{ width: number; height: number; grey: Uint8Array }>;
const coarse = 4;

export function glimpse({ width, height, data }: Picture): Glimpse {
  const [w, h] = [Math.floor(width / coarse), Math.floor(height / coarse)];
  const raw = new Uint8Array(w * h);
  let sum = 0;
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const at = (y * coarse * width + x * coarse) * 4;
      const value = ((data[at] ?? 0) + 2 * (data[at + 1] ?? 0) + (data[at + 2] ?? 0)) >> 2;
      raw[y * w + x] = value;
      sum += value;
    }
  // what the exposure does to the whole picture is taken out
  const gain = (110 * w * h) / Math.max(1, sum);
  const grey = raw.map((v) => Math.min(255, v * gain));
  return { width: w, height: h, grey };
}

/** How far a hand may move from one picture to the next, in coarse points. */
const reach = 3;
const probe = 5;

/**
 * How far the picture has moved against the first one, in points: the shift under which the two differ least, looked for
 * around where it was before. Lamps that change do not matter: they are few points among many.
 */
export function shiftOf(first: Glimpse, now: Glimpse, before: Shift = { dx: 0, dy: 0 }): Shift {
  const { width, height, grey } = first;
  const [bx, by] = [Math.round(before.dx / coarse), Math.round(before.dy / coarse)];
  const differ = (dx: number, dy: number): number => {
    let [sum, points] = [0, 0];
    for (let y = probe; y < height - probe; y += probe) {
      const yy = y + dy;
      if (yy < 0 || yy >= height) continue;
      for (let x = probe; x < width - probe; x += probe) {
        const xx = x + dx;
        if (xx < 0 || xx >= width) continue;
        sum += Math.min(40, Math.abs((grey[y * width + x] ?? 0) - (now.grey[yy * width + xx] ?? 0)));
        points += 1;
      }
    }
    return points > 0 ? sum / points : Number.POSITIVE_INFINITY;
  };
  let best = { dx: bx, dy: by, off: differ(bx, by) };
  for (let dy = by - reach; dy <= by + reach; dy++)
    for (let dx = bx - reach; dx <= bx + reach; dx++) {
      const off = differ(dx, dy);
      if (off < best.off * 0.97) best = { dx, dy, off };
    }
  return { dx: best.dx * coarse, dy: best.dy * coarse };
}

export type CameraFrame = Readonly<{ atMs: number; levels: readonly RegionLevels[] }>;

/**
 * Brightness of one lamp over all pictures: the colour that changes most, with what the camera's exposure does to the
 * surroundings taken out.
 */
export function regionSamples(frames: readonly CameraFrame[], region: number): Sample[] {
  const channels = [0, 1, 2] as const;
  const series = channels.map((c) => {
    const ringMean = frames.reduce((sum, f) => sum + (f.levels[region]?.ring[c] ?? 0), 0) / Math.max(1, frames.length);
    return frames.map(({ atMs, levels }): Sample => {
      const { inside, ring } = levels[region] ?? { inside: [0, 0, 0], ring: [0, 0, 0] };
      const around = ring[c] ?? 0;
      const own = inside[c] ?? 0;
      const level = ringMean > 40 && around > 8 ? (own * ringMean) / around : own - around + ringMean;
      return { atMs, level: Math.max(0, Math.min(255, level)) };
    });
  });
  const spreadOf = (samples: readonly Sample[]): number => {
    const mean = samples.reduce((s, x) => s + x.level, 0) / Math.max(1, samples.length);
    return samples.reduce((s, x) => s + (x.level - mean) ** 2, 0);
  };
  return series.reduce((a, b) => (spreadOf(b) > spreadOf(a) ? b : a));
}

/** What one lamp does over a stretch of pictures, on its own: dark, lit, slow, fast, in a rhythm, or it cannot be told. */
export type LampDoes = Readonly<{
  state: LampState | 'rhythm' | 'unsure';
  hz: number | null;
  trace: Trace;
  lights: Lights | null;
}>;

/** Brighter than its surroundings by so much is lit; by less than the smaller number is dark. */
const litBy = 28;
const darkBy = 12;

/** What a lamp does, from its samples; `contrast`: how much brighter it is than what surrounds it, at the brightest. */
export function lampDoes(
  samples: readonly Sample[],
  contrast: number,
  rates: Readonly<Record<LampRate, number>>,
): LampDoes {
  const trace = evenTrace(samples);
  const lights = lightsOf(trace);
  const steady = contrast >= litBy ? 'lit' : contrast <= darkBy ? 'dark' : 'unsure';
  if (!lights?.blinks || lights.decibels < 2 || lights.step < 8) return { state: steady, hz: null, trace, lights };
  const pulses = pulsesOf(lights);
  const starts = pulses.map(([from]) => from);
  if (starts.length < 2) return { state: pulses.length === 0 ? steady : 'rhythm', hz: null, trace, lights };
  const between = starts.slice(1).map((s, i) => s - (starts[i] ?? 0));
  const usual = [...between].sort((a, b) => a - b)[Math.floor(between.length / 2)] ?? 1;
  const even = between.filter((b) => Math.abs(b - usual) < 0.35 * usual).length / between.length;
  const hz = 1000 / usual;
  if (even < 0.8 || starts.length < 3) return { state: 'rhythm', hz, trace, lights };
  // the rate it is nearest to, as ratios go
  const apart = (state: LampState): number => Math.abs(Math.log(hz / rates[lampTraits[state].blinks ?? 'slowHz']));
  const [state = 'slow'] = [...blinkingStates].sort((a, b) => apart(a) - apart(b));
  return { state, hz, trace, lights };
}

/** How much brighter a lamp was than its surroundings at its brightest, over all pictures. */
export function contrastOf(frames: readonly CameraFrame[], region: number): number {
  const differences = frames.map(({ levels }) => {
    const level = levels[region];
    return level ? Math.max(...level.inside.map((v, c) => v - (level.ring[c] ?? 0))) : 0;
  });
  const sorted = differences.sort((a, b) => a - b);
  return sorted[Math.floor(0.9 * (sorted.length - 1))] ?? 0;
}

/** A trace in whole levels, as it is kept with a walk. */
export function keptLevels(trace: Trace): { stepMs: number; levels: number[] } {
  return {
    stepMs: Math.min(200, trace.stepMs),
    levels: Array.from(trace.levels.slice(0, 3000), (v) =>
      Number.isNaN(v) ? -1 : Math.max(0, Math.min(255, Math.round(v))),
    ),
  };
}
