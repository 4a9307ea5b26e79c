import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chromium } from '@playwright/test';
import {
  advanceUnit,
  alignAccounts,
  type Bundle,
  bundleFacts,
  entriesOf,
  idealHands,
  lintRoutes,
  parseScript,
  perform,
  planUnit,
  readBundle,
  readPhrasings,
  readTelling,
  type Step,
  scorePhrasings,
  seeded,
  startUnit,
  successRateOf,
  type UnitEvent,
} from '@wire-trail/core';
import { judged, madeMiss, madeTake, missKinds, taken } from '@wire-trail/core/testing';
import { build } from 'esbuild';
// @ts-expect-error plain JavaScript, shared with the end-to-end tests
import { chromiumOptions } from '../../e2e/chromium.mjs';
// @ts-expect-error plain JavaScript, because it runs in the page
import { framesWhile } from './frames.mjs';
import { median, type Row, row } from './row.ts';

const demo = new URL('../../demo/', import.meta.url);
const read = (file: string): Bundle => {
  const bundle = readBundle(JSON.parse(readFileSync(new URL(file, demo), 'utf8')));
  if (!bundle.ok) throw new Error(`${file} does not read`);
  return bundle.value;
};
const seconds = (work: () => void): number => {
  const began = performance.now();
  work();
  return (performance.now() - began) / 1000;
};

/** Scripts of made-up routes on the dough prover's controls; no two begin with the same counts. */
function madeUpScript(random: () => number, n: number): string {
  const keys = ['tens', 'ones', 'r-up', 'r-down', 'r-set'];
  const key = (): string => keys[Math.floor(random() * keys.length)] ?? 'tens';
  const count = (most: number): number => 1 + Math.floor(random() * most);
  const lines = [`press ${keys[n % keys.length]} ${2 + (n % 9)} times`];
  for (let i = 0; i < 3; i += 1)
    lines.push(
      [
        `press ${key()} ${count(5)} times`,
        `hold ${key()} for ${count(5)} s to ${count(5) + 6} s`,
        `rest ${count(3)} s to ${count(5) + 4} s`,
        `within ${count(6) + 3} s of step-before\n  press ${key()} ${count(4)} times`,
      ][Math.floor(random() * 4)] ?? '',
    );
  return `from standby\n${lines.join('\n')}\nhold ${key()} for 3 s to 6 s\nsee digits "88"\nreach memory`;
}

/** A bundle with so many made-up routes beside the panel and modes of a demo family. */
function withRoutes(base: Bundle, routes: number, seed: number): Bundle {
  const random = seeded(seed);
  const [like] = entriesOf(base, 'route');
  if (!like) throw new Error('the demo family has no route');
  const made = Array.from({ length: routes }, (_, n) => {
    const { from, to, steps } = parseScript(madeUpScript(random, n));
    return {
      ...like,
      id: `made-${n}` as typeof like.id,
      name: `Made ${n}`,
      from: from ?? 'any',
      to,
      steps: [...steps],
      knownNotToWork: [],
    };
  }) as Array<typeof like>;
  return { ...base, entries: [...base.entries.filter((e) => e.kind !== 'route'), ...made] };
}

function eventsPerS(routes: number): number {
  const plan = planUnit(withRoutes(read('pellgrave-p8.json'), routes, 5));
  const start = startUnit(plan);
  const events: UnitEvent[] = [];
  let at = 1000;
  for (let n = 0; events.length < 4000; n += 1) {
    const gesture = plan.gestures[n % plan.gestures.length];
    if (!gesture) break;
    const done = perform(gesture.program, plan.facts, idealHands, at).map((d) => d.event);
    events.push(...done);
    at = (done.at(-1)?.at ?? at) + 4000;
  }
  const rates = Array.from({ length: 3 }, () => {
    let state = start;
    return (
      events.length /
      seconds(() => {
        for (const event of events) state = advanceUnit(plan, state, event).state;
      })
    );
  });
  return median(rates);
}

/** Findings of so many made-up routes, twenty to a family. */
function lintS(routes: number): number {
  const base = read('pellgrave-p8.json');
  const bundles = Array.from({ length: Math.ceil(routes / 20) }, (_, n) => withRoutes(base, 20, n));
  return seconds(() => {
    for (const bundle of bundles) lintRoutes(bundle);
  });
}

function oddsS(runs: number): number {
  const plan = planUnit(read('brindlewick-g4.json'));
  const gesture = plan.gestures.find((g) => g.of.kind === 'route' && g.of.id === 'enter-memory');
  if (!gesture) throw new Error('the demo’s way in does not compile');
  return seconds(() => successRateOf({ program: gesture.program, facts: plan.facts, hands: 'gloved', runs, seed: 1 }));
}

function alignMs(length: number): number {
  const random = seeded(9);
  const telling = (): Step[] => {
    const lines = Array.from(
      { length },
      () => `press ${['a', 'b', 'c', 'd'][Math.floor(random() * 4)]} ${1 + Math.floor(random() * 4)} times`,
    );
    return [...parseScript(lines.map((l, i) => (i % 5 === 4 ? `rest ${1 + (i % 3)} s` : l)).join('\n')).steps];
  };
  const tellings = [telling(), telling(), telling()];
  return 1000 * median(Array.from({ length: 5 }, () => seconds(() => alignAccounts(tellings))));
}

/** So many of a draw, from a seed on. */
function drawn<T>(draw: (seed: number) => T | null, n: number, from: number): T[] {
  const all: T[] = [];
  for (let seed = from; all.length < n; seed += 1) {
    const one = draw(seed);
    if (one !== null) all.push(one);
  }
  return all;
}

/** Made-up misses in equal parts by their kinds: which share is named as what it was, in all and of the worst kind. */
function namedShare(misses: number): { all: number; worst: number; worstKind: string } {
  const each = Math.ceil(misses / missKinds.length);
  const shares = missKinds.map((kind) => {
    const tried = drawn((seed) => madeMiss(seed, kind), each, 500_000);
    return { kind, share: tried.filter((m) => judged(m).named).length / each };
  });
  const worst = shares.reduce((a, b) => (b.share < a.share ? b : a));
  const all = shares.reduce((sum, s) => sum + s.share, 0) / shares.length;
  return { all, worst: worst.share, worstKind: worst.kind };
}

/** Performances within the times their ways declare: which share is taken. */
const takenShare = (tries: number): number => drawn(madeTake, tries, 600_000).filter(taken).length / tries;

/** Frames a second of a page while its worker finds everything in so many made-up routes, and how long that takes it. */
async function lintInPage(routes: number): Promise<{ seconds: number; framesPerS: number }> {
  const root = fileURLToPath(new URL('../..', import.meta.url));
  const built = await build({
    entryPoints: [`${root}/scripts/bench/lint-page.mjs`],
    bundle: true,
    write: false,
    format: 'iife',
    alias: { '@wire-trail/core': `${root}/core/src/index.ts` },
  });
  const base = read('pellgrave-p8.json');
  const bundles = Array.from({ length: Math.ceil(routes / 20) }, (_, n) => withRoutes(base, 20, n));
  const browser = await chromium.launch(chromiumOptions);
  try {
    const page = await browser.newPage();
    return await page.evaluate(framesWhile, { code: built.outputFiles[0]?.text ?? '', work: bundles });
  } finally {
    await browser.close();
  }
}

/** Sequences: recogniser, findings, odds, accounts, plain words; and how each grows from 1× to 10×. */
export async function benchEnter(): Promise<Row[]> {
  eventsPerS(20);
  const events = eventsPerS(20);
  const events10 = eventsPerS(200);
  const inPage = await lintInPage(10_000);
  const lint = inPage.seconds;
  lintS(200);
  const [lint1, lint10] = [lintS(1000), lintS(10_000)];
  oddsS(500);
  const odds = oddsS(20_000);
  const odds1 = oddsS(2000);
  alignMs(60);
  const align = alignMs(60);
  const align10 = alignMs(600);
  const named = namedShare(2000);
  const performed = takenShare(5000);
  const units = new Map(
    readdirSync(demo)
      .filter((f) => f.endsWith('.json'))
      .map((f) => [f.replace('.json', ''), read(f)] as const),
  );
  const facts = new Map(
    [...units].map(([id, b]) => [id, { facts: bundleFacts(b), instruments: entriesOf(b, 'instrument') }] as const),
  );
  const phrasings = readPhrasings(
    readFileSync(new URL('../../core/src/telling/phrasings.txt', import.meta.url), 'utf8'),
  );
  const score = scorePhrasings(phrasings, (family, told) => {
    const unit = facts.get(family);
    if (!unit) throw new Error(family);
    return readTelling(told, unit.facts, unit.instruments);
  });
  return [
    row('enter.eventsPerS', Math.round(events), 'events/s'),
    row('enter.eventsGrowth10', events / events10, '×'),
    row('enter.lintS', lint, 's', '≤ 3', lint <= 3),
    row('enter.lintFramesPerS', inPage.framesPerS, 'frames/s', '> 50', inPage.framesPerS > 50),
    row('enter.lintGrowth10', lint10 / lint1, '×'),
    row('enter.oddsS', odds, 's', '≤ 1', odds <= 1),
    row('enter.oddsGrowth10', odds / odds1, '×'),
    row('enter.alignMs', align, 'ms', '≤ 20', align <= 20),
    row('enter.alignGrowth10', align10 / align, '×'),
    row('enter.namedShare', named.all, 'share', '≥ 0.95', named.all >= 0.95),
    row(`enter.namedWorst (${named.worstKind})`, named.worst, 'share'),
    row('enter.takenShare', performed, 'share', '1', performed === 1),
    row('enter.intakeShare', score.share, 'share', '≥ 0.9', score.share >= 0.9),
    row('enter.intakeWrong', score.wrong, 'share', '≤ 0.02', score.wrong <= 0.02),
  ];
}
