// Learns what a step looks like that was read and not meant, from what was first made of the blind tellings: every step
// with whether it was meant, before the reader was mended by it (tellings/first-drafts.json). Learns before it what a
// name looks like of which something is done, from what the reader makes today of all it was mended by.
//   npx tsx scripts/learn-meant.ts [--try]    writes named-done-learnt.ts and meant-learnt.ts in core/src/telling/speech
// With --try nothing is written: every seventh of the rounds in turn is tried with what the others taught, and for each
// odds from which on it is asked: what is asked, how much of that was not meant, what of the meant is gone, what is left.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { meantKey, noAnswers, type Step } from '../core/src/index.ts';
import { readIn } from '../core/src/telling/speech/captions.ts';
import type { MadeOf } from '../core/src/telling/speech/how-it-stands.ts';
import { asksOf } from '../core/src/telling/speech/meant.ts';
import { meantClues, namedIn } from '../core/src/telling/speech/meant-clues.ts';
import { namedClues } from '../core/src/telling/speech/named-done.ts';
import { readTold } from '../core/src/telling/speech/read.ts';
import type { Hole } from '../core/src/telling/speech/reader.ts';
import { saidIn } from '../core/src/telling/speech/round-about.ts';
import { type Case, calledIn, learn, oddsOf, toldIn, type Weights, writeLearnt } from './learnt.ts';

const root = join(import.meta.dirname, '..');
const speech = join(root, 'core/src/telling/speech');
const isTried = process.argv[2] === '--try';
/** Steps are few: a weight costs less where there are fewer cases. */
const [names, steps] = [
  { seenAtLeast: 5, cost: 10, rounds: 120 },
  { seenAtLeast: 6, cost: 8, rounds: 120 },
];
const folds = 7;

type First = Readonly<{ from: number; to: number; step: Step; weight: number; wrong: number }>;
const drafts: Readonly<Record<string, Readonly<{ made: readonly First[]; holes: readonly Hole[] }>>> = JSON.parse(
  readFileSync(join(root, 'tellings/first-drafts.json'), 'utf8'),
);

/** What the reader makes today, with all it would ask about answered by *it is done*. */
function madeToday(raw: string, called: ReturnType<typeof calledIn>): readonly MadeOf[] {
  const first = readTold(raw, called.facts);
  const meant = first.doubts.flatMap((d) => (d.asked?.is === 'meant' ? [meantKey(d.asked)] : []));
  const { routes } = meant.length > 0 ? readTold(raw, called.facts, undefined, { ...noAnswers, meant }) : first;
  return routes.flatMap((r) =>
    r.phrases.flatMap(({ from, to, at }) => {
      const step = /^\d+$/.test(at) ? r.steps[Number(at)] : undefined;
      return step ? [{ step, from, to }] : [];
    }),
  );
}

const tellings = ['shared', 'blind'].flatMap((set) =>
  readdirSync(join(root, 'tellings', set)).map((name) => {
    const folder = join(root, 'tellings', set, name);
    const [raw, called] = [toldIn(folder), calledIn(folder)];
    const said = saidIn(readIn(raw).text, called);
    const done = new Set(madeToday(raw, called).flatMap((m) => namedIn(m, said)));
    const named = said.flatMap(
      ({ id }, i): Array<Case & { i: number }> =>
        id === '' ? [] : [{ i, clues: namedClues(said, i, called), holds: done.has(i) ? 1 : 0, weight: 1 }],
    );
    const round = Number(/^r(\d+)-/.exec(name)?.[1] ?? 0);
    // of one round by one person, or told of one unit
    const fold = Number(/\d+/.exec(name)?.[0] ?? 0) % folds;
    return { name, round, fold, called, said, named };
  }),
);

const every = Array.from({ length: folds }, (_, fold) => fold);
const namedWithout = every.map((fold) =>
  learn(
    tellings.flatMap((t) => (t.fold === fold ? [] : t.named)),
    names,
  ),
);

// how likely a name is done something of comes from what was learnt without its telling, as it will for what is new
const cases = tellings.flatMap(({ name, round, fold, called, said, named }) => {
  const first = drafts[name];
  const weights = namedWithout[fold];
  if (!first || !weights) return [];
  const odds = new Map(named.map(({ i, clues }) => [i, oddsOf(weights, clues)]));
  const clues = meantClues(first.made, said, called, first.holes, (i) => odds.get(i) ?? 0);
  return first.made.map(({ step, wrong, weight }, i) => ({
    round,
    fold,
    step,
    clues: clues[i] ?? [],
    holds: wrong,
    weight,
  }));
});

if (isTried) {
  const tried = every.flatMap((fold) => {
    const weights = learn(
      cases.filter((c) => c.fold !== fold),
      steps,
    );
    return cases.filter((c) => c.fold === fold).map((c) => ({ ...c, odds: oddsOf(weights, c.clues) }));
  });
  const sum = (some: readonly Case[], of: (c: Case) => number): number => some.reduce((n, c) => n + of(c), 0);
  const wrong = (c: Case): number => c.holds * c.weight;
  const right = (c: Case): number => (1 - c.holds) * c.weight;
  for (const since of [0, 38, 69, 78]) {
    const all = tried.filter((c) => (since === 0 ? c.round === 0 : c.round >= since));
    for (const from of [99, 0, -0.3, -0.6, -0.8, -1, -1.2, -1.4]) {
      const isAsked = (c: (typeof all)[number]): boolean => asksOf.has(c.step.kind) && c.odds > from;
      const [asked, left] = [all.filter(isAsked), all.filter((c) => !isAsked(c))];
      const share = (n: number): string => n.toFixed(3);
      console.log(
        `from round ${since}, odds ${from}: asked ${share(asked.length / all.length)}, of that not meant ${share(
          sum(asked, wrong) /
            Math.max(
              1,
              sum(asked, (c) => c.weight),
            ),
        )}, of the meant gone ${share(sum(asked, right) / sum(all, right))}, left not meant ${share(sum(left, wrong) / sum(left, (c) => c.weight))}`,
      );
    }
  }
} else {
  const write = (file: string, weights: Weights, side: 'for' | 'against', of: string): number =>
    writeLearnt(join(speech, file), weights, {
      side,
      speaks: `${of}, in hundredths of the odds' logarithm`,
      by: 'learn-meant.ts',
      per: 100,
      saysAtLeast: 2,
    });
  const named = learn(
    tellings.flatMap((t) => t.named),
    names,
  );
  const done = write('named-done-learnt.ts', named, 'for', 'something being done of what is named');
  const meant = write('meant-learnt.ts', learn(cases, steps), 'against', 'a step being meant');
  console.log(`${tellings.flatMap((t) => t.named).length} names, ${done} clues; ${cases.length} steps, ${meant} clues`);
}
