// What the learners of tellings share: what a telling's unit is called, and how what was learnt is written.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundleFacts, readBundle } from '../core/src/index.ts';
import { type Called, calledOf } from '../core/src/telling/speech/mentions.ts';

/** What the unit is called that is told of in a folder. */
export function calledIn(folder: string): Called {
  const bundle = readBundle(JSON.parse(readFileSync(join(folder, 'unit.json'), 'utf8')));
  if (!bundle.ok) throw new Error(`${folder} does not read`);
  return calledOf(bundleFacts(bundle.value));
}

type Learnt = Readonly<{
  /** What it speaks, and by how much: `for a sentence …, in tenths of the odds' logarithm`. */
  speaks: string;
  side: 'for' | 'against';
  by: string;
  bias: number;
  kept: ReadonlyArray<readonly [clue: string, weight: number]>;
}>;
/** Writes a bias and the weights of clues as a module of which the weights are read where they are first asked for. */
export function writeLearnt(to: string, { speaks, side, by, bias, kept }: Learnt): void {
  const table = JSON.stringify(Object.fromEntries([...kept].sort(([a], [b]) => (a < b ? -1 : 1))));
  writeFileSync(
    to,
    `/** What speaks ${side} ${speaks}: learnt by \`scripts/${by}\`. */
export const bias = ${bias};
/** By what speaks ${side} it: read where it is first asked for, and not where all of it is loaded. */
export const weights =
  ${JSON.stringify(table)};
`,
  );
}
