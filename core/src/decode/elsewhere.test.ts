import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  entriesOf,
  type Look,
  makeTaps,
  patternsOf,
  type Readout,
  readBundle,
  readElsewhere,
  type Stage,
  seeded,
} from '../index.ts';

const brewer = readBundle(JSON.parse(readFileSync(new URL('../../../demo/quorrin-b2.json', import.meta.url), 'utf8')));
if (!brewer.ok) throw new Error('the demo does not read');
const readouts = entriesOf(brewer.value, 'readout');
const by = (id: string): Readout => readouts.find((r) => r.id === id) as Readout;
const blinks = (count: number): Look => ({ kind: 'blinks', stage: 'count' as never, count });
const taps = (id: string, count: string): Look => {
  const readout = by(id);
  const pattern = patternsOf(readout, readout.stages[0] as Stage).find((p) => p.parts.count === count);
  const pulses = makeTaps(pattern?.segments ?? [], { rounds: 2, tempo: 1, spread: 0.04, stray: 0, random: seeded(3) });
  return { kind: 'pulses', stage: 'count' as never, by: 'taps', pulses };
};

describe('the same signs elsewhere', () => {
  it('three blinks are a fault here, the other boiler’s there, and a setting in the rinse', () => {
    expect(readElsewhere(readouts, by('codes'), [blinks(3)]).map((e) => e.reads)).toEqual(['R3', 'H-3']);
  });
  it('what another readout makes nothing of is left out', () => {
    expect(readElsewhere(readouts, by('codes'), [blinks(9)]).map((e) => e.reads)).toEqual(['R9']);
    expect(readElsewhere(readouts, by('codes'), [])).toEqual([]);
  });
  it('taps with a lead-in fit the other boiler better, and plain ones do not', () => {
    const better = (look: Look) =>
      readElsewhere(readouts, by('codes'), [look]).find((e) => e.readout.id === 'rear')?.fitsBetter ?? false;
    expect([better(taps('rear', '3')), better(taps('codes', '3'))]).toEqual([true, false]);
  });
});
