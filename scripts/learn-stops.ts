// Learns where sentences begin from the stops of the tellings that have them, for those that are told without.
//   npx tsx scripts/learn-stops.ts [--without odd|even] [TO]    writes core/src/telling/speech/stops-learnt.ts
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { cluesAt, partsOf } from '../core/src/telling/speech/stops.ts';
import { wordsOf } from '../core/src/telling/speech/text.ts';
import { calledIn, writeLearnt } from './learnt.ts';

const root = join(import.meta.dirname, '..');
const args = process.argv.slice(2);
const without = args[0] === '--without' ? args[1] : null;
const to = args[without === null ? 0 : 2] ?? join(root, 'core/src/telling/speech/stops-learnt.ts');
/** A clue seen less often says nothing; one that says less than this, in tenths, is left out. */
const [seenAtLeast, saysAtLeast] = [3, 3];
const rounds = 12;

/** Whether somebody tells in sentences: no list, no chat. */
function isProse(text: string): boolean {
  const lines = text.split('\n').filter((l) => l.trim() !== '');
  const listed = lines.filter((l) => /^\s*(?:>|[\w .-]{1,20}:|\d+[.)]|[a-z][.)]|-|\*|\[)/.test(l));
  return listed.length <= lines.length * 0.3 && text.length / lines.length >= 90;
}

type Case = Readonly<{ clues: readonly string[]; begins: boolean }>;
const cases: Case[] = ['shared', 'blind'].flatMap((set) =>
  readdirSync(join(root, 'tellings', set)).flatMap((name): Case[] => {
    const folder = join(root, 'tellings', set, name);
    const round = Number(/^r(\d+)-/.exec(name)?.[1] ?? 0);
    if (without !== null && (round % 2 === 0) === (without === 'even')) return [];
    if (!existsSync(join(folder, 'telling.txt'))) return [];
    const text = readFileSync(join(folder, 'telling.txt'), 'utf8');
    if (!isProse(text)) return [];
    const all = wordsOf(text);
    const isStop = (raw: string | undefined): boolean => /^[.!?\n;…,:()–—-]$/.test(raw ?? '');
    const words = all.filter((w) => !isStop(w.raw));
    const begins = new Set(all.filter((_, i) => isStop(all[i - 1]?.raw)));
    const parts = partsOf(words, calledIn(folder));
    return words.slice(1).map((w, i) => ({ clues: cluesAt(parts, i + 1), begins: begins.has(w) }));
  }),
);

const seen = new Map<string, number>();
for (const { clues } of cases) for (const clue of clues) seen.set(clue, (seen.get(clue) ?? 0) + 1);
const known = cases.map(({ clues, begins }) => ({
  clues: clues.filter((c) => (seen.get(c) ?? 0) >= seenAtLeast),
  begins,
}));
// logistic regression, each weight with a rate of its own that falls with what it was moved (Adagrad)
const weights = new Map<string, number>();
const moved = new Map<string, number>();
let bias = -2;
let biasMoved = 1;
let random = 1;
const next = (n: number): number => {
  random = (random * 1103515245 + 12345) % 2147483648;
  return Math.floor((random / 2147483648) * n);
};
for (let round = 0; round < rounds; round += 1)
  for (let k = 0; k < known.length; k += 1) {
    const one = known[next(known.length)];
    if (!one) continue;
    const odds = one.clues.reduce((sum, c) => sum + (weights.get(c) ?? 0), bias);
    const error = 1 / (1 + Math.exp(-odds)) - (one.begins ? 1 : 0);
    for (const c of one.clues) {
      const m = (moved.get(c) ?? 0.01) + error * error;
      moved.set(c, m);
      weights.set(c, (weights.get(c) ?? 0) - (0.15 * error) / Math.sqrt(m));
    }
    biasMoved += error * error;
    bias -= (0.15 * error) / Math.sqrt(biasMoved);
  }
const kept = writeLearnt(
  to,
  { bias, of: weights },
  {
    side: 'for',
    speaks: "a sentence beginning at a word, in tenths of the odds' logarithm",
    by: 'learn-stops.ts',
    per: 10,
    saysAtLeast,
  },
);
console.log(`${cases.length} words, ${kept} clues`);
