import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compileSteps, entriesOf, printSteps, readBundle, Step } from '../index.ts';
import { anyRouteScript, stepsOf } from '../testing/routes.ts';
import { boardBundle } from '../testing/unit.ts';
import { advanceUnit } from './advance.ts';
import { stepsAsDone } from './as-done.ts';
import { planUnit } from './gestures.ts';
import type { UnitEvent } from './op.ts';
import { idealHands, perform, Solo } from './perform.ts';
import { startForRoute } from './state.ts';

const facts = planUnit(boardBundle([])).facts;
const doneAs = (script: string): UnitEvent[] => {
  const program = compileSteps(stepsOf(script), facts);
  if (!program.ok) throw new Error('does not compile');
  return perform(program.value, facts, idealHands).map((d) => d.event);
};
const written = (script: string): string => printSteps(stepsAsDone(doneAs(script), facts)).trim();

describe('what hands did, written as steps', () => {
  it.each([
    ['press a 3 times', 'press a 3 times'],
    ['press a\npress b\npress a', 'press a\npress b\npress a'],
    ['hold a for 4 s to 6 s', 'hold a for 5 s'],
    ['turn knob right 4 clicks', 'turn knob right 4 clicks'],
    ['set lid open\nset lid shut', 'set lid open\nset lid shut'],
    ['hold rocker up for 2 s to 5 s', 'hold rocker up for 3.5 s'],
    ['press a\nrest 6 s to 8 s\npress b', 'press a\nrest 7 s\npress b'],
    ['keep a + b\n  press c 2 times', 'keep a + b\n  press c 2 times'],
    ['together a + b', 'together a + b'],
  ])('%j', (script, wanted) => {
    const plain = (text: string): string => text.replaceAll(/[\d.]+ s to [\d.]+ s usually /g, '');
    expect(plain(written(script))).toBe(wanted);
  });
  it('grips that overlap are taken and let go of one by one', () => {
    const at = (kind: 'down' | 'up', control: string, at: number) => ({ kind, control, at }) as UnitEvent;
    const events = [at('down', 'a', 0), at('down', 'b', 1200), at('up', 'a', 2400), at('up', 'b', 5500)];
    expect(stepsAsDone(events, facts).map((s) => s.kind)).toEqual(['hold', 'hold', 'release', 'rest', 'release']);
  });
  it('what is still down at the end counts as let go, and what is no hand is no step', () => {
    const events: UnitEvent[] = [
      { kind: 'tick', at: 1 },
      { kind: 'down', control: 'a' as never, at: 2 },
    ];
    expect(stepsAsDone(events, facts)).toEqual([{ kind: 'press', control: 'a', times: 1 }]);
    expect(stepsAsDone([], facts)).toEqual([]);
  });

  /** Whether a way that is done, written down and done again as written is taken as the same way. */
  const again = (bundle: ReturnType<typeof boardBundle>, id: string): boolean | null => {
    const plan = planUnit(bundle);
    const gesture = plan.gestures.find((g) => g.of.kind === 'route' && g.of.id === id);
    const route = entriesOf(bundle, 'route').find((r) => r.id === id);
    if (!gesture || !route) return null;
    const begin = startForRoute(plan, route);
    const takes = (program: Parameters<typeof perform>[0]): readonly [boolean, UnitEvent[]] => {
      const events = perform(
        program,
        plan.facts,
        idealHands,
        3000,
        new Solo(plan.facts, begin.places, begin.clicks),
      ).map((d) => d.event);
      let state = begin;
      let came = false;
      for (const event of [...events, { kind: 'tick', at: (events.at(-1)?.at ?? 0) + 20_000 } as const]) {
        const next = advanceUnit(plan, state, event);
        state = next.state;
        came ||= next.effects.some((e) => e.kind === 'done' && e.of.kind === 'route' && e.of.id === id);
      }
      return [came, events];
    };
    const [came, events] = takes(gesture.program);
    if (!came) return null;
    const steps = stepsAsDone(events, plan.facts);
    for (const step of steps) Step.parse(step);
    const program = compileSteps(steps, plan.facts);
    return program.ok && takes(program.value)[0];
  };

  it('done again as they are written, made-up ways are taken', () => {
    let tried = 0;
    let taken = 0;
    fc.assert(
      fc.property(anyRouteScript, (script) => {
        const is = again(boardBundle([{ id: 'way', script }]), 'way');
        if (is === null) return;
        tried += 1;
        taken += is ? 1 : 0;
      }),
      { numRuns: 200, seed: 21 },
    );
    expect(tried).toBeGreaterThan(100);
    expect(taken / tried).toBeGreaterThan(0.9);
  });
  it('and so are those of the demo', () => {
    const demo = new URL('../../../demo/', import.meta.url);
    const left: string[] = [];
    let tried = 0;
    for (const file of readdirSync(demo).filter((f) => f.endsWith('.json') && !f.startsWith('library'))) {
      const read = readBundle(JSON.parse(readFileSync(new URL(file, demo), 'utf8')));
      if (!read.ok) continue;
      for (const route of entriesOf(read.value, 'route')) {
        const is = again(read.value, route.id);
        if (is === null) continue;
        tried += 1;
        if (!is) left.push(`${read.value.family} ${route.id}`);
      }
    }
    expect(tried).toBeGreaterThan(20);
    // stepped as a list that runs by itself: how far it ran is no length of a hold
    expect(left).toEqual(['hobrannet-t12 enter-menu']);
  });
});
