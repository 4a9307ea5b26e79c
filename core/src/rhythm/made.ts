import { normal } from '../base/random.ts';
import type { Pulse } from '../model/look.ts';
import type { Segment } from '../readout/schedule.ts';
import type { Sample } from './trace.ts';

export type TraceMaking = Readonly<{
  segments: readonly Segment[];
  lastsMs: number;
  framesPerS: number;
  /** 20·log10 of the lamp's brightness step over the noise's standard deviation. */
  decibels: number;
  /** The unit's own tempo, as a multiple of what the readout names. */
  tempo: number;
  /** Standard deviation of single stretches, as a share. */
  jitter: number;
  /** How far the dark level wanders, as a share of the step. */
  drift: number;
  dropped: number;
  random: () => number;
}>;

/** When the lamp goes on and off, over so long, begun anywhere in a round. */
function edgesOf({ segments, lastsMs, tempo, jitter, random }: TraceMaking): Array<{ at: number; on: boolean }> {
  const round = segments.reduce((sum, s) => sum + s.ms, 0);
  const edges: Array<{ at: number; on: boolean }> = [];
  let at = -random() * round;
  for (let k = 0; at < lastsMs; k++) {
    const segment = segments[k % segments.length];
    if (!segment) break;
    edges.push({ at, on: segment.on });
    at += segment.ms * tempo * Math.max(0.4, 1 + jitter * normal(random));
  }
  return edges;
}

/** Brightness of a blinking lamp as a camera sees it: frame jitter, dropped frames, wandering exposure, noise. */
export function makeTrace(making: TraceMaking): Sample[] {
  const { lastsMs, framesPerS, decibels, drift, dropped, random } = making;
  const step = 60;
  const noise = step / 10 ** (decibels / 20);
  const edges = edgesOf(making);
  const swing = (random() - 0.5) * 2 * step * drift;
  const everyMs = 8000 + random() * 10_000;
  const turn = random() * 2 * Math.PI;
  const slope = ((random() - 0.5) * step * drift) / lastsMs;
  const frameMs = 1000 / framesPerS;
  const samples: Sample[] = [];
  let e = 0;
  for (let t = 0; t < lastsMs; t += frameMs) {
    const skip = random() < dropped;
    const atMs = t + (random() - 0.5) * 0.4 * frameMs;
    const clean = normal(random) * noise;
    if (skip) continue;
    while ((edges[e + 1]?.at ?? Number.POSITIVE_INFINITY) <= atMs) e++;
    const edge = edges[e];
    const lit = edge !== undefined && edge.at <= atMs && edge.on;
    const dark = 90 + swing * Math.sin((2 * Math.PI * atMs) / everyMs + turn) + slope * atMs;
    samples.push({ atMs, level: Math.max(0, Math.min(255, dark + (lit ? step : 0) + clean)) });
  }
  return samples.sort((a, b) => a.atMs - b.atMs);
}

/** Taps of a person along with a lamp: every time between two a little off, now and then one too many. */
export function makeTaps(
  segments: readonly Segment[],
  {
    rounds,
    tempo,
    spread,
    stray,
    random,
  }: { rounds: number; tempo: number; spread: number; stray: number; random: () => number },
): Pulse[] {
  const taps: Pulse[] = [];
  let at = 1000;
  for (let r = 0; r < rounds; r++)
    for (const segment of segments) {
      const ms = segment.ms * tempo * Math.exp(spread * normal(random));
      if (segment.on) {
        taps.push([at, at + Math.max(60, ms * 0.7)]);
        if (random() < stray) {
          const extra = at + random() * 1500;
          taps.push([extra, extra + 130]);
        }
      }
      at += ms;
    }
  return taps;
}
