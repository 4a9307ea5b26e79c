import { describe, expect, it } from 'vitest';
import {
  advanceUnit,
  entriesOf,
  findingWords,
  gestureStanding,
  idealHands,
  lint,
  parseScript,
  perform,
  planUnit,
  readBundle,
  Solo,
  SuccessRun,
  startForRoute,
  type UnitEffect,
} from '../index.ts';

type Raw = Record<string, unknown>;
const box = { x: 1, y: 1, w: 4, h: 4 };
const push = (id: string, more = {}) => ({
  id,
  look: 'button',
  label: id,
  at: box,
  mechanism: { kind: 'push' },
  ...more,
});
const places = (id: string, look: string, start: string, ...p: Array<string | Raw>) => ({
  id,
  look,
  label: id,
  at: box,
  mechanism: {
    kind: 'places',
    start,
    places: p.map((x) => (typeof x === 'string' ? { id: x, label: x } : { label: x.id, ...x })),
  },
});
const route = (id: string, script: string, rest: Raw = {}) => {
  const p = parseScript(script);
  if (p.problems.length > 0) throw new Error(JSON.stringify(p.problems));
  return {
    kind: 'route',
    id,
    family: 'u',
    name: id,
    purpose: 'step',
    from: p.from ?? 'any',
    to: p.to,
    steps: p.steps,
    standing: 'bench-proven',
    ...rest,
  };
};
const unit = (entries: Raw[], controls: Raw[], signs: Raw[], fam: Raw = {}) => ({
  format: 'wire-trail/bundle',
  version: 1,
  family: 'u',
  entries: [
    {
      kind: 'family',
      id: 'u',
      name: 'U',
      sort: 'machine',
      summary: 'x',
      controllers: [{ id: 'm', name: 'M', role: 'lead', authoritative: true }],
      ...fam,
    },
    {
      kind: 'panel',
      id: 'p',
      family: 'u',
      name: 'P',
      controller: 'm',
      faces: [{ id: 'f', label: 'F', side: 'front', width: 40, height: 20, controls, signs }],
    },
    ...entries,
  ],
});
const mode = (id: string, sort: string, more: Raw = {}) => ({
  kind: 'mode',
  id,
  family: 'u',
  controller: 'm',
  name: id,
  sort,
  ...more,
});
const g = (s: string, effects: Raw[] = [], to?: string, when?: Raw) => ({
  on: { kind: 'gesture', steps: parseScript(s).steps },
  effects,
  ...(to && { to }),
  ...(when && { when }),
});
const held = (c: string, by: number, v: string, a = 800, e = 150) => ({
  on: { kind: 'held', control: c, afterMs: a, everyMs: e },
  effects: [{ kind: 'step', variable: v, by }],
});
const cur = (id: string, from: number, to: number, start = from, wraps = false) => ({
  kind: 'cursor',
  id,
  from,
  to,
  start,
  wraps,
});
const text = (s: string) => ({ kind: 'fixed', signs: [{ kind: 'text', sign: 'disp', text: s }] });
const raw: Record<string, Raw> = {
  heater: unit(
    [
      mode('idle', 'standby', {
        shows: [text('--')],
        transitions: [
          { on: { kind: 'supply', becomes: 'off' }, to: 'off' },
          { on: { kind: 'code-stands', codes: ['e7'] }, to: 'trip' },
        ],
      }),
      mode('off', 'off', { transitions: [{ on: { kind: 'supply', becomes: 'on' }, to: 'idle' }] }),
      mode('trip', 'locked-out', {
        shows: [text('E7')],
        transitions: [{ on: { kind: 'supply', becomes: 'off' }, to: 'off' }],
      }),
      mode('menu', 'service', {
        variables: [cur('page', 1, 24, 1, true)],
        shows: [text('PA')],
        transitions: [
          g('press plus', [{ kind: 'step', variable: 'page', by: 1 }]),
          g('press minus', [{ kind: 'step', variable: 'page', by: -1 }]),
          held('plus', 1, 'page'),
          held('minus', -1, 'page'),
          { on: { kind: 'idle', afterMs: 90000 }, to: 'idle' },
        ],
      }),
      mode('value', 'settings', {
        variables: [cur('of', 1, 24), cur('is', 0, 99, 20)],
        shows: [text('20')],
        transitions: [
          g('press plus', [{ kind: 'step', variable: 'is', by: 1 }]),
          g('press minus', [{ kind: 'step', variable: 'is', by: -1 }]),
          held('plus', 1, 'is', 600, 80),
          held('minus', -1, 'is', 600, 80),
          { on: { kind: 'idle', afterMs: 60000 }, to: 'idle' },
        ],
      }),
      {
        kind: 'code',
        id: 'e7',
        family: 'u',
        controller: 'm',
        readout: null,
        text: 'E7',
        title: 'Trip',
        saw: '',
        does: '',
        suspects: [],
        scope: 'technician',
        harmless: 'n',
        source: null,
        standing: 'document',
      },
      route(
        'open',
        'from idle\ntogether plus + minus within 0.6 s\nhold ok for 2 s to 4 s\nsee disp "PA"\nreach menu',
        { purpose: 'enter' },
      ),
      route('out', 'from menu, value\nhold minus + ok for 2 s to 5 s\nreach idle', { purpose: 'leave' }),
      route('pick', 'from menu\npress ok\nreach value', { effects: [{ kind: 'carry', from: 'page', to: 'of' }] }),
      route(
        'pump-page',
        'from menu\nstep plus from 1 to 11 ramp after 0.8 s every 0.15 s back minus round 1 to 24\nreach menu',
      ),
      route('store', 'from value\nhold ok until disp "20" steady\nreach menu', {
        when: { kind: 'variable', variable: 'of', is: 11 },
      }),
      route(
        'pump-slow',
        'from menu\ndo pump-page\ndo pick\nstep plus from 20 to 35 ramp after 0.6 s every 0.08 s back minus\ndo store\nreach menu',
        { purpose: 'calibrate' },
      ),
      route('untrip', 'from trip\nkeep ok for 8 s to 12 s from power-on\n  set mains off\n  set mains on\nreach idle', {
        purpose: 'clear',
        onlyFor: ['e7'],
      }),
    ],
    [
      push('plus'),
      push('minus'),
      push('ok', { alsoCalled: ['tick key'] }),
      places('mains', 'switch', 'on', 'on', 'off'),
    ],
    [{ kind: 'segments', id: 'disp', label: 'disp', at: box, digits: 2 }],
  ),
  hoist: unit(
    [
      mode('idle', 'standby', {
        transitions: [
          { on: { kind: 'supply', becomes: 'off' }, to: 'off' },
          { on: { kind: 'code-comes' }, to: 'fault' },
        ],
      }),
      mode('off', 'off', { transitions: [{ on: { kind: 'supply', becomes: 'on' }, to: 'idle' }] }),
      mode('fault', 'memory', {
        variables: [cur('slot', 1, 5)],
        transitions: [{ on: { kind: 'supply', becomes: 'off' }, to: 'off' }],
      }),
      mode('diag', 'tests', {
        variables: [cur('n', 0, 31, 0, true)],
        transitions: [
          g('turn wheel right 1', [{ kind: 'step', variable: 'n', by: 1 }]),
          g('turn wheel left 1', [{ kind: 'step', variable: 'n', by: -1 }]),
          { on: { kind: 'after', afterMs: 120000 }, to: 'idle' },
        ],
        tests: [
          {
            number: '1',
            name: 'Lamp',
            starts: '',
            expected: '',
            takes: { leastMs: 3000, usualMs: 4000, mostMs: 5000 },
            followedBy: '2',
          },
          {
            number: '2',
            name: 'Brake',
            starts: '',
            expected: '',
            takes: { leastMs: 9000, usualMs: 10000, mostMs: 12000 },
            skipBy: [{ kind: 'press', control: 'go', times: 2 }],
          },
        ],
      }),
      {
        kind: 'code',
        id: 'h1',
        family: 'u',
        controller: 'm',
        readout: null,
        text: 'H1',
        title: 'x',
        saw: '',
        does: '',
        suspects: [],
        scope: 'technician',
        harmless: 'n',
        source: null,
        standing: 'document',
      },
      route(
        'in',
        'set key off\nrest 3 s to 8 s\nhold up + down\nset key on\nlet-go all at horn on #2\nsee lamp slow\nreach diag',
        { purpose: 'enter' },
      ),
      route('out', 'from diag\nset key off\nreach off', { purpose: 'leave' }),
      route('address', 'from diag\ndial "27" from "00" with knob wheel\npress go\nreach diag', {}),
      route('all', 'do in\ndo address\npress go 3 times\nreach diag', {}),
    ],
    [
      push('up'),
      push('down'),
      push('go'),
      places('key', 'key', 'on', 'on', 'off'),
      {
        id: 'wheel',
        look: 'knob',
        label: 'wheel',
        at: box,
        mechanism: { kind: 'clicks', perTurn: 24, springsBack: false, rests: [] },
      },
    ],
    [
      { kind: 'lamp', id: 'lamp', label: 'lamp', at: box, colours: ['red'], shows: ['lit', 'slow'] },
      { kind: 'beeper', id: 'horn', label: 'horn', at: box },
    ],
  ),
};

/** Two units that were written before anything here had seen one like them: a heater with a menu, a hoist with a wheel. */
const units = Object.entries(raw).map(([name, json]) => {
  const read = readBundle(json);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return [name, read.value, planUnit(read.value)] as const;
});

describe('units with menus, as they are done and as they are weighed', () => {
  const cases = units.flatMap(([name, , plan]) =>
    plan.gestures.flatMap((g) => (g.of.kind === 'route' ? [[name, g.of.name, plan, g] as const] : [])),
  );
  it.each(cases)('%s: %s is taken, and people hit it', (_, id, plan, gesture) => {
    const route = entriesOf(plan.bundle, 'route').find((r) => r.name === id);
    if (!route) throw new Error(id);
    let state = startForRoute(plan, route);
    const own = state.controllers.get('m' as never);
    if (own && route.when?.kind === 'variable') {
      const variables = new Map(own.variables).set(route.when.variable, route.when.is);
      state = { ...state, controllers: new Map(state.controllers).set('m' as never, { ...own, variables }) };
    }
    const happened: UnitEffect[] = [];
    const solo = new Solo(plan.facts, state.places, state.clicks, state.poweredAt);
    const take = (event: Parameters<typeof advanceUnit>[2]): void => {
      const next = advanceUnit(plan, state, event);
      state = next.state;
      happened.push(...next.effects);
    };
    for (const { event } of perform(gesture.program, plan.facts, idealHands, state.at + 2000, solo)) take(event);
    take({ kind: 'tick', at: state.at + 4000 });
    expect(happened.flatMap((e) => (e.kind === 'done' ? [e.of.name] : []))).toContain(id);
    expect(happened.filter((e) => e.kind === 'missed' || e.kind === 'refused')).toEqual([]);
    const run = new SuccessRun({
      program: gesture.program,
      facts: plan.facts,
      standing: gestureStanding(plan, gesture),
      hands: 'gloved',
      runs: 400,
      seed: 3,
    });
    run.step(400);
    expect(run.result().share).toBeGreaterThan(0.9);
  });

  it.each(units)('%s: nothing is found that is not so', (_, bundle) => {
    const told = lint(bundle).filter((f) => !/chart|suspect|source|readout|detect|symptom/.test(f.code));
    expect(told.map(findingWords)).toEqual([expect.stringMatching(/does not say what to do when it does not take/)]);
  });
});
