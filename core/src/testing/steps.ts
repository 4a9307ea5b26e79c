import fc from 'fast-check';
import { Prose } from '../base/text.ts';
import type { Step } from '../model/route.ts';

/** Any step the schema allows, for properties: odd names, odd numbers, notes, steps inside steps. */
const id = fc.oneof(
  fc.constantFrom(
    'any',
    'for',
    'until',
    'all',
    'nothing',
    'reads',
    'power-on',
    'step-before',
    'on',
    'off',
    '4',
    'to',
    'x3',
  ),
  fc.stringMatching(/^[a-z0-9][a-z0-9-]{0,8}$/),
);
const ms = fc.oneof(
  fc.integer({ min: 0, max: 600_000 }),
  fc.integer({ min: 0, max: 600 }).map((s) => s * 1000),
  fc.double({ min: 0, max: 90_000, noNaN: true }).map(Math.abs),
);
const span = fc.tuple(ms, ms, ms).map((all) => {
  const [leastMs = 0, usualMs = 0, mostMs = 0] = [...all].sort((a, b) => a - b);
  return { leastMs, usualMs, mostMs };
});
const prose = fc.oneof(
  fc.string({ maxLength: 30 }).filter((t) => Prose.safeParse(t).success),
  fc.constantFrom('', '"quoted"', ' spaces ', 'two\nlines', '- dash', '// no comment', '\\', '@x'),
);
const label = prose.filter((t) => t.length > 0 && !t.includes('\n'));
const shown = fc.oneof(
  fc.record(
    {
      kind: fc.constant('lamp' as const),
      sign: id,
      state: fc.constantFrom('dark', 'lit', 'slow', 'fast'),
      colour: fc.constantFrom('amber', 'green'),
    },
    { requiredKeys: ['kind', 'sign', 'state'] },
  ),
  fc.record(
    { kind: fc.constant('text' as const), sign: id, text: fc.string({ maxLength: 10 }), flashes: fc.boolean() },
    { requiredKeys: ['kind', 'sign', 'text'] },
  ),
  fc.record(
    {
      kind: fc.constant('sound' as const),
      sign: id,
      state: fc.constantFrom('on', 'off'),
      times: fc.integer({ min: 1, max: 100 }),
    },
    { requiredKeys: ['kind', 'sign', 'state'] },
  ),
);
const moment = fc.oneof(
  fc.constantFrom({ kind: 'power-on' as const }, { kind: 'step-before' as const }),
  fc.record(
    {
      kind: fc.constant('sign' as const),
      shown,
      also: fc.array(shown, { minLength: 1, maxLength: 3 }),
      nth: fc.integer({ min: 1, max: 100 }),
    },
    { requiredKeys: ['kind', 'shown', 'nth'] },
  ),
);
const until = fc.oneof(
  fc.record(
    { kind: fc.constant('span' as const), span, from: fc.constant('power-on' as const) },
    { requiredKeys: ['kind', 'span'] },
  ),
  fc.record({ kind: fc.constant('moment' as const), moment }),
);
const heldOnes = fc.array(fc.record({ control: id, place: id }, { requiredKeys: ['control'] }), {
  minLength: 1,
  maxLength: 3,
});
const notes = fc.record(
  {
    amount: id,
    scope: fc.constantFrom('technician', 'licensed'),
    takes: span,
    why: prose,
    caution: prose,
    tool: label,
    feelsLike: prose,
    ifItFails: prose,
    retry: fc.array(fc.constantFrom('faster', 'slower', 'check-supply'), { minLength: 1, maxLength: 3 }),
    source: id,
    standing: fc.constantFrom('bench-proven', 'hearsay'),
  },
  { requiredKeys: [] },
);
const way = fc.constantFrom('cw', 'ccw');
const ids = fc.array(id, { minLength: 1, maxLength: 3 });
const kind = <K extends string>(k: K) => ({ kind: fc.constant(k) });

const { step } = fc.letrec<{ step: unknown; steps: unknown[] }>((tie) => {
  const steps = fc.array(tie('step'), { maxLength: 3 });
  const plain = fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    fc.record({ ...kind('press'), control: id, times: fc.integer({ min: 1, max: 100 }) }),
    fc.record({
      ...kind('hold'),
      controls: heldOnes,
      until: fc.oneof(until, fc.constant({ kind: 'release' as const })),
    }),
    fc.record(
      { ...kind('release'), controls: fc.array(id, { maxLength: 3 }), at: moment },
      { requiredKeys: ['kind', 'controls'] },
    ),
    fc.record({ ...kind('turn'), control: id, clicks: fc.integer({ min: 1, max: 200 }), way }),
    fc.record(
      { ...kind('sweep'), control: id, turns: fc.integer({ min: 1, max: 50 }), way, stopAt: id },
      { requiredKeys: ['kind', 'control', 'turns', 'way'] },
    ),
    fc.record({ ...kind('set'), control: id, to: id }),
    fc.record({ ...kind('rest'), span }),
    fc.record(
      {
        ...kind('step-list'),
        control: id,
        to: fc.integer({ min: 0, max: 9999 }),
        start: fc.integer({ min: 0, max: 9999 }),
        by: fc.constantFrom('press', 'ramp'),
        repeats: fc.record({ afterMs: ms.map((n) => n / 20 + 1), everyMs: ms.map((n) => n / 20 + 10) }),
        back: id,
        round: fc.record({ from: fc.integer({ min: 0, max: 9999 }), to: fc.integer({ min: 0, max: 9999 }) }),
        overshoot: prose,
      },
      { requiredKeys: ['kind', 'control', 'to', 'start', 'by'] },
    ),
    fc.record({
      ...kind('together'),
      controls: fc.array(id, { minLength: 2, maxLength: 3 }),
      times: fc.integer({ min: 1, max: 20 }),
      withinMs: fc.integer({ min: 20, max: 5000 }),
    }),
    fc.record(
      {
        ...kind('do'),
        route: id,
        times: fc.integer({ min: 1, max: 100 }),
        values: fc.array(fc.record({ parameter: id, is: fc.double({ noNaN: true, min: -1e12, max: 1e12 }) }), {
          minLength: 1,
          maxLength: 3,
        }),
      },
      { requiredKeys: ['kind', 'route', 'times'] },
    ),
    fc.record({
      ...kind('dial'),
      text: fc.string({ minLength: 1, maxLength: 6 }),
      start: fc.string({ maxLength: 6 }),
      alphabet: fc.array(fc.constantFrom(...'AbC019"\\ '), { minLength: 2, maxLength: 9 }),
      wraps: fc.boolean(),
      by: fc.oneof(
        fc.record({ kind: fc.constant('each' as const), up: ids, down: fc.oneof(fc.constant([]), ids) }),
        fc.record(
          { kind: fc.constant('moving' as const), up: id, down: id, next: id },
          { requiredKeys: ['kind', 'up', 'next'] },
        ),
        fc.record({ kind: fc.constant('knob' as const), knob: id, next: id }, { requiredKeys: ['kind', 'knob'] }),
      ),
    }),
    fc.record(
      {
        ...kind('choose'),
        on: id,
        path: fc.array(label, { minLength: 1, maxLength: 3 }),
        needs: label,
        confirm: label,
        value: label,
      },
      { requiredKeys: ['kind', 'on', 'path'] },
    ),
    fc.record(
      {
        ...kind('see'),
        must: fc.constantFrom('must', 'may', 'must-not'),
        signs: fc.array(shown, { minLength: 1, maxLength: 3 }),
        within: span,
      },
      { requiredKeys: ['kind', 'must', 'signs'] },
    ),
    fc.record({ ...kind('at-place'), place: label }),
    fc.record({ ...kind('say'), text: prose }),
    fc.record({ ...kind('bypass'), what: id }),
  );
  const nested = fc.oneof(
    fc.record(
      { ...kind('keep'), controls: heldOnes, during: steps, until },
      { requiredKeys: ['kind', 'controls', 'during'] },
    ),
    fc.record(
      {
        ...kind('group'),
        steps: fc.array(tie('step'), { minLength: 1, maxLength: 3 }),
        times: fc.integer({ min: 1, max: 100 }),
        window: fc.record({ from: moment, mostMs: ms.map((n) => n + 1).filter((n) => n <= 86_400_000) }),
      },
      { requiredKeys: ['kind', 'steps', 'times'] },
    ),
    fc.record({
      ...kind('branch'),
      on: fc.oneof(
        fc.record({ kind: fc.constant('sign' as const), shown }),
        fc.record({ kind: fc.constant('reads' as const), readout: id, code: id }),
        fc.record({ kind: fc.constant('nothing-done' as const), withinMs: ms.map((n) => n + 1) }),
      ),
      met: steps,
      otherwise: steps,
    }),
  );
  return {
    steps,
    step: fc
      .tuple(fc.oneof({ maxDepth: 3, depthSize: 'small' }, plain, nested), notes)
      .map(([s, n]) => ({ ...(s as object), ...n })),
  };
});
export const anyStep = step as fc.Arbitrary<Step>;
/** An id any entry may have, those included that mean something in a script. */
export const anyId = id;
