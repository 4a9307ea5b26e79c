import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  advanceUnit,
  type Bundle,
  keepsTime,
  planUnit,
  readBundle,
  showsNow,
  startUnit,
  type UnitState,
} from '../index.ts';

const read = (file: string): Bundle => {
  const bundle = readBundle(JSON.parse(readFileSync(new URL(`../../../demo/${file}.json`, import.meta.url), 'utf8')));
  if (!bundle.ok) throw new Error(file);
  return bundle.value;
};
/** A unit that has just come to its memory. */
function inMemory(file: string, memory: readonly string[]) {
  const plan = planUnit(read(file));
  const start = startUnit(plan, memory);
  const [id, controllerState] = [...start.controllers][0] ?? [];
  if (!id || !controllerState) throw new Error('no controller');
  const mode = plan.modes.get('memory' as never);
  const variables = new Map((mode?.variables ?? []).map((v) => [v.id, v.start] as const));
  const state: UnitState = {
    ...start,
    poweredAt: 0,
    controllers: new Map(start.controllers).set(id, {
      ...controllerState,
      mode: 'memory' as never,
      variables,
      shownAt: 0,
    }),
  };
  return { plan, state };
}

describe('a played unit over time', () => {
  it('blinks out a code: lit and dark by the clock, blinking where nobody asks for an instant', () => {
    const { plan, state } = inMemory('quorrin-b2', ['B2']);
    const lamp = (atMs: number | null) => {
      const shown = showsNow(plan, state, atMs).get('lamp' as never);
      return shown?.kind === 'lamp' ? shown.state : 'dark';
    };
    expect([lamp(null), lamp(100), lamp(450), lamp(700), lamp(1000)]).toEqual(['slow', 'lit', 'dark', 'lit', 'dark']);
    expect(keepsTime(plan, state)).toBe(true);
  });
  it('shows the slot first, then the code, on the same digits', () => {
    const { plan, state } = inMemory('pellgrave-p8', ['E5']);
    const digits = (s: UnitState, atMs: number | null = null) => {
      const shown = showsNow(plan, s, atMs).get('digits' as never);
      return shown?.kind === 'text' ? shown.text : '';
    };
    expect(digits(state)).toBe('1');
    const later = advanceUnit(plan, state, { kind: 'tick', at: 2500 }).state;
    expect(digits(later)).toBe('E5');
  });
  it('an empty memory has its own sign, and nothing that keeps time', () => {
    const { plan, state } = inMemory('brindlewick-g4', []);
    const shown = showsNow(plan, state, 500).get('lamp-a' as never);
    expect(shown?.kind === 'lamp' && shown.state).toBe('slow');
    expect(keepsTime(plan, state)).toBe(false);
  });
  it('halves told by colour take turns', () => {
    const { plan, state } = inMemory('brindlewick-g4', ['K19']);
    const colour = (atMs: number) => {
      const shown = showsNow(plan, state, atMs).get('lamp-d' as never);
      return shown?.kind === 'lamp' ? shown.colour : null;
    };
    expect([colour(500), colour(3500)]).toEqual(['amber', 'green']);
  });
});
