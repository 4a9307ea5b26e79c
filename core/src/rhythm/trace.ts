import type { Pulse } from '../model/look.ts';

/** Brightness in even steps; NaN where a picture was missing. */
export type Trace = Readonly<{ stepMs: number; levels: Float64Array }>;

export type UnreadableTrace =
  | Readonly<{ code: 'no-pictures' }>
  | Readonly<{ code: 'too-short'; lastsMs: number; leastMs: number }>
  | Readonly<{ code: 'black' }>
  | Readonly<{ code: 'saturated'; share: number }>
  | Readonly<{ code: 'steady'; level: number }>
  | Readonly<{ code: 'too-noisy'; decibels: number }>
  | Readonly<{ code: 'no-fit' }>
  | Readonly<{ code: 'undecided' }>;

/** A sample as a camera or a file gives it. */
export type Sample = Readonly<{ atMs: number; level: number }>;

const mostSteps = 6000;

/**
 * Puts samples, whenever they came, on even steps: each step holds the mean of what fell into it, NaN where nothing did.
 * `stepMs` follows from how often samples come, never finer than 30 ms.
 */
export function evenTrace(samples: readonly Sample[]): Trace {
  const first = samples[0]?.atMs ?? 0;
  let last = first;
  for (const s of samples) last = Math.max(last, s.atMs);
  const lasts = last - first;
  const usual = samples.length > 1 ? lasts / (samples.length - 1) : 33;
  const stepMs = Math.max(30, usual, lasts / mostSteps);
  const count = samples.length === 0 ? 0 : Math.floor(lasts / stepMs) + 1;
  const sums = new Float64Array(count);
  const seen = new Float64Array(count);
  for (const { atMs, level } of samples) {
    const i = Math.floor((atMs - first) / stepMs);
    if (i < 0 || i >= count || !Number.isFinite(level)) continue;
    sums[i] = (sums[i] ?? 0) + level;
    seen[i] = (seen[i] ?? 0) + 1;
  }
  return { stepMs, levels: sums.map((sum, i) => ((seen[i] ?? 0) > 0 ? sum / (seen[i] ?? 1) : Number.NaN)) };
}

/** What a trace is made of: a slowly moving dark level, a step where the lamp is lit, and noise. */
export type Lights = Readonly<{
  stepMs: number;
  dark: Float64Array;
  step: number;
  noise: number;
  /** 20·log10(step / noise). */
  decibels: number;
  /** By sample: how much more likely it is lit than dark, as a natural logarithm; 0 where nothing is known. */
  evidence: Float64Array;
  /** By sample: how likely the lamp is lit, given its neighbours. */
  lit: Float64Array;
  /** How far the brightness wanders around its slow course: standard deviation. */
  wander: number;
  /** Whether it changes as a lamp does, staying lit or dark for a while, and not as noise does. */
  blinks: boolean;
}>;

/** The dark level may bend this often. */
const knotMs = 1600;
const switchMs = 450;

const percentile = (sorted: ArrayLike<number>, share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(share * (sorted.length - 1))))] ?? 0;

/** Solves a small symmetric system by elimination; changes what it is given. */
function solve(a: Float64Array[], b: Float64Array): Float64Array {
  const n = b.length;
  for (let i = 0; i < n; i++) {
    const row = a[i] as Float64Array;
    const pivot = (row[i] ?? 0) + 1e-9;
    for (let r = i + 1; r < n; r++) {
      const other = a[r] as Float64Array;
      const factor = (other[i] ?? 0) / pivot;
      if (factor === 0) continue;
      for (let c = i; c < n; c++) other[c] = (other[c] ?? 0) - factor * (row[c] ?? 0);
      b[r] = (b[r] ?? 0) - factor * (b[i] ?? 0);
    }
  }
  const x = new Float64Array(n);
  for (let i = n - 1; i >= 0; i--) {
    const row = a[i] as Float64Array;
    let sum = b[i] ?? 0;
    for (let c = i + 1; c < n; c++) sum -= (row[c] ?? 0) * (x[c] ?? 0);
    x[i] = sum / ((row[i] ?? 0) + 1e-9);
  }
  return x;
}

/** The four cubic B-splines that reach a place between two knots. */
const splines = (r: number): readonly [number, number, number, number] => [
  (1 - r) ** 3 / 6,
  (3 * r ** 3 - 6 * r ** 2 + 4) / 6,
  (-3 * r ** 3 + 3 * r ** 2 + 3 * r + 1) / 6,
  r ** 3 / 6,
];
/** How hard the dark level is kept from bending. */
const stiffness = 0.02;

/** Least squares of level = cubic splines of time + step × lit. */
export function regress(levels: Float64Array, lit: Float64Array, stepMs: number): { dark: Float64Array; step: number } {
  const n = levels.length;
  const spans = Math.max(1, Math.min(60, Math.round((n * stepMs) / knotMs)));
  const width = n / spans;
  const size = spans + 4;
  const a = Array.from({ length: size }, () => new Float64Array(size));
  const b = new Float64Array(size);
  const add = (i: number, j: number, v: number) => {
    const row = a[i] as Float64Array;
    row[j] = (row[j] ?? 0) + v;
  };
  for (let t = 0; t < n; t++) {
    const y = levels[t] ?? Number.NaN;
    if (Number.isNaN(y)) continue;
    const k = Math.floor(t / width);
    const near = splines(t / width - k);
    const x = lit[t] ?? 0;
    for (let i = 0; i < 4; i++) {
      const u = near[i] ?? 0;
      b[k + i] = (b[k + i] ?? 0) + u * y;
      for (let j = 0; j < 4; j++) add(k + i, k + j, u * (near[j] ?? 0));
      add(k + i, size - 1, u * x);
      add(size - 1, k + i, u * x);
    }
    b[size - 1] = (b[size - 1] ?? 0) + x * y;
    add(size - 1, size - 1, x * x);
  }
  const bend = [1, -2, 1];
  for (let k = 0; k + 2 < size - 1; k++)
    bend.forEach((u, i) => {
      bend.forEach((v, j) => {
        add(k + i, k + j, stiffness * width * u * v);
      });
    });
  const x = solve(a, b);
  const dark = new Float64Array(n);
  for (let t = 0; t < n; t++) {
    const k = Math.floor(t / width);
    const near = splines(t / width - k);
    dark[t] = near.reduce((sum, u, i) => sum + u * (x[k + i] ?? 0), 0);
  }
  return { dark, step: x[size - 1] ?? 0 };
}

/** How likely each sample is lit, forward and backward over a lamp that seldom changes. */
function smooth(evidence: Float64Array, stay: number): Float64Array {
  const n = evidence.length;
  const change = 1 - stay;
  const forward = new Float64Array(n);
  let p = 0.5;
  for (let t = 0; t < n; t++) {
    const prior = p * stay + (1 - p) * change;
    const w = Math.exp(Math.max(-30, Math.min(30, evidence[t] ?? 0)));
    p = (prior * w) / (prior * w + 1 - prior);
    forward[t] = p;
  }
  const lit = new Float64Array(n);
  let [on, off] = [1, 1];
  for (let t = n - 1; t >= 0; t--) {
    const f = forward[t] ?? 0.5;
    lit[t] = (f * on) / (f * on + (1 - f) * off);
    const w = Math.exp(Math.max(-30, Math.min(30, evidence[t] ?? 0)));
    const [o, d] = [stay * w * on + change * off, change * w * on + stay * off];
    on = o / (o + d);
    off = d / (o + d);
  }
  return lit;
}

/** Halves of the stretch in which bright and dark are told from each other at first: each is a beginning of its own. */
const nearMs = [700, 1300, 2600];

/**
 * A first guess of what is lit: above the middle of what was seen shortly before and after. Where hardly anything
 * changes, the lamp stays as it was after the last change.
 */
function firstGuess(levels: Float64Array, stepMs: number, halfMs: number): Float64Array {
  const n = levels.length;
  const half = Math.max(4, Math.round(halfMs / stepMs));
  const reach = Math.max(1, Math.round(45 / stepMs));
  const mean = new Float64Array(n);
  for (let t = 0; t < n; t++) {
    let [sum, seen] = [0, 0];
    for (let k = -reach; k <= reach; k++) {
      const y = levels[t + k];
      if (y !== undefined && !Number.isNaN(y)) {
        sum += y;
        seen++;
      }
    }
    mean[t] = seen > 0 ? sum / seen : Number.NaN;
  }
  const every = Math.max(1, Math.round(half / 5));
  const ranges: Array<readonly [low: number, high: number]> = [];
  for (let t = 0; t < n; t += every) {
    const near = mean
      .slice(Math.max(0, t - half), t + half + 1)
      .filter((v) => !Number.isNaN(v))
      .sort();
    ranges.push([percentile(near, 0.06), percentile(near, 0.94)]);
  }
  const widths = ranges.map(([low, high]) => high - low).sort((a, b) => a - b);
  const wide = 0.5 * percentile(widths, 0.8);
  const guess = new Float64Array(n);
  let now: number | null = null;
  for (let t = 0; t < n; t++) {
    const [low, high] = ranges[Math.floor(t / every)] ?? [0, 0];
    const m = mean[t] ?? Number.NaN;
    if (high - low >= wide && !Number.isNaN(m)) {
      const next: number = m > (low + high) / 2 ? 1 : 0;
      // before the first change it was the other way
      if (now === null) guess.fill(next, 0, t);
      now = next;
    }
    guess[t] = now ?? 0;
  }
  return guess;
}

/** How much more likely each sample is lit than dark, and the noise that is left over. */
export function evidenceOf(
  levels: Float64Array,
  dark: Float64Array,
  step: number,
  lit: Float64Array,
): { evidence: Float64Array; noise: number } {
  let [squares, seen] = [0, 0];
  for (let t = 0; t < levels.length; t++) {
    const y = levels[t] ?? Number.NaN;
    if (Number.isNaN(y)) continue;
    const p = lit[t] ?? 0;
    const off = y - (dark[t] ?? 0);
    squares += p * (off - step) ** 2 + (1 - p) * off * off;
    seen += 1;
  }
  const noise = Math.max(Math.sqrt(squares / Math.max(1, seen - 3)), Math.abs(step) / 60, 0.2);
  const evidence = new Float64Array(levels.length);
  for (let t = 0; t < levels.length; t++) {
    const y = levels[t] ?? Number.NaN;
    if (Number.isNaN(y)) continue;
    const e = (step * (y - (dark[t] ?? 0)) - (step * step) / 2) / (noise * noise);
    evidence[t] = Math.max(-9, Math.min(9, e));
  }
  return { evidence, noise };
}

/** How far back likeness is looked for. */
const likeMs = 1300;

/**
 * How far the brightness wanders once its slow course is taken out, and whether it is like itself a little earlier: a lamp
 * stays as it is for a while and comes back in time, noise does neither.
 */
function likeness(levels: Float64Array, stepMs: number): { wander: number; blinks: boolean } {
  const { dark } = regress(levels, new Float64Array(levels.length), stepMs);
  const rest = levels.map((y, t) => y - (dark[t] ?? 0));
  let [square, seen] = [0, 0];
  for (const a of rest)
    if (!Number.isNaN(a)) {
      square += a * a;
      seen += 1;
    }
  const wander = Math.sqrt(square / Math.max(1, seen));
  const alike = (lag: number): number => {
    let [sum, pairs] = [0, 0];
    for (let t = lag; t < rest.length; t++) {
      const product = (rest[t] ?? Number.NaN) * (rest[t - lag] ?? Number.NaN);
      if (Number.isNaN(product)) continue;
      sum += product;
      pairs += 1;
    }
    return pairs > 0 ? sum / pairs / (wander * wander) : 0;
  };
  if (wander <= 0.8) return { wander, blinks: false };
  const chance = 1 / Math.sqrt(Math.max(1, seen));
  if (alike(1) > Math.max(0.06, 2.2 * chance)) return { wander, blinks: true };
  const lags = Math.min(60, Math.round(likeMs / stepMs));
  for (let lag = 2; lag <= lags; lag++) if (alike(lag) > Math.max(0.15, 3.6 * chance)) return { wander, blinks: true };
  return { wander, blinks: false };
}

type Split = Pick<Lights, 'dark' | 'step' | 'noise' | 'evidence' | 'lit'>;

/** Dark level, step and noise by turns with what is lit, from one first guess on. */
function splitFrom(guess: Float64Array, levels: Float64Array, stepMs: number): Split {
  const stay = 1 - Math.min(0.3, stepMs / switchMs);
  let lit = guess;
  let dark: Float64Array = new Float64Array(levels.length);
  let [step, noise] = [0, 1];
  let evidence: Float64Array = new Float64Array(levels.length);
  for (let round = 0; round < 8; round++) {
    ({ dark, step } = regress(levels, lit, stepMs));
    ({ evidence, noise } = evidenceOf(levels, dark, step, lit));
    lit = smooth(evidence, stay);
  }
  return { dark, step, noise, evidence, lit };
}

/**
 * Splits a trace into dark level, step and noise; of several beginnings the one that leaves least noise is taken. Null
 * where fewer than ten pictures were seen.
 */
export function lightsOf({ stepMs, levels }: Trace): Lights | null {
  const seen = levels.reduce((count, y) => count + (Number.isNaN(y) ? 0 : 1), 0);
  if (seen < 10) return null;
  const splits = nearMs.map((half) => splitFrom(firstGuess(levels, stepMs, half), levels, stepMs));
  const best = splits.reduce((a, b) => (b.step > 0 && (a.step <= 0 || b.noise < a.noise) ? b : a));
  const decibels = 20 * Math.log10(Math.max(best.step, 1e-6) / best.noise);
  return { stepMs, ...best, decibels, ...likeness(levels, stepMs) };
}

/** The stretches in which a lamp was more likely lit than dark; those shorter than `leastMs` are left out. */
export function pulsesOf(lights: Lights, leastMs = 60): Pulse[] {
  const pulses: Pulse[] = [];
  let from: number | null = null;
  for (let t = 0; t <= lights.lit.length; t++) {
    const on = (lights.lit[t] ?? 0) > 0.5;
    if (on && from === null) from = t;
    if (!on && from !== null) {
      const pulse: Pulse = [Math.round(from * lights.stepMs), Math.round(t * lights.stepMs)];
      if (pulse[1] - pulse[0] >= leastMs) pulses.push(pulse);
      from = null;
    }
  }
  return pulses;
}

/** Why nothing can be made of a trace, before any pattern is tried; null where there is something to read. */
export function problemOf(trace: Trace, leastMs = 2000): UnreadableTrace | null {
  const seen = Array.from(trace.levels).filter((y) => !Number.isNaN(y));
  if (seen.length === 0) return { code: 'no-pictures' };
  const lastsMs = trace.levels.length * trace.stepMs;
  if (lastsMs < leastMs || seen.length < 10) return { code: 'too-short', lastsMs, leastMs };
  const sorted = seen.sort((a, b) => a - b);
  if (percentile(sorted, 0.99) <= 2) return { code: 'black' };
  const full = sorted.filter((y) => y >= 254).length / sorted.length;
  if (full > 0.97) return { code: 'saturated', share: full };
  return null;
}
