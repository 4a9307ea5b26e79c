import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  Band,
  type Bundle,
  type ChartKnown,
  choicesOf,
  decode,
  encode,
  entriesOf,
  entryOf,
  type Given,
  lint,
  lintAll,
  looksOf,
  nodeKinds,
  readBundle,
  type Step,
  seeded,
  showsCode,
  signsOfReads,
  specialMeans,
  sweepPlan,
  touchedBy,
  walkChart,
} from '../index.ts';
import { eachStep } from '../model/steps.ts';

const demo = new URL('../../../demo/', import.meta.url);
const bundles = readdirSync(demo)
  .filter((f) => f.endsWith('.json'))
  .map((file): Bundle => {
    const read = readBundle(JSON.parse(readFileSync(new URL(file, demo), 'utf8')));
    if (!read.ok) throw new Error(file);
    return read.value;
  });
const stepsIn = (bundle: Bundle): Step[] =>
  entriesOf(bundle, 'route').flatMap((r) => eachStep(r.steps, []).map(({ step }) => step));
const kinds: ReadonlyArray<Exclude<Step['kind'], 'bypass'>> = [
  'press',
  'hold',
  'keep',
  'release',
  'turn',
  'sweep',
  'set',
  'rest',
  'step-list',
  'dial',
  'choose',
  'see',
  'group',
  'branch',
  'at-place',
  'say',
];

describe('the demo', () => {
  const all = bundles.flatMap(stepsIn);
  it.each(kinds)('has a route with a step of kind %s', (kind) => expect(all.some((s) => s.kind === kind)).toBe(true));
  it('never holds an interlock false', () => expect(all.some((s) => s.kind === 'bypass')).toBe(false));
  it('has routes in at least seven families', () =>
    expect(bundles.filter((b) => stepsIn(b).length > 0).length).toBeGreaterThanOrEqual(7));
  it('has signs that must, may and must not show, any key, a window from power-on and one from a sign', () => {
    const musts = new Set(all.flatMap((s) => (s.kind === 'see' ? [s.must] : [])));
    expect(musts).toEqual(new Set(['must', 'may', 'must-not']));
    expect(all.some((s) => s.kind === 'press' && s.control === 'any')).toBe(true);
    const from = new Set(all.flatMap((s) => (s.kind === 'group' && s.window ? [s.window.from.kind] : [])));
    expect(from).toEqual(new Set(['power-on', 'sign', 'step-before']));
  });
  it('has two families of which two generations are entered otherwise', () => {
    const families = bundles.filter((b) => {
      const ways = entriesOf(b, 'route').filter((r) => r.purpose === 'enter' && r.onlyVariants.length > 0);
      return new Set(ways.flatMap((r) => r.onlyVariants)).size > 1 && ways.length > 1;
    });
    expect(families.length).toBeGreaterThanOrEqual(2);
  });
  it('has three tellings of one route that disagree, one difference of them settled', () => {
    const told = bundles.flatMap((b) => entriesOf(b, 'account'));
    expect(told).toHaveLength(3);
    expect(new Set(told.map((a) => a.route)).size).toBe(1);
    const route = bundles.flatMap((b) => entriesOf(b, 'route')).find((r) => r.id === told[0]?.route);
    expect(route?.settled.filter((s) => !s.open)).toHaveLength(1);
  });
  it('has routes of every purpose', () => {
    const purposes = new Set(bundles.flatMap((b) => entriesOf(b, 'route').map((r) => r.purpose)));
    expect(purposes).toEqual(new Set(['enter', 'leave', 'step', 'clear', 'calibrate', 'lock-out', 'test']));
  });
  const readouts = bundles.flatMap((b) => entriesOf(b, 'readout'));
  it.each(['lamps', 'blinks', 'rhythm', 'which', 'text', 'value', 'pair', 'bytes'] as const)(
    'has a readout read by %s',
    (kind) => expect(readouts.some((r) => r.stages.some((s) => s.reads.kind === kind))).toBe(true),
  );
  it('has stages that come at once, by colour, in turn and by a gesture; a table that depends on an earlier stage; lamps that do not count', () => {
    const stages = readouts.flatMap((r) => r.stages);
    for (const comes of ['at-once', 'colour', 'alternates', 'route', 'sign'])
      expect(stages.some((s) => s.comes.kind === comes)).toBe(true);
    expect(stages.some((s) => 'to' in s.reads && s.reads.to.kind === 'by-stage')).toBe(true);
    expect(stages.some((s) => 'heard' in s.reads && s.reads.heard)).toBe(true);
    expect(stages.some((s) => s.reads.kind === 'blinks' && s.reads.leadIn)).toBe(true);
    expect(stages.some((s) => s.reads.kind === 'text' && s.reads.face === 'segments')).toBe(true);
  });
  it('has sub codes by table and by counting, marks, slots in rotation, vectors that hold, an account that differs', () => {
    expect(new Set(readouts.flatMap((r) => (r.sub ? [r.sub.names.kind] : [])))).toEqual(new Set(['table', 'count']));
    expect(readouts.some((r) => r.marks.length > 0) && readouts.some((r) => r.slots.rotatesMs)).toBe(true);
    expect(readouts.filter((r) => r.vectors.length > 0).length).toBeGreaterThanOrEqual(8);
    expect(bundles.flatMap(lintAll).some((l) => l.finding.code === 'readings-differ')).toBe(true);
  });
  it('has signs that are no code, of every sort', () => {
    const means = new Set(readouts.flatMap((r) => r.specials.map((s) => s.means)));
    expect([...specialMeans].filter((m) => !means.has(m))).toEqual([]);
  });
  it('has one sign that means different things in different modes', () => {
    const meanings = bundles.map((b) => {
      const bySign = new Map<string, Set<string>>();
      for (const r of entriesOf(b, 'readout'))
        for (const sign of r.stages.flatMap((s) => signsOfReads(s.reads)))
          bySign.set(sign, new Set([...(bySign.get(sign) ?? []), ...r.modes]));
      return [...bySign.values()].some((modes) => modes.size > 1);
    });
    expect(meanings.filter(Boolean).length).toBeGreaterThanOrEqual(2);
  });
  it('has at least two families whose codes come from more than one controller', () => {
    expect(bundles.filter((b) => sweepPlan(b, []).length > 1).length).toBeGreaterThanOrEqual(2);
  });
  it('decode ∘ encode is the identity for every code of every readout', () => {
    for (const bundle of bundles)
      for (const readout of entriesOf(bundle, 'readout')) {
        const texts = [...new Set(entriesOf(bundle, 'code').flatMap((c) => (showsCode(readout, c) ? [c.text] : [])))];
        const listed = texts.map((text) => ({ text, frequency: 1 }));
        for (const text of texts) {
          const shows = encode(readout, text);
          if (!shows.ok) continue;
          const [first] = decode(readout, listed, { slot: 1, looks: looksOf(readout, shows.value) }).candidates;
          expect([readout.id, first?.code, first?.misread]).toEqual([readout.id, text, []]);
        }
      }
  });
  const charts = bundles.flatMap((b) => entriesOf(b, 'chart'));
  it('has at least eighteen charts over the eight families, two of them shared between families', () => {
    const shared = new Set(charts.flatMap((c) => (c.family === null ? [c.id] : [])));
    expect(new Set(charts.map((c) => `${c.family} ${c.id}`)).size).toBeGreaterThanOrEqual(18);
    expect(bundles.filter((b) => entriesOf(b, 'chart').length === 0)).toEqual([]);
    expect(shared.size).toBe(2);
    for (const id of shared)
      expect(bundles.filter((b) => entriesOf(b, 'chart').some((c) => c.id === id)).length).toBeGreaterThanOrEqual(2);
  });
  it.each(nodeKinds)('has a chart with a step of kind %s', (kind) =>
    expect(charts.some((c) => c.nodes.some((n) => n.kind === kind))).toBe(true),
  );
  it.each(Band.options.map((o) => o.shape.kind.value))('has a good band of kind %s', (kind) =>
    expect(charts.some((c) => c.nodes.some((n) => n.kind === 'measure' && n.band.kind === kind))).toBe(true),
  );
  it('has steps that end in every verdict, splits by what is known, and every thing that is watched', () => {
    const nodes = charts.flatMap((c) => c.nodes);
    const of = (values: Array<string | null | undefined>) => new Set(values.filter(Boolean));
    expect(of(nodes.map((n) => (n.kind === 'verdict' && n.verdict ? n.verdict : null))).size).toBe(5);
    expect(of(nodes.map((n) => (n.kind === 'split' ? n.by.kind : null)))).toEqual(
      new Set(['code', 'variant', 'answer', 'reading']),
    );
    expect(of(nodes.map((n) => (n.kind === 'operate' ? n.watch?.kind : null))).size).toBeGreaterThanOrEqual(2);
  });
  it('has one chart that serves several codes, and says so', () => {
    for (const bundle of bundles)
      for (const chart of entriesOf(bundle, 'chart'))
        expect([chart.id, touchedBy(bundle.entries, chart.id).length]).not.toEqual([chart.id, 0]);
    expect(
      touchedBy(bundles.find((b) => b.family === 'ostrel-r6')?.entries ?? [], 'glass-sensor' as never),
    ).toHaveLength(4);
  });
  it('has no chart that a walk does not come to an end on, and no verdict that no answers lead to', () => {
    const random = seeded(7);
    for (const bundle of bundles)
      for (const own of entriesOf(bundle, 'chart')) {
        const reached = new Set<string>();
        const known: ChartKnown = { charts: (id) => entryOf(bundle, 'chart', id) };
        for (let run = 0; run < 400; run++) {
          const answers: Given[] = [];
          let walk = walkChart(own, answers, known);
          for (let i = 0; i < 200 && !walk.ended; i++) {
            const choices = choicesOf(walk.at, walk.chart);
            const choice = choices[Math.floor(random() * choices.length)];
            answers.push({ chart: walk.chart.id, node: walk.at.id, answer: choice?.answer ?? '' });
            walk = walkChart(own, answers, known);
          }
          expect([own.id, walk.ended]).toEqual([own.id, true]);
          if (walk.chart.id === own.id) reached.add(walk.at.id);
        }
        const verdicts = own.nodes.flatMap((n) => (n.kind === 'verdict' ? [n.id] : []));
        expect([own.id, verdicts.filter((id) => !reached.has(id))]).toEqual([own.id, []]);
      }
  });
  it('has no finding that would keep it from being published', () => {
    for (const bundle of bundles) {
      expect(lint(bundle)).toEqual([]);
      // what was let stand is still found: nothing was accepted that is not there
      const kept = bundle.entries.reduce((n, e) => n + (e.accepted?.length ?? 0), 0);
      expect(lintAll(bundle).filter((l) => l.accepted).length).toBe(kept);
    }
  });
});
