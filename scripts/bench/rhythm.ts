import { readFileSync } from 'node:fs';
import {
  entriesOf,
  evenTrace,
  makeTaps,
  makeTrace,
  matchPulses,
  matchTrace,
  type PulsePattern,
  patternsOf,
  Readout,
  readBundle,
  seeded,
} from '@wire-trail/core';

/** What generated traces are read by: counts, counts behind a lead-in, long and short, all from the demo. */
function demoPatterns(): ReadonlyArray<readonly PulsePattern[]> {
  const of = (file: string, id: string): readonly PulsePattern[] => {
    const read = readBundle(JSON.parse(readFileSync(new URL(`../../demo/${file}.json`, import.meta.url), 'utf8')));
    const readout = read.ok ? entriesOf(read.value, 'readout').find((r) => r.id === id) : undefined;
    const stage = readout?.stages[0];
    if (!readout || !stage) throw new Error(`${file} has no readout ${id}`);
    return patternsOf(Readout.parse(readout), stage);
  };
  return [of('quorrin-b2', 'codes'), of('quorrin-b2', 'rear'), of('hobrannet-t12', 'lift')];
}

export type Shares = Readonly<{ right: number; refused: number; wrong: number }>;

/**
 * Reads so many generated traces: 15 to 60 pictures a second, exposure that wanders by as much as the lamp's own step,
 * 5 % of pictures dropped, a tempo within ±15 %, three rounds or nine seconds long.
 */
export function readTraces(decibels: number, tries: number, seed: number): Shares {
  const random = seeded(seed);
  const all = demoPatterns();
  let [right, wrong] = [0, 0];
  for (let i = 0; i < tries; i++) {
    const patterns = all[i % all.length] ?? [];
    const truth = patterns[Math.floor(random() * patterns.length)];
    if (!truth) throw new Error('no pattern');
    const tempo = 0.85 + random() * 0.3;
    const round = truth.segments.reduce((sum, s) => sum + s.ms, 0) * tempo;
    const samples = makeTrace({
      segments: truth.segments,
      lastsMs: Math.max(9000, 2.9 * round),
      framesPerS: 15 + random() * 45,
      decibels,
      tempo,
      jitter: 0.05,
      drift: 1,
      dropped: 0.05,
      random,
    });
    const match = matchTrace(evenTrace(samples), patterns);
    if (!match.ok) continue;
    if (JSON.stringify(match.value.fits[0]?.parts) === JSON.stringify(truth.parts)) right += 1;
    else wrong += 1;
  }
  return { right: right / tries, wrong: wrong / tries, refused: (tries - right - wrong) / tries };
}

/** Taps of a person with 10 % spread and one stray tap in fifty: read right within three rounds. */
export function readTaps(tries: number, seed: number): number {
  const random = seeded(seed);
  const all = demoPatterns();
  let right = 0;
  for (let i = 0; i < tries; i++) {
    const patterns = all[i % all.length] ?? [];
    const truth = patterns[Math.floor(random() * patterns.length)];
    if (!truth) throw new Error('no pattern');
    const tempo = 0.85 + random() * 0.3;
    const taps = makeTaps(truth.segments, { rounds: 3, tempo, spread: 0.1, stray: 0.02, random });
    if (JSON.stringify(matchPulses(taps, patterns, 'taps')[0]?.parts) === JSON.stringify(truth.parts)) right += 1;
  }
  return right / tries;
}
