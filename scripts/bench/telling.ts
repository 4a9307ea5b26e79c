import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  type Bundle,
  bundleFacts,
  cardLine,
  coachCards,
  entriesOf,
  readAnyTelling,
  readBundle,
  type Step,
} from '@wire-trail/core';
import { madeUnit } from '@wire-trail/core/testing';
import { type Row, row } from './row.ts';

const root = fileURLToPath(new URL('../../', import.meta.url));
type Score = Readonly<{
  tellings: ReadonlyArray<
    Readonly<{ name: string; steps: Readonly<{ found: number; meant: number; wrong: number; made: number }> }>
  >;
}>;

/** What the scorer says of the tellings in a folder, read by the command line. */
function scored(folder: string): Readonly<{ found: number; wrong: number }> {
  const out = execFileSync(
    'node',
    [
      'tellings/score.mjs',
      '--no-talk',
      '--json',
      `tellings/${folder}`,
      'node scripts/wire-trail.mjs telling {unit} {telling} --json',
    ],
    { cwd: root, encoding: 'utf8', maxBuffer: 64 * 1024 * 1024 },
  );
  const { tellings } = JSON.parse(out) as Score;
  const sum = (of: 'found' | 'meant' | 'wrong' | 'made'): number => tellings.reduce((n, t) => n + t.steps[of], 0);
  return { found: sum('found') / sum('meant'), wrong: sum('wrong') / sum('made') };
}

/** What the coach says of steps, a line a card. */
function said(steps: readonly Step[], bundle: Bundle): string {
  const panel = entriesOf(bundle, 'panel').find((p) => p.family === bundle.family);
  if (!panel) return '';
  return coachCards(steps)
    .map((card) => cardLine(card, panel, ['part']))
    .join('\n');
}

/** The share of routes of which what is said gives the same again. */
function saidBack(bundles: readonly Bundle[]): number {
  let all = 0;
  let same = 0;
  for (const bundle of bundles)
    for (const { steps } of entriesOf(bundle, 'route')) {
      const text = said(steps, bundle);
      const told = readAnyTelling(text, bundleFacts(bundle));
      all += 1;
      same +=
        said(
          told.routes.flatMap((r) => r.steps),
          bundle,
        ) === text
          ? 1
          : 0;
    }
  return same / all;
}

/** Demo families and made-up ones, until there are so many routes. */
function units(routes: number): Bundle[] {
  const demo = readdirSync(`${root}demo`).flatMap((file): Bundle[] => {
    const read = file.endsWith('.json') ? readBundle(JSON.parse(readFileSync(`${root}demo/${file}`, 'utf8'))) : null;
    return read?.ok ? [read.value] : [];
  });
  const made: Bundle[] = [];
  for (let seed = 1, n = 0; n < routes; seed += 1) {
    const bundle = madeUnit(seed);
    if (!bundle) continue;
    made.push(bundle);
    n += entriesOf(bundle, 'route').length;
  }
  return [...demo, ...made];
}

type Round = Readonly<{ round: number; found: number; wrong: number }>;

/** How much of what people tell becomes the steps that are meant; blind is what the last two rounds were before they were worked on. */
export function benchTelling(): Row[] {
  const shared = scored('shared');
  const rounds = scored('blind');
  const curve = JSON.parse(readFileSync(`${root}tellings/curve.json`, 'utf8')) as Round[];
  const blind = curve.slice(-2);
  const mean = (of: (r: Round) => number): number => blind.reduce((n, r) => n + of(r), 0) / blind.length;
  const back = saidBack(units(2000));
  return [
    row('telling.stepsShare', shared.found, 'share', '≥ 0.90', shared.found >= 0.9),
    row('telling.stepsWrong', shared.wrong, 'share', '≤ 0.04', shared.wrong <= 0.04),
    row(
      'telling.blindShare',
      mean((r) => r.found),
      'share',
      '≥ 0.80',
      mean((r) => r.found) >= 0.8,
    ),
    row(
      'telling.blindWrong',
      mean((r) => r.wrong),
      'share',
      '≤ 0.06',
      mean((r) => r.wrong) <= 0.06,
    ),
    row('telling.roundsShare', rounds.found, 'share'),
    row('telling.roundsWrong', rounds.wrong, 'share'),
    row('telling.saidBackShare', back, 'share', '1', back === 1),
  ];
}
