import { describe, expect, it } from 'vitest';
import { evenTrace, matchTrace, patternsOf, type Readout, type Sample, seeded } from '../index.ts';
import { counts, segmentsFor, stageIn, usual } from '../testing/rhythms.ts';
import { makeTrace } from './made.ts';

describe('brightness over time, at length', () => {
  const look = (samples: readonly Sample[], readout: Readout) =>
    matchTrace(evenTrace(samples), patternsOf(readout, stageIn(readout)));

  it('a million samples are read as well as a thousand', () => {
    const random = seeded(8);
    const samples = makeTrace({ ...usual, segments: segmentsFor(counts, { c: '5' }), random });
    const dense = samples.flatMap((s) =>
      Array.from({ length: 2500 }, (_, i) => ({ atMs: s.atMs + i / 100, level: s.level })),
    );
    expect(dense.length).toBeGreaterThan(900_000);
    const match = look(dense, counts);
    expect(match.ok && match.value.fits[0]?.parts).toEqual({ c: '5' });
  });

  it('when unsure it refuses rather than guesses, down to where nothing can be seen', () => {
    const random = seeded(17);
    let wrong = 0;
    for (let i = 0; i < 60; i++) {
      const truth = 1 + Math.floor(random() * 9);
      const samples = makeTrace({
        ...usual,
        decibels: -2 + random() * 8,
        drift: 1,
        tempo: 0.85 + random() * 0.3,
        segments: segmentsFor(counts, { c: String(truth) }),
        random,
      });
      const match = look(samples, counts);
      if (match.ok && match.value.fits[0]?.parts['c' as never] !== String(truth)) wrong += 1;
    }
    expect(wrong).toBeLessThanOrEqual(1);
  });
});
