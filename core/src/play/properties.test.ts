import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Bundle, compileSteps, entriesOf, entryOf, lint, readBundle, type Step } from '../index.ts';
import { anyRouteScript, stepsOf } from '../testing/routes.ts';
import { boardBundle } from '../testing/unit.ts';
import { advanceUnit } from './advance.ts';
import { planUnit, type UnitPlan } from './gestures.ts';
import { controlOfOp, isAct, type UnitEvent } from './op.ts';
import { idealHands, perform, Solo } from './perform.ts';
import { startUnit, type UnitState } from './state.ts';
import { tryProgram } from './try.ts';

const hasErrors = (bundle: Bundle): boolean => lint(bundle).some((f) => f.severity === 'error');
const fired = (
  plan: UnitPlan,
  begin: UnitState,
  events: readonly UnitEvent[],
): { names: string[]; state: UnitState } => {
  let state = begin;
  const names: string[] = [];
  const take = (event: UnitEvent): void => {
    const next = advanceUnit(plan, state, event);
    state = next.state;
    names.push(...next.effects.flatMap((e) => (e.kind === 'done' ? [e.of.name] : [])));
  };
  for (const event of events) take(event);
  take({ kind: 'tick', at: state.at + 10_000 });
  return { names, state };
};
const ideal = (plan: UnitPlan, state: UnitState, name: string): UnitEvent[] => {
  const gesture = plan.gestures.find((g) => g.of.name === name && g.of.kind === 'route');
  if (!gesture) throw new Error(`${name} is not played`);
  const solo = new Solo(plan.facts, state.places, state.clicks);
  return perform(gesture.program, plan.facts, idealHands, state.at + 8_000, solo).map((d) => d.event);
};

describe('whatever route is written', () => {
  it('without error findings it compiles, and its own ideal performance is recognised', () => {
    let tried = 0;
    fc.assert(
      fc.property(anyRouteScript, (script) => {
        const bundle = boardBundle([{ id: 'way', script }]);
        fc.pre(!hasErrors(bundle));
        tried += 1;
        const plan = planUnit(bundle);
        expect(plan.refused).toEqual([]);
        const begin = startUnit(plan);
        expect(fired(plan, begin, ideal(plan, begin, 'way')).names).toEqual(['way']);
      }),
      { numRuns: 300 },
    );
    expect(tried).toBeGreaterThan(150);
  });

  it('a wait split in two changes nothing, in the route and at the unit', () => {
    fc.assert(
      fc.property(anyRouteScript, fc.array(fc.integer({ min: 0, max: 40_000 }), { maxLength: 12 }), (script, ticks) => {
        const plan = planUnit(boardBundle([{ id: 'way', script }]));
        fc.pre(plan.refused.length === 0);
        const begin = startUnit(plan);
        const events = ideal(plan, begin, 'way');
        const more = [...events, ...ticks.map((at): UnitEvent => ({ kind: 'tick', at }))].sort((x, y) => x.at - y.at);
        const plain = fired(plan, begin, events);
        const split = fired(plan, begin, more);
        expect(split.names).toEqual(plain.names);
        expect([...split.state.controllers]).toEqual([...plain.state.controllers]);
      }),
      { numRuns: 150 },
    );
    const one = compileSteps(stepsOf('press a\nrest 4 s\npress b'), planUnit(boardBundle([])).facts);
    const two = compileSteps(stepsOf('press a\nrest 1 s\nrest 3 s\npress b'), planUnit(boardBundle([])).facts);
    if (!one.ok || !two.ok) throw new Error('does not compile');
    expect(two.value.ops.map(({ at: _, ...op }) => op)).toEqual(one.value.ops.map(({ at: _, ...op }) => op));
  });

  it('a counted gesture dropped or doubled is not taken for the route', () => {
    const counted = (step: Step): boolean => (step.kind === 'press' && step.times > 1) || step.kind === 'turn';
    const other = (step: Step, by: number): Step =>
      step.kind === 'press'
        ? { ...step, times: step.times + by }
        : step.kind === 'turn'
          ? { ...step, clicks: step.clicks + by }
          : step;
    fc.assert(
      fc.property(anyRouteScript, fc.constantFrom(-1, 1), (script, by) => {
        const bundle = boardBundle([{ id: 'way', script }]);
        const steps = stepsOf(script);
        const index = steps.findIndex(counted);
        const step = steps[index];
        fc.pre(step !== undefined && !hasErrors(bundle));
        fc.pre(!(step?.kind === 'turn' && step.clicks + by < 1));
        const plan = planUnit(bundle);
        const spoilt = compileSteps(
          steps.map((s, i) => (i === index ? other(s, by) : s)),
          plan.facts,
        );
        const meant = compileSteps(steps, plan.facts);
        fc.pre(spoilt.ok && meant.ok);
        if (!spoilt.ok || !meant.ok) return;
        // what is done twice in a row and told as one is one: then nothing was dropped or doubled
        fc.pre(JSON.stringify(spoilt.value.ops) !== JSON.stringify(meant.value.ops));
        // the same control again right after it: nobody can say which of the two counts was another
        const worked = meant.value.ops.flatMap((op) => (isAct(op) ? [controlOfOp(op)] : []));
        fc.pre(worked.every((control, i) => control === null || control !== worked[i + 1]));
        const done = perform(spoilt.value, plan.facts, idealHands, 8000);
        expect(tryProgram(meant.value, plan.facts, done).took).toBe(false);
      }),
      { numRuns: 300 },
    );
  });
});

const demo = new URL('../../../demo/', import.meta.url);
const families = readdirSync(demo).filter((f) => f.endsWith('.json'));

describe('the demo, played', () => {
  it.each(families)('%s: every way in is recognised, and from there every other route', (file) => {
    const read = readBundle(JSON.parse(readFileSync(new URL(file, demo), 'utf8')));
    if (!read.ok) throw new Error(file);
    const bundle = read.value;
    const routes = entriesOf(bundle, 'route');
    const variants = [null, ...new Set(routes.flatMap((r) => r.onlyVariants))];
    for (const variant of variants) {
      const plan = planUnit(bundle, variant);
      expect(plan.refused).toEqual([]);
      // a way that is there for one code only wants that code, behind another: where it is the latest they go the other way
      const codes = routes.flatMap((r) => r.onlyFor.flatMap((c) => entryOf(bundle, 'code', c)?.text ?? []));
      const begin = startUnit(plan, codes.length > 0 ? ['other', ...codes] : []);
      const reached = new Map<string, UnitState>([['start', begin]]);
      const known = (id: string) => routes.find((r) => r.name === id);
      for (let round = 0; round < 4; round += 1)
        for (const gesture of plan.gestures) {
          if (gesture.of.kind !== 'route') continue;
          const route = known(gesture.of.name);
          if (!route || reached.has(`did ${route.id}`)) continue;
          const from = route.from === 'any' ? begin : route.from.flatMap((m) => reached.get(m) ?? []).at(0);
          const isStart =
            route.from !== 'any' && [...begin.controllers.values()].some((m) => route.from.includes(m.mode));
          const state = from ?? (isStart ? begin : undefined);
          if (!state) continue;
          const after = fired(plan, state, ideal(plan, state, gesture.of.name));
          if (!after.names.includes(gesture.of.name)) continue;
          reached.set(`did ${route.id}`, after.state);
          if (route.to !== null && !reached.has(route.to)) reached.set(route.to, after.state);
        }
      const played = plan.gestures.flatMap((g) => (g.of.kind === 'route' ? [g.of.id as string] : []));
      expect(played.filter((id) => !reached.has(`did ${id}`))).toEqual([]);
    }
  });
});
