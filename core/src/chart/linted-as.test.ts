import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { seeded } from '../base/random.ts';
import { type Bundle, type Chart, type ChartNode, findingWords, readBundle } from '../index.ts';
import { lintCharts } from './lint-uses.ts';

const demo = new URL('../../../demo/', import.meta.url);
const families = readdirSync(demo).filter((f) => f.endsWith('.json'));
type Draw = (n: number) => number;
type Raw = Record<string, unknown>;
const of = (node: Raw, field: string): unknown => node[field];

/** Ways to spoil a step: what leads on leads elsewhere, numbers are others, what may be left out is left out. */
const spoils: ReadonlyArray<(node: Raw, chart: Chart, draw: Draw) => Raw> = [
  (node, chart, draw) => {
    const ways = Object.keys(node).filter((k) =>
      ['yes', 'no', 'pass', 'low', 'high', 'next', 'stopped', 'comesAgain', 'nothingFound'].includes(k),
    );
    const way = ways[draw(ways.length)];
    return way ? { ...node, [way]: draw(3) === 0 ? null : chart.nodes[draw(chart.nodes.length)]?.id } : node;
  },
  (node, _, draw) => {
    const { band } = node as { band?: Raw };
    if (!band) return node;
    const numbers = Object.keys(band).filter((k) => typeof band[k] === 'number');
    const which = numbers[draw(numbers.length)];
    return which
      ? { ...node, band: { ...band, [which]: Number(band[which]) * ([0, 0.01, 3, -1, 100][draw(5)] ?? 1) } }
      : node;
  },
  (node, _, draw) => {
    const may = [
      'hazards',
      'protection',
      'isolation',
      'disconnect',
      'instrument',
      'cannotTell',
      'retries',
      'otherwise',
      'tooClose',
      'open',
      'handOnTo',
      'putBack',
      'putBackDays',
      'about',
      'ways',
      'passAfter',
      'recalibrate',
    ].filter((k) => k in node);
    const gone = may[draw(may.length)] ?? '';
    const { [gone]: was, ...rest } = node;
    return Array.isArray(was) ? { ...rest, [gone]: [] } : rest;
  },
  (node) => ('supply' in node ? { ...node, supply: of(node, 'supply') === 'dead' ? 'energised' : 'dead' } : node),
  (node, _, draw) =>
    'quantity' in node
      ? { ...node, quantity: ['voltage', 'resistance', 'pressure', 'temperature', 'duration'][draw(5)] }
      : node,
  (node) =>
    'cases' in node
      ? { ...node, cases: (of(node, 'cases') as unknown[]).slice(1) }
      : 'answers' in node
        ? { ...node, answers: (of(node, 'answers') as unknown[]).slice(1) }
        : node,
  (node) => (of(node, 'kind') === 'act' ? { ...node, act: of(node, 'act') === 'replace' ? 'clean' : 'replace' } : node),
  (node) =>
    of(node, 'kind') === 'verdict'
      ? { ...node, verdict: of(node, 'verdict') === 'hand-on' ? 'left-limited' : 'hand-on' }
      : node,
];

/** A bundle one of whose charts has a few steps spoilt, or loses one. */
function spoilt(bundle: Bundle, seed: number): Bundle {
  const random = seeded(seed);
  const draw: Draw = (n) => Math.floor(random() * n);
  const charts = bundle.entries.flatMap((e, i) => (e.kind === 'chart' ? [i] : []));
  const at = charts[draw(charts.length)] ?? 0;
  const chart = bundle.entries[at] as Chart;
  const nodes: unknown[] = [...chart.nodes];
  for (let n = 1 + draw(3); n > 0; n -= 1) {
    const i = draw(nodes.length);
    const spoil = spoils[draw(spoils.length)];
    if (spoil) nodes[i] = spoil(nodes[i] as Raw, chart, draw);
  }
  if (draw(5) === 0) nodes.splice(draw(nodes.length), 1);
  const entries = bundle.entries.map((e, i) => (i === at ? { ...chart, nodes: nodes as ChartNode[] } : e));
  return { ...bundle, entries };
}

/** Every finding of charts that somebody spoilt, to the letter. `vitest -u` writes it anew. */
describe('what is found in charts that are not as they should be', () => {
  it.each(families)('%s', async (file) => {
    const read = readBundle(JSON.parse(readFileSync(new URL(file, demo), 'utf8')));
    if (!read.ok) throw new Error(file);
    const as = (bundle: Bundle) =>
      lintCharts(bundle).map((f) => `${f.severity} ${f.code} ${f.at.join('.')} ${findingWords(f)}`);
    const usual = new Set(as(read.value));
    const lines = [...usual, ''];
    for (let seed = 1; seed <= 60; seed += 1) {
      const found = as(spoilt(read.value, seed));
      const gone = [...usual].filter((line) => !found.includes(line));
      lines.push(
        `# ${seed}`,
        ...found.filter((line) => !usual.has(line)),
        ...gone.map((line) => `gone: ${line.slice(0, 60)}`),
      );
    }
    await expect(`${lines.join('\n')}\n`).toMatchFileSnapshot(`linted-as/${file.replace('.json', '.txt')}`);
  });
});
