import { fail, ok, type Result } from '../base/result.ts';
import type { Fit } from '../model/look.ts';
import type { PulsePattern } from './pattern.ts';
import { evidenceOf, type Lights, lightsOf, problemOf, regress, type Trace, type UnreadableTrace } from './trace.ts';

/** Tempos tried, as multiples of the times the readout names; within each, single times may vary as well. */
const tempos = [0.72, 0.85, 1, 1.17, 1.37];
const spread = 0.11;
/** Share of the light a pattern must explain, against lights free to come when they like. */
const leastExplained = 0.7;
/** What a pattern leaves over may be so many times what lights that come when they like leave over. */
const mostLeft = 1.3;
/** By how much the best must lead before it is believed, in natural logarithms; by more where the lamp hardly shows. */
const leastLead = 8;
const moreLead = 7;
const hardlyDecibels = 5;
/** Below this nothing is believed: by what the best pattern itself makes of step and noise, which noise cannot flatter. */
const leastDecibels = 0.5;
/** Brightness that wanders by more than this and yet does not blink is noise; by less, a steady lamp. */
const noisyFrom = 8;

type Stretch = Readonly<{ on: boolean; least: number; most: number; log: Float64Array }>;

/** How long a stretch may take, in steps, and how likely each length is. */
function stretchOf(on: boolean, ms: number, tempo: number, stepMs: number): Stretch {
  const usual = (ms * tempo) / stepMs;
  const wide = Math.sqrt(spread * spread + (0.5 / usual) ** 2);
  const least = Math.max(1, Math.floor(usual * Math.exp(-2.2 * wide)));
  const most = Math.max(least, Math.ceil(usual * Math.exp(2.2 * wide)));
  const log = new Float64Array(most - least + 1);
  let sum = 0;
  for (let d = least; d <= most; d++) {
    const z = Math.log(d / usual) / wide;
    const p = Math.exp(-0.5 * z * z);
    log[d - least] = p;
    sum += p;
  }
  for (let i = 0; i < log.length; i++) log[i] = Math.log((log[i] ?? 0) / sum);
  return { on, least, most, log };
}

/** A pattern laid under the evidence: how well, the evidence its lights explain, whole pauses, and what is lit when. */
type Laid = Readonly<{ log: number; light: number; pauses: number; lit: Float64Array }>;

/** The best way to lay a pattern, over and over, under the evidence: over all beginnings and all lengths. */
function lay(sums: Float64Array, stretches: readonly Stretch[]): Laid {
  const n = sums.length - 1;
  const k = stretches.length;
  const none = Number.NEGATIVE_INFINITY;
  const score = Array.from({ length: k }, () => new Float64Array(n + 1).fill(none));
  // how long the stretch was that ends here; 0 where the trace began within it
  const took = Array.from({ length: k }, () => new Int16Array(n + 1));
  const start = -Math.log(k);
  for (let t = 1; t <= n; t++) {
    const here = sums[t] ?? 0;
    for (let s = 0; s < k; s++) {
      const { on, least, most, log } = stretches[s] as Stretch;
      const from = score[(s + k - 1) % k] as Float64Array;
      let top = t <= most ? start + (on ? here : 0) : none;
      let length = 0;
      const longest = Math.min(most, t - 1);
      for (let d = least; d <= longest; d++) {
        const b = from[t - d] ?? none;
        if (b === none) continue;
        const next = b + (on ? here - (sums[t - d] ?? 0) : 0) + (log[d - least] ?? 0);
        if (next > top) {
          top = next;
          length = d;
        }
      }
      (score[s] as Float64Array)[t] = top;
      (took[s] as Int16Array)[t] = length;
    }
  }
  // the trace may end at the end of a stretch, or within the one that follows
  let end = { log: none, s: 0, t: n, open: -1 };
  for (let s = 0; s < k; s++) {
    const { on, most } = stretches[s] as Stretch;
    const whole = score[s]?.[n] ?? none;
    if (whole > end.log) end = { log: whole, s, t: n, open: -1 };
    const before = (s + k - 1) % k;
    for (let d = 1; d <= Math.min(most, n - 1); d++) {
      const b = score[before]?.[n - d] ?? none;
      const next = b + (on ? (sums[n] ?? 0) - (sums[n - d] ?? 0) : 0);
      if (next > end.log) end = { log: next, s: before, t: n - d, open: s };
    }
  }
  const lit = new Float64Array(n);
  let [light, pauses] = [0, 0];
  const fill = (s: number, from: number, to: number) => {
    if (!stretches[s]?.on) return;
    lit.fill(1, from, to);
    light += (sums[to] ?? 0) - (sums[from] ?? 0);
  };
  if (end.open >= 0) fill(end.open, end.t, n);
  for (let [s, t] = [end.s, end.t]; t > 0; s = (s + k - 1) % k) {
    const length = took[s]?.[t] ?? 0;
    const from = length === 0 ? 0 : t - length;
    fill(s, from, t);
    if (length > 0 && s === k - 1) pauses += 1;
    t = from;
  }
  return { log: end.log, light, pauses, lit };
}

const sumsOf = (evidence: Float64Array): Float64Array => {
  const sums = new Float64Array(evidence.length + 1);
  for (let t = 0; t < evidence.length; t++) sums[t + 1] = (sums[t] ?? 0) + (evidence[t] ?? 0);
  return sums;
};

/** How many of the best patterns are laid again with a dark level of their own. */
const contenders = 4;

/**
 * Gives a pattern the dark level, step and noise that suit it best, twice over, and says how likely the trace is then:
 * a wrong pattern can no longer live on a dark level that was bent for another.
 */
function ownLevel(
  trace: Trace,
  stretches: readonly Stretch[],
  first: Laid,
): Laid & Readonly<{ whole: number; noise: number; decibels: number }> {
  let laid = first;
  let whole = Number.NEGATIVE_INFINITY;
  let left = Number.POSITIVE_INFINITY;
  let decibels = Number.NEGATIVE_INFINITY;
  for (let round = 0; round < 2; round++) {
    const { dark, step } = regress(trace.levels, laid.lit, trace.stepMs);
    const { evidence, noise } = evidenceOf(trace.levels, dark, step, laid.lit);
    let [squares, seen] = [0, 0];
    for (let t = 0; t < trace.levels.length; t++) {
      const y = trace.levels[t] ?? Number.NaN;
      if (Number.isNaN(y)) continue;
      const off = (y - (dark[t] ?? 0) - (laid.lit[t] ?? 0) * step) / noise;
      squares += Math.min(20, off * off);
      seen += 1;
    }
    const likely = -seen * Math.log(noise) - 0.5 * squares + (laid.log - laid.light);
    if (step > 0) {
      whole = Math.max(whole, likely);
      left = Math.min(left, noise);
      decibels = 20 * Math.log10(step / noise);
    }
    laid = lay(sumsOf(evidence), stretches);
  }
  return { ...laid, whole, noise: left, decibels };
}

/** A light that explains less than this may be noise. */
const leastRun = 12;

/** The evidence lights would explain that may come and go when they like, without what may be mere noise. */
function freeLight({ evidence, lit }: Lights): number {
  let [sum, run] = [0, 0];
  for (let t = 0; t <= evidence.length; t++) {
    if ((lit[t] ?? 0) > 0.5) run += evidence[t] ?? 0;
    else {
      sum += Math.max(0, run - leastRun);
      run = 0;
    }
  }
  return sum;
}

export type TraceMatch = Readonly<{ fits: readonly Fit[]; lights: Lights; tempo: number; wholePauses: number }>;
export type TraceError = Readonly<{ refusal: UnreadableTrace; lights: Lights | null }>;

/**
 * How well a lamp's brightness over time fits each pattern, best first with `log` 0. Refuses rather than guesses: where
 * nothing blinks, the noise is too strong, no pattern explains what was seen, or two explain it nearly alike. `lights`:
 * what the trace is made of, where that was worked out already.
 */
export function matchTrace(
  trace: Trace,
  patterns: readonly PulsePattern[],
  lights: Lights | null = lightsOf(trace),
): Result<TraceMatch, TraceError> {
  const early = problemOf(trace);
  if (early || !lights) return fail({ refusal: early ?? { code: 'no-pictures' }, lights });
  const refuse = (refusal: UnreadableTrace) => fail({ refusal, lights });
  if (lights.step <= 0 || !lights.blinks) {
    const seen = Array.from(trace.levels).filter((y) => !Number.isNaN(y));
    const level = seen.reduce((sum, y) => sum + y, 0) / Math.max(1, seen.length);
    return refuse(
      lights.wander > noisyFrom ? { code: 'too-noisy', decibels: lights.decibels } : { code: 'steady', level },
    );
  }
  if (lights.decibels < -3) return refuse({ code: 'too-noisy', decibels: lights.decibels });
  const sums = sumsOf(lights.evidence);
  const tried = patterns.map((pattern) =>
    tempos
      .map((tempo) => {
        const stretches = pattern.segments.map((s) => stretchOf(s.on, s.ms, tempo, trace.stepMs));
        return { parts: pattern.parts, tempo, stretches, laid: lay(sums, stretches) };
      })
      .reduce((a, b) => (b.laid.log > a.laid.log ? b : a)),
  );
  const first = tried.filter((p) => Number.isFinite(p.laid.log)).sort((a, b) => b.laid.log - a.laid.log);
  const best = first
    .slice(0, contenders)
    .map((p) => ({ ...p, own: ownLevel(trace, p.stretches, p.laid) }))
    .sort((a, b) => b.own.whole - a.own.whole);
  const [top, next] = best;
  const unexplained =
    !top || top.laid.light < leastExplained * freeLight(lights) || top.own.noise > mostLeft * lights.noise;
  if (unexplained) return refuse({ code: 'no-fit' });
  if (top.own.decibels < leastDecibels) return refuse({ code: 'too-noisy', decibels: top.own.decibels });
  const lead = leastLead + (top.own.decibels < hardlyDecibels ? moreLead : 0);
  if (top.laid.pauses < 1 || (next && top.own.whole - next.own.whole < lead && !sameParts(top.parts, next.parts)))
    return refuse({ code: 'undecided' });
  const behind = (p: (typeof first)[number]): number => p.laid.log - (first[0]?.laid.log ?? 0) - leastLead;
  const fits = [
    ...best.map((p): Fit => ({ parts: p.parts, log: Math.max(-60, p.own.whole - top.own.whole) })),
    ...first.slice(contenders).map((p): Fit => ({ parts: p.parts, log: Math.max(-60, behind(p)) })),
  ];
  return ok({ fits: fits.slice(0, 60), lights, tempo: top.tempo, wholePauses: top.laid.pauses });
}

const sameParts = (a: Readonly<Record<string, string>>, b: Readonly<Record<string, string>>): boolean =>
  Object.keys(a).length === Object.keys(b).length && Object.entries(a).every(([k, v]) => b[k] === v);
