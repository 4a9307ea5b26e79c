import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  entriesOf,
  isRhythmic,
  makeTaps,
  makeTrace,
  readBundle,
  type Scene,
  seeded,
  segmentsOfRun,
} from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { run as runHere } from './run.ts';

const demo = (name: string): string => fileURLToPath(new URL(`../../demo/${name}.json`, import.meta.url));
const washer = demo('brindlewick-g4');
const brewer = demo('quorrin-b2');
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'wire-trail-readouts-'));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const file = (name: string, text: string): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};
const run = async (...args: string[]) => {
  const out: string[] = [];
  const status = await runHere([...args, '--json'], { env: {}, out: (t) => out.push(t), err: (t) => out.push(t) });
  return { status, json: JSON.parse(out.join('\n')) };
};
/** Light and dark of so many blinks on the front boiler of the brewer. */
const blinks = (count: number) => {
  const bundle = readBundle(JSON.parse(readFileSync(brewer, 'utf8')));
  const reads = bundle.ok ? entriesOf(bundle.value, 'readout').find((r) => r.id === 'codes')?.stages[0]?.reads : null;
  if (!reads || !isRhythmic(reads)) throw new Error('the brewer does not blink');
  return segmentsOfRun(reads, 's'.repeat(count));
};

describe('encode', () => {
  it('gives what each sign does over time', async () => {
    const { status, json } = await run('encode', brewer, '--readout', 'codes', '--code', 'B2');
    const [scene] = json.scenes as Scene[];
    expect([status, scene?.cues.filter((c) => c.shown.kind === 'lamp' && c.shown.state === 'lit').length]).toEqual([
      0, 2,
    ]);
  });
  it('a code the readout cannot show: status 2', async () => {
    const { status, json } = await run('encode', washer, '--readout', 'lamps', '--code', 'K99');
    expect([status, json.problems[0].reason]).toEqual([2, '“Lamps in the arc” cannot show K99']);
  });
});

describe('decode --said', () => {
  it('one way of taking it: the code', async () => {
    const { json } = await run('decode', washer, '--readout', 'lamps', '--said', 'b d e, then a d e');
    expect([json.ask, json.readings.map((r: { literal: string }) => r.literal)]).toEqual([false, ['K19']]);
  });
  it('two ways: both, and that one has to ask', async () => {
    const { json } = await run('decode', washer, '--readout', 'lamps', '--said', 'two four five, then one four five');
    expect([json.ask, json.readings.length]).toEqual([true, 2]);
  });
  it('nothing understood: status 1', async () => {
    expect((await run('decode', washer, '--readout', 'lamps', '--said', 'good morning')).status).toBe(1);
  });
});

describe('rhythm', () => {
  it('taps become symbols with certainty', async () => {
    const taps = makeTaps(blinks(4), { rounds: 3, tempo: 1.1, spread: 0.05, stray: 0, random: seeded(2) });
    const path = file('taps.csv', `down,up\n${taps.map((t) => t.join(',')).join('\n')}`);
    const { json } = await run('rhythm', path, '--bundle', brewer, '--readout', 'codes');
    expect([json.runs, json.fits[0].parts]).toEqual([['ssss'], { count: '4' }]);
    expect(json.certainty).toBeGreaterThan(0.9);
  });
  it('brightness over time becomes symbols, pulses, and what the readout makes of it', async () => {
    const trace = makeTrace({
      segments: blinks(5),
      lastsMs: 14_000,
      framesPerS: 30,
      decibels: 20,
      tempo: 1,
      jitter: 0.03,
      drift: 0,
      dropped: 0,
      random: seeded(4),
    });
    const path = file(
      'light.csv',
      `time,lamp\n${trace.map((s) => `${s.atMs.toFixed(1)},${s.level.toFixed(1)}`).join('\n')}`,
    );
    const { json } = await run('rhythm', path, '--bundle', brewer, '--readout', 'codes');
    expect([json.lamps[0].lamp, json.lamps[0].fits[0].parts]).toEqual(['lamp', { count: '5' }]);
  });
  it('a million rows are read', async () => {
    const rows = Array.from({ length: 1_000_000 }, (_, i) => `${i},${i % 3000 < 300 ? 200 : 20}`);
    const { status, json } = await run('rhythm', file('many.csv', `t,a\n${rows.join('\n')}`));
    expect([status, json.lamps[0].runs.length > 0]).toEqual([0, true]);
  });
  it.each([
    ['an empty file', '', /is empty/],
    ['one column', '1\n2', /two columns/],
    ['a word among the numbers', 't,a\n0,dark', /“dark” is no number/],
  ])('%s: status 2', async (_, text, words) => {
    const { status, json } = await run('rhythm', file('odd.csv', text));
    expect([status, json.problems[0].reason]).toEqual([2, expect.stringMatching(words)]);
  });
});

describe('lookalikes', () => {
  it('names the codes one slip turns into others', async () => {
    const { json } = await run('lookalikes', washer, '--readout', 'lamps');
    expect(json).toContainEqual({
      code: 'K23',
      becomes: 'K19',
      stage: 'number',
      slip: { kind: 'lamp-dark', sign: 'lamp-c' },
    });
  });
});
