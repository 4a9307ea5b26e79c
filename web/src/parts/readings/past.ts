import { type Drift, driftOf, type EarlierReading, readingText, type TakenReading } from '@wire-trail/core';

const dayMs = 86_400_000;
const verdictShort = { pass: 'good', low: 'low', high: 'high', 'too-close': 'too close' } as const;

/** A reading and what was made of it, without its good band. */
export const takenWords = (r: TakenReading): string =>
  `${readingText(r).replace(/ \(good.*\)$/, '')}, ${verdictShort[r.verdict]}`;

/** Readings of a machine by the step they belong to, oldest first. */
export function byStep(readings: readonly EarlierReading[]): ReadonlyMap<string, readonly EarlierReading[]> {
  const steps = new Map<string, EarlierReading[]>();
  for (const r of [...readings].sort((a, b) => a.at.localeCompare(b.at))) {
    const key = `${r.of}/${r.step}`;
    steps.set(key, [...(steps.get(key) ?? []), r]);
  }
  return steps;
}

/** Whether readings of one step drift to an edge, in one sentence; null where they do not. */
export function driftWords(readings: readonly EarlierReading[]): string | null {
  const drift = driftOf(readings.map((r) => ({ ...r, day: Date.parse(r.at) / dayMs })));
  return drift && sentence(drift);
}

const dayText = (day: number): string => new Date(day * dayMs).toISOString().slice(0, 10);
const sentence = (d: Drift): string =>
  `Since ${dayText(d.sinceDay)} it comes nearer its ${d.edge} edge; at this rate it leaves its good range about ${dayText(d.leavesDay).slice(0, 7)}.`;
