import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  ChartNode,
  type Entry,
  type EntryKind,
  entriesOf,
  entryOf,
  familyOf,
  keyOf,
  keyText,
  linksOf,
  occurrencesIn,
  titleOf,
  validate,
} from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';
import { anyChart } from '../testing/charts.ts';

type Loose = { [key: string]: unknown };
const changed = (kind: EntryKind, id: string, change: (entry: Loose) => Loose) => {
  const bundle = glasswasher();
  return {
    ...bundle,
    entries: bundle.entries.map((e) =>
      e.kind === kind && e.id === id ? (change(structuredClone(e) as unknown as Loose) as unknown as Entry) : e,
    ),
  };
};
const inRoute = (step: object) => changed('route', 'next-slot', (r) => ({ ...r, steps: [step] }));
const inNode = (id: string, change: object) =>
  changed('chart', 'rinse-heat', (c) => ({
    ...c,
    nodes: (c.nodes as Loose[]).map((n) => (n.id === id ? { ...n, ...change } : n)),
  }));
const shown = { kind: 'lamp', sign: 'gone', state: 'lit' };

describe('validate', () => {
  it.each<[string, ReturnType<typeof glasswasher>, string, string]>([
    ['a pressed control', inRoute({ kind: 'press', control: 'gone', times: 1 }), 'control', 'steps.0.control'],
    [
      'a held control',
      inRoute({
        kind: 'hold',
        controls: [{ control: 'gone' }],
        until: { kind: 'moment', moment: { kind: 'power-on' } },
      }),
      'control',
      'steps.0.controls.0.control',
    ],
    [
      'a place of a held control',
      inRoute({ kind: 'keep', controls: [{ control: 'rocker', place: 'gone' }], during: [] }),
      'place',
      'steps.0.controls.0.place',
    ],
    [
      'a control within a kept one',
      inRoute({
        kind: 'keep',
        controls: [{ control: 'rocker' }],
        during: [{ kind: 'turn', control: 'gone', clicks: 1, way: 'cw' }],
      }),
      'control',
      'steps.0.during.0.control',
    ],
    ['a place a control is set to', inRoute({ kind: 'set', control: 'hood', to: 'gone' }), 'place', 'steps.0.to'],
    [
      'the stop of a sweep',
      inRoute({ kind: 'sweep', control: 'rocker', turns: 1, way: 'cw', stopAt: 'gone' }),
      'place',
      'steps.0.stopAt',
    ],
    [
      'a dialling control',
      inRoute({ kind: 'dial', by: { kind: 'each', up: ['gone'], down: [] }, text: '1', start: '0' }),
      'control',
      'steps.0.by.up.0',
    ],
    [
      'a listed control',
      inRoute({ kind: 'step-list', control: 'gone', to: 4, by: 'press' }),
      'control',
      'steps.0.control',
    ],
    ['a sign to see', inRoute({ kind: 'see', must: 'must', signs: [shown] }), 'sign', 'steps.0.signs.0.sign'],
    [
      'the sign a window starts at',
      inRoute({
        kind: 'group',
        times: 1,
        steps: [{ kind: 'say', text: 'x' }],
        window: { from: { kind: 'sign', shown, nth: 1 }, mostMs: 1 },
      }),
      'sign',
      'steps.0.window.from.shown.sign',
    ],
    [
      'the sign a hold lasts until',
      inRoute({
        kind: 'hold',
        controls: [{ control: 'rocker', place: 'down' }],
        until: { kind: 'moment', moment: { kind: 'sign', shown, nth: 1 } },
      }),
      'sign',
      'steps.0.until.moment.shown.sign',
    ],
    [
      'the sign of a branch',
      inRoute({ kind: 'branch', on: { kind: 'sign', shown }, met: [], otherwise: [] }),
      'sign',
      'steps.0.on.shown.sign',
    ],
    [
      'a control in a branch',
      inRoute({
        kind: 'branch',
        on: { kind: 'nothing-done', withinMs: 1 },
        met: [],
        otherwise: [{ kind: 'press', control: 'gone', times: 1 }],
      }),
      'control',
      'steps.0.otherwise.0.control',
    ],
    [
      'a variant of a route',
      changed('route', 'next-slot', (r) => ({ ...r, onlyVariants: ['gone'] })),
      'variant',
      'onlyVariants.0',
    ],
    [
      'a lamp of a readout',
      changed('readout', 'lamps', (r) => ({
        ...r,
        stages: [{ id: 's', reads: { kind: 'lamps', lamps: [{ sign: 'gone' }] }, comes: { kind: 'at-once' } }],
        compose: [],
        vectors: [],
      })),
      'sign',
      'stages.0.reads.lamps.0.sign',
    ],
    [
      'a sign of a special',
      changed('readout', 'lamps', (r) => ({ ...r, specials: [{ id: 'x', signs: [shown] }] })),
      'sign',
      'specials.0.signs.0.sign',
    ],
    [
      'a stage of the code’s text',
      changed('readout', 'lamps', (r) => ({ ...r, compose: [{ kind: 'stage', stage: 'gone' }] })),
      'stage',
      'compose.0.stage',
    ],
    [
      'a controller of a code',
      changed('code', 'k19', (c) => ({ ...c, controller: 'gone' })),
      'controller',
      'controller',
    ],
    [
      'a part of a suspect',
      changed('code', 'k19', (c) => ({ ...c, suspects: [{ label: 'x', part: 'gone' }] })),
      'part',
      'suspects.0.part',
    ],
    [
      'a parameter of a variant',
      changed('family', 'brindlewick-g4', (f) => ({
        ...f,
        variants: [{ ...(f.variants as Loose[])[0], values: { gone: 1 } }],
      })),
      'parameter',
      'variants.0.values.gone',
    ],
    [
      'a parameter of a band',
      inNode('element', {
        band: { kind: 'element', powerWatt: { parameter: 'gone' }, supplyVolt: 1, toleranceRatio: 0 },
      }),
      'parameter',
      'nodes.4.band.powerWatt.parameter',
    ],
    ['a node that is led to', inNode('element', { high: 'gone' }), 'node', 'nodes.4.high'],
    [
      'a node an answer leads to',
      inNode('supply-ask', { answers: [{ answer: 'a', next: 'gone' }] }),
      'node',
      'nodes.6.answers.0.next',
    ],
    ['the step a chart begins with', changed('chart', 'rinse-heat', (c) => ({ ...c, start: 'gone' })), 'node', 'start'],
    ['the cause of a verdict', inNode('sensor-bad', { cause: 'gone' }), 'part', 'nodes.8.cause'],
    [
      'a lamp that a mode shows',
      changed('mode', 'off', (m) => ({ ...m, shows: [{ kind: 'fixed', signs: [shown] }] })),
      'sign',
      'shows.0.signs.0.sign',
    ],
  ])('%s that is not there is found at its place', (_, bundle, what, place) => {
    // whatever else is gone with it
    const found = validate(bundle).filter((f) => f.code === 'part-unknown' && f.id === 'gone');
    expect(
      found.map((f) => [
        f.code === 'part-unknown' && f.what,
        f.at.slice(2).join('.'),
        f.code === 'part-unknown' && f.id,
      ]),
    ).toEqual([[what, place, 'gone']]);
  });

  it('whatever a step of a chart names is followed, wherever it stands in the step', () => {
    const isName = (value: unknown): boolean => typeof value === 'string' && /^(n\d+|the-end)$/.test(value);
    const spelled = (value: unknown, at: string): string[] =>
      isName(value)
        ? [at]
        : value && typeof value === 'object'
          ? Object.entries(value).flatMap(([k, v]) => (k === 'title' ? [] : spelled(v, `${at}.${k}`)))
          : [];
    fc.assert(
      fc.property(anyChart(), (made) => {
        for (const { id: _, ...node } of made.nodes) {
          const named = occurrencesIn(ChartNode, node).flatMap(({ role, text, path }) =>
            role === 'names' && isName(text) ? [['', ...path].join('.')] : [],
          );
          expect(named.sort()).toEqual(spelled(node, '').sort());
        }
      }),
    );
  });

  it('finds nothing in a sound bundle', () => {
    for (const bundle of [glasswasher(), dryer()]) expect(validate(bundle)).toEqual([]);
  });
});

describe('links and keys', () => {
  it('every link of every entry leads to an entry', () => {
    const bundle = glasswasher();
    const keys = new Set(bundle.entries.map(keyText));
    for (const entry of bundle.entries) for (const link of linksOf(entry)) expect(keys).toContain(keyText(link.to));
  });

  it('k19 names its readout, chart, routes, hazards, sources and the codes to see also', () => {
    const code = entryOf(glasswasher(), 'code', 'k19');
    const named = new Set(code ? linksOf(code).map((l) => keyText(l.to)) : []);
    for (const key of [
      'readout:lamps',
      'chart:rinse-heat',
      'route:enter-memory',
      'route:erase-memory',
      'hazard:mains',
      'source:harbour-round',
      'code:k23',
      'code:h04',
    ])
      expect(named).toContain(key);
  });

  it('hazards and instruments belong to the library, the rest to the family', () => {
    for (const entry of glasswasher().entries) {
      const isShared =
        entry.kind === 'hazard' ||
        entry.kind === 'instrument' ||
        // a chart may be shared; this one is
        (entry.kind === 'chart' && entry.id === 'supply-check');
      expect([entry.kind, familyOf(entry)]).toEqual([entry.kind, isShared ? null : 'brindlewick-g4']);
      expect(keyOf(entry)).toEqual({ family: familyOf(entry), kind: entry.kind, id: entry.id });
      expect(titleOf(entry)).not.toBe('');
    }
    expect(entriesOf(glasswasher(), 'code').map(titleOf)).toContain('K19 Rinse tank slow to warm');
  });
});
