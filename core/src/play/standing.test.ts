import { describe, expect, it } from 'vitest';
import { entriesOf, gestureStanding, lint, planUnit, startForRoute, successRateOf } from '../index.ts';
import { toldUnits } from '../testing/told-units.ts';
import { boardBundle, PlayedBoard } from '../testing/unit.ts';
import { codesIn, erased, storedCodes } from './memory.ts';

/** A unit as one of its ways begins: where its controls stand, with or without supply, in which mode. */
function begins(unit: string, name: string) {
  const bundle = toldUnits[unit];
  const route = bundle && entriesOf(bundle, 'route').find((r) => r.name === name);
  if (!bundle || !route) throw new Error(`${unit} ${name}`);
  const state = startForRoute(planUnit(bundle), route);
  const [controller] = [...state.controllers.values()];
  return {
    ...Object.fromEntries([...state.places].filter(([c]) => ['breaker', 'key', 'jumper', 'door', 'plug'].includes(c))),
    powered: state.poweredAt !== null,
    mode: controller?.mode,
  };
}

describe('a unit begins where it stands', () => {
  it.each([
    // a supply that is delivered at off is on where the mode has it
    ['cooker', 'Service', { breaker: 'on', powered: true, mode: 'ready' }],
    ['cooker', 'Erase', { breaker: 'on', powered: true, mode: 'list' }],
    ['loader', 'Codes', { key: 'off', jumper: 'out', powered: false, mode: 'off' }],
    // what the way in put where it is, is there
    ['loader', 'Home', { key: 'run', jumper: 'in', powered: true, mode: 'trim' }],
    ['loader', 'Next', { key: 'run', jumper: 'out', powered: true, mode: 'codes' }],
    ['washer', 'Enter', { door: 'open', plug: 'in', powered: true, mode: 'idle' }],
    ['washer', 'Cold', { door: 'shut', plug: 'in', powered: true, mode: 'service' }],
    ['washer', 'Reset', { door: 'open', plug: 'in', powered: true, mode: 'idle' }],
  ])('%s, %s', (unit, name, stands) => {
    expect(begins(unit, name)).toEqual(stands);
  });

  it('its variables stand where they start, also after another way was played', () => {
    const cursor = { kind: 'cursor', id: 'slot', from: 1, to: 9, start: 4, wraps: true };
    const bundle = boardBundle(
      [
        { id: 'in', script: 'from idle\npress a\nreach service' },
        { id: 'way', script: 'from service\npress b\nreach tests' },
      ],
      [],
      { variables: [cursor] },
    );
    const route = entriesOf(bundle, 'route').find((r) => r.id === 'way');
    const state = route && startForRoute(planUnit(bundle), route);
    expect([...(state?.controllers.get('main' as never)?.variables ?? [])]).toEqual([['slot', 4]]);
  });

  it('a supply that starts at off silences neither success rates nor what is to fix', () => {
    const { cooker } = toldUnits;
    if (!cooker) throw new Error('no cooker');
    const plan = planUnit(cooker);
    for (const gesture of plan.gestures) {
      const { program } = gesture;
      const standing = gestureStanding(plan, gesture);
      const rate = successRateOf({ program, facts: plan.facts, standing, hands: 'bare', runs: 300, seed: 1 });
      expect([gesture.of.name, rate.share > 0.8]).toEqual([gesture.of.name, true]);
    }
    const [service] = cooker.entries.filter((e) => e.kind === 'route');
    const twin = { ...service, id: 'twin', name: 'Twin', to: 'list' } as typeof service;
    const two = { ...cooker, entries: [...cooker.entries, ...(twin ? [twin] : [])] };
    expect(lint(two).map((f) => f.code)).toContain('routes-alike');
  });
});

describe('codes in memory', () => {
  it('sit in the controllers that list them, or where they are said to', () => {
    const bundle = boardBundle([]);
    const stored = storedCodes(bundle, ['E1', { code: 'E2', controller: 'aux' as never }]);
    expect(codesIn(stored, 'main' as never)).toEqual(['E1']);
    expect(codesIn(stored, 'aux' as never)).toEqual(['E2']);
  });
  it('go when they are erased, but for what still stands, and of one controller only', () => {
    const stored = storedCodes(boardBundle([]), [
      'E1',
      { code: 'E2', standing: true },
      { code: 'E3', controller: 'aux' as never },
    ]);
    const after = erased(stored, 'main' as never);
    expect(codesIn(after, 'main' as never)).toEqual(['E2']);
    expect(codesIn(after, 'aux' as never)).toEqual(['E3']);
    const wipe = { id: 'wipe', script: 'from idle\nhold c for 3 s to 6 s\nreach idle', rest: { purpose: 'clear' } };
    const unit = new PlayedBoard(boardBundle([wipe]), ['E1']).hold('c', 4000);
    expect(codesIn(unit.state.memory, 'main' as never)).toEqual([]);
  });
});
