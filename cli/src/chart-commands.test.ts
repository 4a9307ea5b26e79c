import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const demo = (name: string) => fileURLToPath(new URL(`../../demo/${name}`, import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'wire-trail-cli-'));
const file = (name: string, content: unknown) => {
  const path = join(folder, name);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
};
async function cli(...argv: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const status = await run(argv, { env: {}, out: (t) => out.push(t), err: (t) => err.push(t) });
  const json = argv.includes('--json') ? JSON.parse(out.join('\n')) : null;
  return { status, out: out.join('\n'), err: err.join('\n'), json };
}
type Kept = { kind: string; id: string };
const washer = demo('brindlewick-g4.json');

describe('walk', () => {
  const answers = [
    { node: 'look-scale', answer: 'no' },
    { node: 'isolate', answer: 'done' },
    { node: 'sensor', reading: '9k1', temperature: '22 °C' },
  ];
  it('follows a chart through answers and readings to its verdict', async () => {
    const { json, status } = await cli(
      'walk',
      washer,
      '--chart',
      'rinse-heat',
      '--answers',
      file('a.json', { answers }),
      '--json',
    );
    expect(status).toBe(0);
    expect(json).toMatchObject({
      end: 'verdict',
      verdict: { verdict: 'cause-found', cause: 'rinse-sensor' },
      minutes: 12,
    });
    expect(json.path.at(-1)).toMatchObject({ node: 'sensor', answer: 'low', reading: { value: 9100 } });
  });
  const until = [
    { node: 'look-scale', answer: 'no' },
    { node: 'isolate', answer: 'done' },
    { node: 'sensor', reading: '12k1', temperature: '25 °C' },
  ];
  const walked = async (more: object, ...options: string[]) =>
    cli('walk', washer, '--chart', 'rinse-heat', '--answers', file('v.json', more), ...options);
  it('says that it needs the plate where a reading is good on one variant and not on another', async () => {
    const element = [...until, { node: 'element', reading: '18' }];
    const { json } = await walked({ answers: element }, '--json');
    expect(json).toMatchObject({ end: 'needs-plate', verdict: null, at: 'element' });
    expect(json.needsPlate.map((c: { answer: string }) => c.answer).sort()).toEqual(['high', 'pass']);
    const { out } = await walked({ answers: element });
    expect(out).toMatch(/Three phase.*: too high; there 10.8 Ω to 12.7 Ω is good/);
    expect(out).toMatch(/needs the plate: .*What tells: the model number\./);
    const known = await walked({ answers: element, variant: 'single-late' }, '--json');
    expect(known.json.path.at(-1)).toMatchObject({ node: 'element' });
    expect(known.json.end).not.toBe('needs-plate');
  });
  it('refuses a variant the family does not have, and what is no measurement or no amount, at its place', async () => {
    expect((await walked({ answers: until, variant: 'none' })).err).toMatch(/variant: is none of single-early/);
    expect((await walked({ answers: until, earlier: { 'look-scale': '3' } })).err).toMatch(
      /earlier\.look-scale: is no measurement of it/,
    );
    expect((await walked({ answers: until, earlier: { sensor: 'a lot' } })).err).toMatch(
      /earlier\.sensor: .*not a number/,
    );
    expect((await walked({ answers: until, settings: { any: 'much' } })).err).toMatch(
      /settings\.any: “much” is no number/,
    );
  });
  it('takes several readings with their times, and readings that were taken before', async () => {
    const pe = demo('pellgrave-p8.json');
    const rate = (readings: object) =>
      cli(
        'walk',
        pe,
        '--chart',
        'warm-up',
        '--answers',
        file('r.json', {
          answers: [
            { node: 'door', answer: 'yes' },
            { node: 'rate', readings },
          ],
        }),
        '--json',
      );
    const slow = await rate([
      { reading: '40 °C' },
      { reading: '41 °C', after: '2 min' },
      { reading: '42 °C', after: '4 min' },
    ]);
    expect(slow.json.path.at(-1)).toMatchObject({
      node: 'rate',
      reading: { as: 'seconds', value: null, points: [{ value: 40 }, { afterMs: 120_000 }, { value: 42 }] },
    });
    const bad = await rate([{ reading: '40 °C' }, { reading: '41 °C', after: 'later' }]);
    expect(bad.status).not.toBe(0);
    expect(bad.out).toMatch(/readings.*after/s);
  });
  it('goes into charts that are called', async () => {
    const pe = demo('pellgrave-p8.json');
    const called = [
      { node: 'door', answer: 'yes' },
      { node: 'rate', answer: 'high' },
    ];
    const { json } = await cli(
      'walk',
      pe,
      '--chart',
      'warm-up',
      '--answers',
      file('b.json', { answers: called }),
      '--json',
    );
    const air = JSON.parse(readFileSync(pe, 'utf8')).entries.find((e: Kept) => e.kind === 'chart' && e.id === 'air');
    // the walk stands at the first question of the chart that was called
    expect([json.end, json.at]).toEqual([null, air.start]);
  });
  it.each([
    [
      'a step the walk is not at',
      [{ node: 'sensor', answer: 'low' }],
      /answers\[0\]\.node: the walk stands at “look-scale”/,
    ],
    ['an answer the step does not take', [{ node: 'look-scale', answer: 'perhaps' }], /does not take “perhaps”/],
    ['no answer', [{ node: 'look-scale' }], /answers\[0\]\.answer: is missing/],
    [
      'a temperature below absolute zero',
      [...answers.slice(0, 2), { node: 'sensor', reading: '9k', temperature: '-300' }],
      /answers\[2\]\.temperature: reading below absolute zero/,
    ],
    [
      'a reading that is none',
      [...answers.slice(0, 2), { node: 'sensor', reading: '12,3.4', temperature: '20' }],
      /answers\[2\]\.reading: reading not a number/,
    ],
  ])('%s is told at its place', async (_, wrong, message) => {
    const { status, err } = await cli(
      'walk',
      washer,
      '--chart',
      'rinse-heat',
      '--answers',
      file('w.json', { answers: wrong }),
    );
    expect([status, err]).toEqual([2, expect.stringMatching(message)]);
  });
  it('a chart that is not there is told with those that are', async () => {
    const { err } = await cli('walk', washer, '--chart', 'none', '--answers', file('n.json', { answers: [] }));
    expect(err).toContain('has no chart “none”; it has rinse-heat, drain');
  });
});

describe('measure', () => {
  it.each([
    [
      'Beta',
      ['--thermistor', 'r25=12000,beta=3740,tolerance=0.06', '--ohm', '12k', '--at', '25'],
      { verdict: 'pass', celsius: 25 },
    ],
    [
      'Steinhart–Hart',
      ['--thermistor', 'a=0.001129148,b=0.000234125,c=0.0000000876741,tolerance=0.05', '--ohm', '10k', '--at', '77 °F'],
      { verdict: 'pass' },
    ],
    [
      'a table',
      ['--thermistor', 'table=0:32000,25:10000,50:3600', '--ohm', '10000', '--at', '25'],
      { band: { middle: 10_000 } },
    ],
    [
      'an element',
      ['--element', 'watt=3000,volt=230,tolerance=0.08', '--ohm', 'OL'],
      { verdict: 'high', named: 'open', value: null },
    ],
    [
      'too close with a poor meter',
      ['--thermistor', 'r25=12000,beta=3740,tolerance=0.06', '--ohm', '12.7k', '--at', '25', '--accuracy', '0.01'],
      { verdict: 'too-close' },
    ],
    ['nothing measured yet', ['--element', 'watt=2000,volt=200'], { verdict: null, band: { least: 20, most: 20 } }],
  ])('%s', async (_, argv, expected) => {
    const { json, status } = await cli('measure', ...argv, '--json');
    expect(status).toBe(0);
    const rounded = JSON.parse(JSON.stringify(json), (_k, v) => (typeof v === 'number' ? Number(v.toFixed(6)) : v));
    expect(rounded).toMatchObject(expected);
  });
  it.each([
    [['--thermistor', 'r25=12000,beta=0', '--at', '20'], /--thermistor.*band impossible, field betaK/],
    [['--thermistor', 'r25=12000,beta=3000', '--at', '-280'], /--at.*absolute zero/],
    [['--thermistor', 'r25=12000,beta=3000', '--at', '20', '--ohm', '—'], /--ohm.*not a number/],
    [['--thermistor', 'r25=12000,beta=3000', '--at', '20', '--ohm', '1e400'], /--ohm.*too large/],
    [['--thermistor', 'r25=x'], /“x” is no number/],
    [['--thermistor', 'watt=3'], /“watt” is none of/],
    [['--thermistor', 'table=20:x'], /--thermistor/],
    [[], /wants --thermistor or --element/],
  ])('%j is told at its option', async (argv, message) => {
    const { status, err } = await cli('measure', ...argv);
    expect([status, err]).toEqual([2, expect.stringMatching(message)]);
  });
});

describe('exchange', () => {
  it('a chart goes out as Mermaid and comes back the same', async () => {
    const out = await cli('exchange', 'mermaid', washer, '--chart', 'fill');
    const back = await cli('exchange', 'mermaid', file('fill.mmd', out.out), '--chart', 'fill', '--json');
    const own = JSON.parse(readFileSync(washer, 'utf8')).entries.find(
      (e: { id: string; kind: string }) => e.kind === 'chart' && e.id === 'fill',
    );
    expect(back.json.chart.nodes.map((n: { id: string }) => n.id).sort()).toEqual(
      own.nodes.map((n: { id: string }) => n.id).sort(),
    );
    const again = await cli('exchange', 'mermaid', washer, '--chart', 'fill', '--bare');
    expect(again.out).not.toContain(' has {');
  });
  it('another kind of diagram is refused by its name', async () => {
    const { status, err } = await cli('exchange', 'mermaid', file('s.mmd', 'sequenceDiagram\n A->>B: hi'));
    expect([status, err]).toEqual([
      2,
      expect.stringMatching(/line\.1|line\[1\]|line.*sequenceDiagram; only flowcharts/),
    ]);
  });
  it('a numbered list comes out as a chart, with what was guessed', async () => {
    const { json } = await cli(
      'exchange',
      'mermaid',
      file('l.txt', '1. Is it clean? If not, clean it.\n2. Hand it on.'),
      '--json',
    );
    expect(json).toMatchObject({ as: 'numbered', chart: { start: 'is-it-clean' } });
  });
  it('readings of the demo’s walks as CSV', async () => {
    const { out } = await cli('exchange', 'csv', demo('walks/harbour-scale.json'), '--bundle', washer);
    const [header, ...rows] = out.split('\r\n');
    expect(header).toContain('good from');
    expect(rows.length).toBeGreaterThan(0);
    expect(rows[0]).toContain('Measure the rinse sensor');
  });
  it.each([
    ['page', [], ['Rinse tank does not warm as it should', 'Measure the rinse sensor', '12.7 kΩ at 25 °C']],
    ['card', ['--card'], ['K19', 'Brindlewick G4', 'Proved after 3 warm']],
  ])('a %s as PDF holds what it should', async (name, more, expected) => {
    const out = join(folder, `${name}.pdf`);
    const { status } = await cli('exchange', 'pdf', washer, '--code', 'k19', '--out', out, ...more);
    expect(status).toBe(0);
    const pdf = await getDocument({ data: new Uint8Array(readFileSync(out)), verbosity: 0 }).promise;
    const pages = await Promise.all(
      Array.from({ length: pdf.numPages }, async (_, i) => (await (await pdf.getPage(i + 1)).getTextContent()).items),
    );
    const text = pages
      .flat()
      .map((item) => ('str' in item ? item.str : ''))
      .join(' ')
      .replace(/\s+/g, ' ');
    for (const words of expected) expect(text).toContain(words);
  });
  it('a PDF of a code that is not there is told', async () => {
    const { status, err } = await cli('exchange', 'pdf', washer, '--code', 'z99', '--out', join(folder, 'z.pdf'));
    expect([status, err]).toEqual([2, expect.stringMatching(/no code or symptom “z99”/)]);
  });
});
