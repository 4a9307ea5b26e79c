import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  bandWords,
  chartPage,
  entriesOf,
  entryOf,
  eventsInForce,
  familyEntry,
  foldWalk,
  handOnSheet,
  lint,
  pocketCard,
  type Sheet,
  sheetDefinition,
  sheetText,
  WalkEvent,
  walkChart,
  writeReadings,
} from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

const bundle = glasswasher();
const parameters = new Map(familyEntry(bundle).parameters.map((p) => [p.id, p.value]));
const k19 = entryOf(bundle, 'code', 'k19');
const chart = entryOf(bundle, 'chart', 'rinse-heat');
if (!k19 || !chart) throw new Error('the demo has K19 and its chart');
const of = { bundle, chart, parameters, subject: k19 };

const walkId = '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11';
const events = (...happenings: object[]): WalkEvent[] =>
  [{ kind: 'started', family: bundle.family, bundle: 'x', from: { kind: 'code', code: 'k19' } }, ...happenings].map(
    (h, seq) =>
      WalkEvent.parse({
        ...h,
        id: `0b9a7e52-41b3-4c6e-9d55-${String(seq).padStart(12, '0')}`,
        walk: walkId,
        seq,
        at: `2031-01-0${1 + Math.floor(seq / 9)}T08:0${seq % 9}:00.000Z`,
      }),
  );
const answered = (node: string, answer: string, more: object = {}) => ({
  kind: 'answered',
  chart: 'rinse-heat',
  node,
  answer,
  reading: null,
  ...more,
});
const reading = {
  typed: '14.0k',
  quantity: 'resistance',
  value: 14_000,
  atCelsius: 22,
  least: 12_800,
  most: 14_400,
  verdict: 'pass',
  instrument: 'meter',
};
const walked = events(
  {
    kind: 'unit',
    machine: '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d99',
    serial: 'G4-1',
    model: 'G4-20B',
    software: '2.6',
    variant: 'single-late',
  },
  { kind: 'code-taken', code: 'k19', slot: 1, readout: 'lamps' },
  answered('look-scale', 'no', { skipped: 'no lamp with me' }),
  answered('isolate', 'done'),
  answered('sensor', 'pass', { reading }),
  { kind: 'suspected', chart: 'rinse-heat', node: 'element', part: 'drain-hose', text: 'chafed' },
  answered('element', 'pass', {
    reading: { ...reading, typed: '17', value: 17, atCelsius: null, least: 16.2, most: 19 },
  }),
  answered('contactor', 'yes'),
  answered('supply-ask', 'yes, at the same time'),
);

const blocksOf = (sheet: Sheet, kind: string) => sheet.blocks.filter((b) => b.kind === kind);

describe('sheets', () => {
  it('a page holds every step with where its answers lead, and what can hurt before them', () => {
    const page = chartPage(of);
    const [steps] = blocksOf(page, 'steps');
    if (steps?.kind !== 'steps') throw new Error('steps');
    expect(steps.steps).toHaveLength(chart.nodes.length);
    const numbers = new Set(steps.steps.map((s) => s.number));
    for (const way of steps.steps.flatMap((s) => s.ways)) expect(numbers).toContain(way.split(' › ').at(-1));
    const warned = page.blocks.findIndex((b) => b.kind === 'text' && b.tone === 'warning');
    expect(warned).toBeGreaterThanOrEqual(0);
    expect(warned).toBeLessThan(page.blocks.findIndex((b) => b.kind === 'steps'));
  });

  it('a card has the code large with the way to its trail, verdicts where they are led to, and the run that proves it', () => {
    const card = pocketCard({ ...of, address: 'http://127.0.0.1/trail?find=K19' });
    expect(card.blocks[0]).toMatchObject({ kind: 'code', text: 'K19', address: 'http://127.0.0.1/trail?find=K19' });
    const text = sheetText(card);
    expect(text).toContain('low, high › Rinse sensor out of its good range');
    expect(text).toContain('Proved after 3 warm-ups without it.');
    expect(text).toContain('does not say that a unit is safe');
  });

  it.each(
    entriesOf(bundle, 'chart').flatMap((c) =>
      c.nodes.flatMap((n) => (n.kind === 'measure' ? [[`${c.id} ${n.id}`, n] as const] : [])),
    ),
  )('the good band of %s is written out', (_, node) => {
    const words = bandWords(
      node.band,
      node,
      new Map([...parameters, ['volt-least' as never, 207], ['volt-most' as never, 253]]),
    );
    expect(words).toMatch(/\d/);
    expect(words).not.toMatch(/\?|NaN|undefined|null/);
  });

  it('the hand-on sheet tells unit, code, readings with time and meter, what is ruled out and what is not, and what was seen', () => {
    const walk = foldWalk(walked);
    if (!walk) throw new Error('walk');
    const chartWalk = walkChart(chart, walk.answers, { charts: () => undefined });
    expect(chartWalk.end?.kind).toBe('verdict');
    const text = sheetText(handOnSheet({ bundle, walk, chartWalk, subject: k19 }));
    for (const said of [
      'The supply sags. To a licensed electrician.',
      'serial number · G4-1',
      'variant · Single phase, software 2.4 and up',
      'slot 1: K19 Rinse tank slow to warm',
      '08:05 · Measure the rinse sensor · 14 kΩ at 22 °C (good: 12.8 kΩ to 14.4 kΩ), Hand-held multimeter · pass',
      'Is the element white with scale? passed over, no lamp with me',
      'Drain hose: chafed',
    ])
      expect(text).toContain(said);
    // the scale was never looked at, so that it is not ruled out; sensor, element and contactor are
    const [, out = '', left = ''] = /RULED OUT([\s\S]*?)NOT RULED OUT([\s\S]*?)\n\n/.exec(text) ?? [];
    expect(out).toContain('Rinse temperature sensor');
    expect(out).toContain('Rinse heating element');
    expect(out).not.toContain('Scale');
    expect(left).toContain('Scale on the element');
    expect(left).toContain('Mains supply');
  });

  it('pictures of the walk stand on the hand-on sheet with the step they were taken at; a clip is named on paper', () => {
    const walk = foldWalk(walked);
    if (!walk) throw new Error('walk');
    const of_ = { station: 'test', chart: 'rinse-heat', node: 'sensor', at: '2031-01-01T08:05:00.000Z' };
    const pictures = [
      { ...of_, id: '1', words: 'rust', type: 'image/jpeg', data: 'AAAA' },
      { ...of_, id: '2', chart: null, node: null, words: '', type: 'video/webm', data: 'BBBB' },
    ] as never;
    const sheet = handOnSheet({ bundle, walk: { ...walk, pictures }, chartWalk: null, subject: k19 });
    const text = sheetText(sheet);
    expect(text).toContain('PICTURES\n- Measure the rinse sensor: rust\n- Without words');
    const definition = JSON.stringify(sheetDefinition(sheet));
    expect(definition).toContain('data:image/jpeg;base64,AAAA');
    expect(definition).not.toContain('BBBB');
    expect(definition).toContain('Without words (a clip; it is in the log)');
    expect(sheetText(handOnSheet({ bundle, walk, chartWalk: null, subject: k19 }))).not.toContain('PICTURES');
  });

  it('definitions name only the faces that are brought, and hold every word of the sheet', () => {
    const definition = JSON.stringify(sheetDefinition(chartPage(of)));
    const fonts = new Set([...definition.matchAll(/"font":"(\w+)"/g)].map((m) => m[1]));
    expect(fonts).toEqual(new Set(['Body', 'Code']));
    for (const node of chart.nodes) expect(definition).toContain(node.title);
  });

  it('readings as CSV: one row each, in order, with units, band and meter', () => {
    const [header, ...rows] = writeReadings([walked], bundle).trim().split('\r\n');
    expect(header).toContain('verdict');
    expect(rows).toHaveLength(2);
    expect(rows[0]).toBe(
      `2031-01-01T08:05:00.000Z,${walkId},brindlewick-g4,G4-1,k19,rinse-heat,Measure the rinse sensor,before,14.0k,14000,resistance,,22,12800,14400,pass,meter`,
    );
  });

  it('nothing of a taken-back reading is written', () => {
    const back = [
      ...walked,
      ...events(...Array.from({ length: 9 }, () => ({ kind: 'resumed' })), {
        kind: 'taken-back',
        event: walked[5]?.id,
      }).slice(-1),
    ];
    expect(eventsInForce(back).length).toBeLessThan(walked.length);
    expect(writeReadings([back], bundle).trim().split('\r\n')).toHaveLength(2);
  });
});

it('printing asks nothing of the library that is not there', () => {
  const bare: Bundle = {
    ...bundle,
    entries: bundle.entries.filter((e) => e.kind !== 'hazard' && e.kind !== 'instrument'),
  };
  expect(lint(bare).length).toBeGreaterThan(0);
  expect(sheetText(chartPage({ ...of, bundle: bare }))).toContain('Measure the rinse sensor');
});
