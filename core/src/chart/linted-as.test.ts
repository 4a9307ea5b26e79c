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
  // another good range altogether, what it is told in the title, another meter
  (node, chart, draw) =>
    of(node, 'kind') === 'measure'
      ? {
          ...node,
          ...[
            {
              band: { kind: 'fixed', least: 27, most: 32 },
              title: `Coil, ${['27 to 32', '20 to 32', '27 to 32.2', '2.7 to 3.2'][draw(4)]} ${['Ω', 'kΩ', 'V', 'boxes'][draw(4)]}`,
            },
            {
              band: {
                kind: 'table',
                rows: [0, 50].map((atCelsius) => ({ atCelsius, ohm: 9000 - atCelsius * 100 })),
                toleranceRatio: 0.1,
              },
              measuredAt: { leastCelsius: [-5, 0, 10][draw(3)], mostCelsius: [40, 50, 60][draw(3)] },
              title: 'Sensor, 8 to 9 kΩ',
            },
            { band: { kind: 'ratio', to: chart.nodes[draw(chart.nodes.length)]?.id, least: 0.9, most: null } },
            { band: { kind: 'fixed', least: -400, most: -300 }, quantity: 'temperature' },
            {
              band: {
                kind: 'element',
                powerWatt: { parameter: 'nobody-has-it' },
                supplyVolt: 230,
                toleranceRatio: 0.05,
              },
            },
            { band: { kind: 'insulation', leastOhm: 1e6, testVolt: [0, 500][draw(2)] } },
          ][draw(6)],
          instrument: ['meter', 'gauge', 'thermometer', 'insulation', 'bench-meter'][draw(5)],
        }
      : node,
  // a branch by an earlier reading, with spans that may meet, overlap or leave something out
  (node, chart, draw) => {
    const read = chart.nodes.find((n) => n.kind === 'measure')?.id;
    if (of(node, 'kind') !== 'split' && draw(4) > 0) return node;
    const bound = () => [null, 1, 5, 5, 9][draw(5)] ?? null;
    const cases = ['low', 'high'].map((is) => ({ is, within: { least: bound(), most: bound() }, next: chart.start }));
    return {
      id: of(node, 'id'),
      kind: 'split',
      title: 'By the reading',
      by: { kind: 'reading', node: read },
      cases,
      hazards: [],
      tools: [],
      ways: [],
      minutes: 1,
      about: [],
      pictures: [],
    };
  },
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
    for (let seed = 1; seed <= 110; seed += 1) {
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
