import { describe, expect, it } from 'vitest';
import { decode } from '../index.ts';
import { madeLook, usualSlipping } from '../testing/made-looks.ts';
import { type Confusion, confusionsOf } from './confusions.ts';

const facts = (of: object): string =>
  Object.entries(of)
    .map(([k, v]) => `${k} ${typeof v === 'object' ? JSON.stringify(v) : v}`)
    .join(', ');

/** All that is made of a look, one line for each candidate and each question. */
function told(seed: number): string[] {
  const { readout, listed, seen } = madeLook(seed, { ...usualSlipping, rate: 2, confused: 0.2 });
  const { candidates, undecided, literal, noSuchPattern, oneSlip, rest, taken } = decode(readout, listed, seen);
  return [
    `# ${seed} ${JSON.stringify(seen.looks)}`,
    `reads ${literal}${noSuchPattern ? ', no such pattern' : ''}${oneSlip ? `, one slip from ${oneSlip.code}` : ''}, none of these ${rest.toFixed(2)}`,
    ...candidates
      .slice(0, 6)
      .map(
        (c) =>
          `  ${c.code} ${c.kind} ${c.certainty.toFixed(2)} fits ${c.fit.toFixed(2)} ${c.slips} slips ${c.confusion ?? ''} ${c.misread.map(facts).join('; ')}`,
      ),
    ...undecided.slice(0, 3).map(({ between, bits, ...u }) => `  ask ${facts(u)}: ${bits.toFixed(2)} of ${between}`),
    ...taken.map((t) => `  taken ${facts(t)}`),
  ];
}

/**
 * What is made of made-up looks, to the letter: whatever changes a word of it is looked at. `vitest -u` writes it anew.
 */
describe('every word of what is made of', () => {
  it('looks with slips and confusions', async () => {
    const lines = Array.from({ length: 140 }, (_, i) => told(60_000 + i)).flat();
    await expect(`${lines.map((l) => l.trimEnd()).join('\n')}\n`).toMatchFileSnapshot('decoded-as/looks.txt');
  });
  it('whole looks, set right', async () => {
    const right = ({ kind, looks }: Confusion) => `  ${kind} ${JSON.stringify(looks)}`;
    const lines = Array.from({ length: 140 }, (_, i) => {
      const { readout, seen } = madeLook(61_000 + i);
      return [`# ${JSON.stringify(seen.looks)}`, ...confusionsOf(readout, seen.looks).map(right)];
    }).flat();
    await expect(`${lines.join('\n')}\n`).toMatchFileSnapshot('decoded-as/set-right.txt');
  });
});
