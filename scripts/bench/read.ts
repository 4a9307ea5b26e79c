import { readFileSync } from 'node:fs';
import { decode, encode, entriesOf, type Look, readBundle } from '@wire-trail/core';
import { median, type Row } from './row.ts';

/** Decodes of the demo's table with one lamp in doubt, so that nothing is found by mere look-up. */
export function benchRead(): Row[] {
  const read = readBundle(JSON.parse(readFileSync(new URL('../../demo/brindlewick-g4.json', import.meta.url), 'utf8')));
  if (!read.ok) throw new Error('the demo does not read');
  const [readout] = entriesOf(read.value, 'readout');
  if (!readout) throw new Error('the demo has no readout');
  const codes = entriesOf(read.value, 'code').map((c) => ({ text: c.text, frequency: c.frequency }));
  const seen = codes.map(({ text }, n) => {
    const shows = encode(readout, text);
    if (!shows.ok) throw new Error(text);
    const looks = shows.value.map((show, s): Look => {
      const lamps = show.shown.flatMap((x, i) =>
        x.kind === 'lamp' ? [[x.sign, s === 1 && i === n % 5 ? 'unsure' : x.state] as const] : [],
      );
      return { kind: 'lamps', stage: show.stage, lamps: Object.fromEntries(lamps) };
    });
    return { slot: 1, looks };
  });
  const perRound = 2000;
  const rates: number[] = [];
  for (let round = 0; round < 9; round++) {
    const began = performance.now();
    for (let i = 0; i < perRound; i++) decode(readout, codes, seen[i % seen.length] ?? { slot: 1, looks: [] });
    rates.push(perRound / ((performance.now() - began) / 1000));
  }
  return [
    { name: 'read.decodesPerS', value: Math.round(median(rates.slice(1))), unit: 'decodes/s', aim: null, met: null },
  ];
}
