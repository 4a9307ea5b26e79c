import type { Fit, Pulse } from '../model/look.ts';
import type { PulsePattern } from './pattern.ts';

/** What a person's taps do: a model of hands. Shares a tap, spreads as a share of the time between two taps. */
const stray = Math.log(0.02 / 1500);
const missed = Math.log(0.01);
const untapped = Math.log(0.4);
const spread = 0.11;
const slipMs = 35;
/** How far from the times the readout names the tempo is looked for. */
const tempos = Array.from({ length: 15 }, (_, i) => 0.62 * 1.07 ** i);
/** Taps that fit nothing may be so large a share before nothing fits at all. */
const mostStray = 0.34;

const logNormal = (x: number, mean: number, sd: number): number => {
  const z = (x - mean) / sd;
  return -0.5 * z * z - Math.log(sd * 2.5066);
};

/** When each light of a round begins, how long it is, and whether it is the first or last before a pause. */
function lightsOf(pattern: PulsePattern) {
  let at = 0;
  const lights: Array<{ at: number; ms: number; lead: boolean; first: boolean; last: boolean }> = [];
  pattern.segments.forEach((s, i) => {
    const before = pattern.segments[i === 0 ? pattern.segments.length - 1 : i - 1];
    const after = pattern.segments[i + 1];
    if (s.on)
      lights.push({
        at,
        ms: s.ms,
        lead: s.role === 'lead',
        first: before?.role === 'pause',
        last: after?.role === 'pause',
      });
    at += s.ms;
  });
  return { lights, roundMs: at, twoLengths: new Set(pattern.segments.filter((s) => s.on).map((s) => s.role)).size > 1 };
}

type Score = Readonly<{ log: number; strays: number }>;
const worst: Score = { log: Number.NEGATIVE_INFINITY, strays: 0 };

/** How pulses are taken: whether how long each is says something, and whether it was measured rather than tapped. */
type Taken = Readonly<{ lengths: boolean; exact: boolean }>;

function scoreAt(pulses: readonly Pulse[], shape: ReturnType<typeof lightsOf>, tempo: number, taken: Taken): Score {
  const { lights, roundMs } = shape;
  const { lengths, exact } = taken;
  const width = exact ? spread * 0.8 : spread;
  const long = lights.length;
  const best: Score[][] = [];
  const lengthOf = (i: number, k: number): number => {
    const light = lights[k];
    const [from, to] = pulses[i] ?? [0, 0];
    if (!light || !(lengths || exact)) return 0;
    return logNormal(Math.log(Math.max(to - from, 20)), Math.log(light.ms * tempo), exact ? 0.25 : 0.4);
  };
  pulses.forEach(([down], i) => {
    const row = lights.map((light, k): Score => {
      // the row may begin here, whatever stray taps came before
      let score: Score = {
        log: -Math.log(long) + i * stray + (light.first || light.lead ? 0 : Math.log(0.1)),
        strays: i,
      };
      for (let j = Math.max(0, i - 4); j < i; j++) {
        const between = down - (pulses[j]?.[0] ?? 0);
        for (let skipped = 0; skipped <= 2 && skipped < long; skipped++) {
          const from = (((k - 1 - skipped) % long) + long) % long;
          const before = best[j]?.[from];
          const start = lights[from];
          if (!before || !start || before.log === Number.NEGATIVE_INFINITY) continue;
          const rounds = from >= k ? 1 : 0;
          const expected = (light.at - start.at + rounds * roundMs) * tempo;
          let cost = 0;
          // a lead-in may be left untapped at little cost
          for (let s = 1; s <= skipped; s++) cost += lights[(from + s) % long]?.lead ? untapped : missed;
          const log =
            before.log +
            logNormal(between, expected, width * Math.min(expected, 2500) + slipMs) +
            (i - j - 1) * stray +
            cost;
          if (log > score.log) score = { log, strays: before.strays + (i - j - 1) };
        }
      }
      return { log: score.log + lengthOf(i, k), strays: score.strays };
    });
    best.push(row);
  });
  let end = worst;
  for (let i = Math.max(0, pulses.length - 3); i < pulses.length; i++)
    best[i]?.forEach((score, k) => {
      const trailing = pulses.length - 1 - i;
      const log = score.log + trailing * stray + (lights[k]?.last ? 0 : Math.log(0.08));
      if (log > end.log) end = { log, strays: score.strays + trailing };
    });
  const off = Math.log(tempo) / 0.2;
  return { log: end.log - 0.5 * off * off, strays: end.strays };
}

/**
 * How well taps, or pulses of a camera set right by hand, fit each pattern: best first with `log` 0. The tempo is found
 * from the taps; stray and missed taps are part of the model. Empty where nothing fits: too few taps, or mostly strays.
 */
export function matchPulses(pulses: readonly Pulse[], patterns: readonly PulsePattern[], by: 'taps' | 'camera'): Fit[] {
  const sorted = [...pulses].sort((a, b) => a[0] - b[0]).slice(0, 120);
  if (sorted.length === 0 || patterns.length === 0) return [];
  const shapes = patterns.map((pattern) => ({ pattern, shape: lightsOf(pattern) }));
  // where any pattern has long and short, a pattern of short ones only is judged by that as well
  const taken: Taken = { lengths: shapes.some(({ shape }) => shape.twoLengths), exact: by === 'camera' };
  const scored = shapes.map(({ pattern, shape }) => {
    const score = tempos.reduce<Score>((best, tempo) => {
      const next = scoreAt(sorted, shape, tempo, taken);
      return next.log > best.log ? next : best;
    }, worst);
    return { parts: pattern.parts, ...score };
  });
  const top = scored.reduce((a, b) => (b.log > a.log ? b : a));
  if (!Number.isFinite(top.log) || top.strays > Math.max(1, mostStray * sorted.length)) return [];
  return scored
    .map(({ parts, log }): Fit => ({ parts, log: Math.max(-60, log - top.log) }))
    .sort((a, b) => b.log - a.log);
}
