// What the learners of tellings share: what a telling's unit is called, how weights are learnt, and how they are written.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundleFacts, readBundle } from '../core/src/index.ts';
import { type Called, calledOf } from '../core/src/telling/speech/mentions.ts';

/** What the unit is called that is told of in a folder. */
export function calledIn(folder: string): Called {
  const bundle = readBundle(JSON.parse(readFileSync(join(folder, 'unit.json'), 'utf8')));
  if (!bundle.ok) throw new Error(`${folder} does not read`);
  return calledOf(bundleFacts(bundle.value));
}

/** What is told in a folder, as it stands in its file. */
export function toldIn(folder: string): string {
  const file = existsSync(join(folder, 'telling.vtt')) ? 'telling.vtt' : 'telling.txt';
  return readFileSync(join(folder, file), 'utf8');
}

/** Clues with how far what is learnt holds of them, from 0 to 1, and how much the case counts. */
export type Case = Readonly<{ clues: readonly string[]; holds: number; weight: number }>;
type Ways = Readonly<{
  /** A clue seen less often says nothing. */
  seenAtLeast: number;
  /** How much the square of a weight costs beside the cases. */
  cost: number;
  rounds: number;
}>;
export type Weights = Readonly<{ bias: number; of: ReadonlyMap<string, number> }>;

/** Logistic regression with a cost for each weight, all cases at once (Adam). */
export function learn(cases: readonly Case[], { seenAtLeast, cost, rounds }: Ways): Weights {
  const seen = new Map<string, number>();
  for (const { clues } of cases) for (const clue of clues) seen.set(clue, (seen.get(clue) ?? 0) + 1);
  const names = [...seen].filter(([, n]) => n >= seenAtLeast).map(([clue]) => clue);
  const places = new Map(names.map((clue, i) => [clue, i]));
  const bias = names.length;
  const known = cases.map((c) => ({ ...c, at: c.clues.flatMap((clue) => places.get(clue) ?? []) }));
  const weights = new Float64Array(bias + 1);
  const [mean, square] = [new Float64Array(bias + 1), new Float64Array(bias + 1)];
  for (let round = 1; round <= rounds; round += 1) {
    const slope = new Float64Array(bias + 1);
    for (const { at, holds, weight } of known) {
      let odds = weights[bias] ?? 0;
      for (const i of at) odds += weights[i] ?? 0;
      const error = (1 / (1 + Math.exp(-odds)) - holds) * weight;
      for (const i of at) slope[i] = (slope[i] ?? 0) + error;
      slope[bias] = (slope[bias] ?? 0) + error;
    }
    for (let i = 0; i <= bias; i += 1) {
      const own = (slope[i] ?? 0) + (i < bias ? cost * (weights[i] ?? 0) : 0);
      mean[i] = 0.9 * (mean[i] ?? 0) + 0.1 * own;
      square[i] = 0.99 * (square[i] ?? 0) + 0.01 * own * own;
      const step = (mean[i] ?? 0) / (1 - 0.9 ** round) / (Math.sqrt((square[i] ?? 0) / (1 - 0.99 ** round)) + 1e-8);
      weights[i] = (weights[i] ?? 0) - 0.03 * step;
    }
  }
  return { bias: weights[bias] ?? 0, of: new Map(names.map((clue, i) => [clue, weights[i] ?? 0])) };
}

/** The logarithm of the odds by what was learnt. */
export const oddsOf = ({ bias, of }: Weights, clues: readonly string[]): number =>
  clues.reduce((sum, clue) => sum + (of.get(clue) ?? 0), bias);

type Learnt = Readonly<{
  /** What it speaks, and by how much: `for a sentence …, in tenths of the odds' logarithm`. */
  speaks: string;
  side: 'for' | 'against';
  by: string;
  /** How many make one. */
  per: number;
  /** What says less than this many is left out. */
  saysAtLeast: number;
}>;
/** Writes a bias and the weights of clues as a module of which the weights are read where they are first asked for; answers how many. */
export function writeLearnt(to: string, { bias, of }: Weights, { speaks, side, by, per, saysAtLeast }: Learnt): number {
  const parts = (w: number): number => Math.round(w * per);
  const kept = [...of].map(([clue, w]) => [clue, parts(w)] as const).filter(([, w]) => Math.abs(w) >= saysAtLeast);
  const table = JSON.stringify(Object.fromEntries(kept.sort(([a], [b]) => (a < b ? -1 : 1))))
    .replaceAll('\\', '\\\\')
    .replaceAll("'", "\\'");
  writeFileSync(
    to,
    `/** What speaks ${side} ${speaks}: learnt by \`scripts/${by}\`. */
export const bias = ${parts(bias)};
/** By what speaks ${side} it: read where it is first asked for, and not where all of it is loaded. */
export const weights =
  '${table}';
`,
  );
  return kept.length;
}
