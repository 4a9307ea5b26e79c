// Learns what a step looks like that was read and not meant, from what was first made of the blind tellings: every step
// with whether it was meant, before the reader was mended by it (tellings/first-drafts.json).
//   npx tsx scripts/learn-meant.ts [--without N] [TO]    writes core/src/telling/speech/meant-learnt.ts
// With --without every seventh round from N on is left out, and the rest is tried on those: for each share of the steps
// that is asked about, how many of them were not meant and what is left.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Step } from '../core/src/index.ts';
import { readIn } from '../core/src/telling/speech/captions.ts';
import { cluesOf, saidIn } from '../core/src/telling/speech/meant.ts';
import type { Hole } from '../core/src/telling/speech/reader.ts';
import { calledIn, writeLearnt } from './learnt.ts';

const root = join(import.meta.dirname, '..');
const args = process.argv.slice(2);
const without = args[0] === '--without' ? Number(args[1]) : null;
const to = args[without === null ? 0 : 2] ?? join(root, 'core/src/telling/speech/meant-learnt.ts');
/** A clue seen less often says nothing; one that says less than this, in hundredths, is left out. */
const [seenAtLeast, saysAtLeast] = [6, 2];
/** How much a weight costs, and how often all cases are gone through. */
const [cost, rounds] = [6, 120];
/** From this round on people tell in more ways, as they do; those count twice. */
const [tellsFreely, countsFor] = [69, 2];

type First = Readonly<{ from: number; to: number; step: Step; weight: number; wrong: number }>;
type Draft = Readonly<{ made: readonly First[]; holes: readonly Hole[] }>;
type Case = Readonly<{ round: number; clues: readonly string[]; wrong: number; weight: number }>;

const drafts: Readonly<Record<string, Draft>> = JSON.parse(
  readFileSync(join(root, 'tellings/first-drafts.json'), 'utf8'),
);
const cases: Case[] = Object.entries(drafts).flatMap(([name, { made, holes }]) => {
  const folder = join(root, 'tellings/blind', name);
  const file = existsSync(join(folder, 'telling.vtt')) ? 'telling.vtt' : 'telling.txt';
  const { text } = readIn(readFileSync(join(folder, file), 'utf8'));
  const called = calledIn(folder);
  const said = saidIn(text, called);
  const round = Number(/^r(\d+)-/.exec(name)?.[1] ?? 0);
  return made.map(({ wrong, weight }, i) => ({
    round,
    clues: cluesOf(made, i, said, called, holes),
    wrong,
    weight,
  }));
});
const isLeft = ({ round }: Case): boolean => without !== null && round % 7 === without % 7;
const learnt = cases.filter((c) => !isLeft(c));

const seen = new Map<string, number>();
for (const { clues } of learnt) for (const clue of clues) seen.set(clue, (seen.get(clue) ?? 0) + 1);
const names = [...seen].filter(([, n]) => n >= seenAtLeast).map(([clue]) => clue);
const places = new Map(names.map((clue, i) => [clue, i]));
const bias = names.length;
const placesOf = ({ clues }: Case): number[] =>
  clues.flatMap((c) => {
    const at = places.get(c);
    return at === undefined ? [] : [at];
  });
const known = learnt.map((c) => ({ ...c, at: placesOf(c) }));

// logistic regression with a cost for each weight, all cases at once (Adam)
const weights = new Float64Array(bias + 1);
const [mean, square] = [new Float64Array(bias + 1), new Float64Array(bias + 1)];
weights[bias] = -2.3;
const oddsOf = (at: readonly number[]): number => at.reduce((sum, i) => sum + (weights[i] ?? 0), weights[bias] ?? 0);
for (let round = 1; round <= rounds; round += 1) {
  const slope = new Float64Array(bias + 1);
  const add = (i: number, by: number): void => {
    slope[i] = (slope[i] ?? 0) + by;
  };
  for (const { at, wrong, weight, round: told } of known) {
    const error = (1 / (1 + Math.exp(-oddsOf(at))) - wrong) * weight * (told >= tellsFreely ? countsFor : 1);
    for (const i of at) add(i, error);
    add(bias, error);
  }
  for (let i = 0; i <= bias; i += 1) {
    const own = (slope[i] ?? 0) + (i < bias ? cost * (weights[i] ?? 0) : 0);
    mean[i] = 0.9 * (mean[i] ?? 0) + 0.1 * own;
    square[i] = 0.99 * (square[i] ?? 0) + 0.01 * own * own;
    const step = (mean[i] ?? 0) / (1 - 0.9 ** round) / (Math.sqrt((square[i] ?? 0) / (1 - 0.99 ** round)) + 1e-8);
    weights[i] = (weights[i] ?? 0) - 0.03 * step;
  }
}

if (without !== null) {
  const tried = cases
    .filter(isLeft)
    .map((c) => ({ ...c, odds: oddsOf(placesOf(c)) }))
    .sort((a, b) => b.odds - a.odds);
  const sum = (some: readonly Case[], of: (c: Case) => number): number => some.reduce((n, c) => n + of(c), 0);
  for (const share of [0, 0.02, 0.03, 0.04, 0.05, 0.06]) {
    const asked = tried.slice(0, Math.round(tried.length * share));
    const left = tried.slice(asked.length);
    const wrong = sum(left, (c) => c.wrong * c.weight) / sum(left, (c) => c.weight);
    const hit = sum(asked, (c) => c.wrong * c.weight).toFixed(0);
    console.log(
      `${share}: ${hit} of ${asked.length} not meant (odds ${asked.at(-1)?.odds.toFixed(2) ?? ''}), left ${wrong.toFixed(3)}`,
    );
  }
}
const hundredths = (w: number): number => Math.round(w * 100);
const kept = names
  .map((clue, i) => [clue, hundredths(weights[i] ?? 0)] as const)
  .filter(([, w]) => Math.abs(w) >= saysAtLeast);
writeLearnt(to, {
  side: 'against',
  speaks: "a step being meant, in hundredths of the odds' logarithm",
  by: 'learn-meant.ts',
  bias: hundredths(weights[bias] ?? 0),
  kept,
});
console.log(`${learnt.length} steps, ${kept.length} clues`);
