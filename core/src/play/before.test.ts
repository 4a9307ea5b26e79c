import { describe, expect, it } from 'vitest';
import { advanceUnit, entriesOf, planUnit, type UnitState } from '../index.ts';
import { boardBundle } from '../testing/unit.ts';
import { stoodAs, unitStoodAs } from './stood-as.ts';
import { waitsBefore } from './waits-before.ts';

const mode = (id: string, rest: object) => ({
  kind: 'mode',
  family: 'bench',
  controller: 'main',
  id,
  name: id.replaceAll('-', ' '),
  sort: 'running',
  ...rest,
});
const bundle = boardBundle(
  [
    { id: 'in', script: 'from idle\npress a 2 times\nreach service' },
    { id: 'booting', script: 'from boot\npress a\nreach service' },
    { id: 'anyhow', script: 'press b\nreach service' },
    { id: 'home', script: 'from tests\npress a\nreach idle' },
  ],
  [
    mode('self-check', { transitions: [{ on: { kind: 'after', afterMs: 90_000 }, to: 'idle' }] }),
    mode('boot', {
      deafForMs: 4000,
      transitions: [
        { on: { kind: 'after', afterMs: 7000 }, to: 'idle' },
        { on: { kind: 'after', afterMs: 3000 } },
        { on: { kind: 'supply', becomes: 'off' }, to: 'idle' },
      ],
    }),
  ],
  { transitions: [{ on: { kind: 'supply', becomes: 'on' }, to: 'idle' }] },
);
const plan = planUnit(bundle);
const routeOf = (id: string) => {
  const route = entriesOf(bundle, 'route').find((r) => r.id === id);
  if (!route) throw new Error(id);
  return route;
};

describe('what is waited for before a way begins', () => {
  it.each([
    ['in', ['self check 90000 ends-itself', 'boot 7000 ends-itself']],
    ['booting', ['boot 4000 takes-nothing']],
    ['anyhow', []],
    ['home', []],
  ])('%s', (id, waits) => {
    expect(waitsBefore(routeOf(id), plan.modes).map((w) => `${w.mode} ${w.ms} ${w.why}`)).toEqual(waits);
  });
});

describe('how the unit stood when somebody began', () => {
  const stands = (state: UnitState | null) =>
    state && [state.places.get('power' as never), state.poweredAt, [...state.controllers.values()][0]?.mode];
  it.each([
    ['in', ['on', 0, 'idle'], ['on', 2000, 'idle'], ['off', null, 'idle']],
    // a mode that says nothing of the supply stays
    ['home', ['on', 0, 'tests'], ['on', 2000, 'tests'], ['off', null, 'tests']],
  ])('%s', (id, ...each) => {
    expect(stoodAs.map((as) => stands(unitStoodAs(plan, routeOf(id), as)))).toEqual(each);
  });
  it('what was done to bring it there is no part of the try', () => {
    const off = unitStoodAs(plan, routeOf('in'), 'switched-off');
    expect(off?.tried.hands).toEqual([]);
    expect(off?.attempts.every((a) => a === null)).toBe(true);
    const later = off && advanceUnit(plan, off, { kind: 'tick', at: 60_000 });
    expect(later?.effects.filter((e) => e.kind === 'missed')).toEqual([]);
  });
  it('a unit that nothing switches stands only as it begins', () => {
    const plug = { ...plan, facts: { ...plan.facts, supply: [] } };
    expect(stoodAs.map((as) => unitStoodAs(plug, routeOf('in'), as) !== null)).toEqual([true, false, false]);
  });
});
