import type { ControlId, PlaceId } from '../base/ids.ts';
import { seeded } from '../base/random.ts';
import {
  advanceUnit,
  type Bundle,
  entriesOf,
  planUnit,
  type Route,
  type Step,
  startForRoute,
  startUnit,
  type UnitEffect,
  type UnitEvent,
  type UnitPlan,
  type UnitState,
} from '../index.ts';
import { type Expected, hands, type Leaf, leaves, type MissKind, missKinds } from './made-hands.ts';
import { checkMs, drawing, madeUnit } from './made-units.ts';

export { missKinds };

export type MadeMiss = Readonly<{
  seed: number;
  kind: MissKind;
  bundle: Bundle;
  plan: UnitPlan;
  route: Route;
  begin: UnitState;
  events: readonly UnitEvent[];
  expected: Expected;
}>;

/** What the unit answers to all of it, and to nothing more for a while. */
function play(plan: UnitPlan, begin: UnitState, events: readonly UnitEvent[]): readonly UnitEffect[] {
  let state = begin;
  const effects: UnitEffect[] = [];
  for (const event of events) {
    const next = advanceUnit(plan, state, event);
    state = next.state;
    effects.push(...next.effects);
  }
  effects.push(...advanceUnit(plan, state, { kind: 'tick', at: state.at + 12_000 }).effects);
  return effects;
}

const waits = (s: Step): boolean => s.kind === 'rest' || s.kind === 'see';
const controlOf = (step: Step | undefined): string | null =>
  step?.kind === 'press' || step?.kind === 'turn' || step?.kind === 'step-list' || step?.kind === 'sweep'
    ? step.control
    : step?.kind === 'hold' || step?.kind === 'keep'
      ? (step.controls[0]?.control ?? null)
      : null;
/** Whether a count there can be told at all: where the same control is worked before or after it, nobody can say whose it was. */
const countsAlone = (all: readonly Leaf[], i: number): boolean => {
  const own = controlOf(all[i]?.step);
  return controlOf(all[i - 1]?.step) !== own && controlOf(all[i + 1]?.step) !== own;
};
const may = (kind: MissKind, all: readonly Leaf[], i: number): boolean => {
  const { step, inWindow } = all[i] as Leaf;
  switch (kind) {
    case 'hold let go early':
      return step.kind === 'hold' && step.until.kind === 'span';
    case 'press held':
      return step.kind === 'press' && countsAlone(all, i);
    case 'one too many':
      return ((step.kind === 'press' && step.times > 1) || step.kind === 'turn') && countsAlone(all, i);
    case 'one too few':
      return (
        ((step.kind === 'press' && step.times > 1) || (step.kind === 'turn' && step.clicks > 1)) && countsAlone(all, i)
      );
    case 'did not wait':
      return step.kind === 'rest';
    case 'another mode':
    case 'during the self-check':
    case 'no supply':
      return i === 0;
    case 'one place short':
      return step.kind === 'set' && step.control !== 'lid';
    case 'overshot a list':
      return step.kind === 'step-list' && countsAlone(all, i);
    case 'key that looks alike':
      return (
        step.kind === 'press' ||
        (step.kind === 'hold' && step.controls.every((c) => c.place === undefined) && step.controls.length === 1)
      );
    case 'the other way':
      return step.kind === 'turn' || step.kind === 'sweep';
    case 'step left out':
      return !waits(step) && step.kind !== 'set' && all.filter((l) => !waits(l.step)).length > 1 && countsAlone(all, i);
    case 'two swapped': {
      const next = all[i + 1];
      return (
        next !== undefined &&
        !waits(step) &&
        !waits(next.step) &&
        countsAlone(all, i) &&
        countsAlone(all, i + 1) &&
        JSON.stringify(step) !== JSON.stringify(next.step)
      );
    }
    case 'too slow for the window':
      return inWindow !== null && step.kind === 'press';
  }
};

const worksSupply = (step: Step | undefined): boolean =>
  step?.kind === 'set' && step.control === ('power' as ControlId);

/** Where the unit stands as somebody begins, for the misses that lie in that. */
function beginning(
  kind: MissKind,
  plan: UnitPlan,
  route: Route,
  random: () => number,
): { begin: UnitState; byMs: number | null } | null {
  const d = drawing(random);
  const right = startForRoute(plan, route);
  if (kind !== 'another mode' && kind !== 'no supply' && kind !== 'during the self-check')
    return { begin: right, byMs: null };
  const first = route.steps[0];
  if (kind === 'during the self-check' && route.from !== 'any' && route.from[0] !== ('idle' as never)) return null;
  if (worksSupply(first) || (first?.kind === 'rest' && kind !== 'another mode')) return null;
  const at = (state: UnitState, event: UnitEvent): UnitState => advanceUnit(plan, state, event).state;
  const on = plan.facts.controls.get('power' as ControlId)?.control.look === 'key' ? 'run' : 'on';
  if (route.from === 'any' || route.from[0] === ('off' as never)) return null;
  if (kind === 'another mode') {
    const others = ['idle', 'service', 'memory', 'tests'].filter(
      (m) => route.from !== 'any' && !route.from.some((f) => f === m),
    );
    const wrong = d.one(others);
    const [id, controller] = [...right.controllers][0] ?? [];
    if (!id || !controller) return null;
    return { begin: { ...right, controllers: new Map([[id, { ...controller, mode: wrong as never }]]) }, byMs: null };
  }
  const off = at(startUnit(plan), { kind: 'place', at: 100, control: 'power' as ControlId, to: 'off' as PlaceId });
  if (kind === 'no supply') return { begin: at(off, { kind: 'tick', at: 5000 }), byMs: null };
  const onAt = 2000;
  const checking = at(off, { kind: 'place', at: onAt, control: 'power' as ControlId, to: on as PlaceId });
  const now = onAt + d.number(5000, checkMs - 45_000);
  return { begin: at(checking, { kind: 'tick', at: now }), byMs: checkMs + onAt - now };
}

/** One made-up try that fails, with what it should be called; null where the draw gives none. */
export function madeMiss(seed: number, kind: MissKind): MadeMiss | null {
  const bundle = madeUnit(seed % 4001);
  if (!bundle) return null;
  const random = seeded(seed * 7 + missKinds.indexOf(kind));
  const d = drawing(random);
  const plan = planUnit(bundle);
  const routes = entriesOf(bundle, 'route');
  const route = d.one(routes);
  const all = leaves(route.steps).filter((l) => l.step.kind !== 'say');
  const can = [...all.keys()].filter((i) => may(kind, all, i));
  if (can.length === 0) return null;
  const begun = beginning(kind, plan, route, random);
  if (!begun) return null;
  const slip = { leaf: d.one(can), kind };
  const done = hands(plan, begun.begin, all, random, slip);
  const at = all[0]?.at ?? '';
  const expected: Expected | null =
    kind === 'another mode'
      ? { codes: ['other-mode'], at: [], byMs: null, did: null }
      : kind === 'no supply'
        ? { codes: ['no-power'], at: [], byMs: null, did: null }
        : kind === 'during the self-check'
          ? { codes: ['other-mode', 'deaf'], at: [], byMs: begun.byMs, did: null }
          : done.expected;
  if (!expected || at === '' || done.events.length === 0) return null;
  const effects = play(plan, begun.begin, done.events);
  // what is still taken as some way or other is no miss
  if (effects.some((e) => e.kind === 'done')) return null;
  return { seed, kind, bundle, plan, route, begin: begun.begin, events: done.events, expected };
}

/** Whether the unit named what was done: the way that was meant, the step, and by how much. */
export function judged({ plan, begin, events, route, expected }: MadeMiss): { named: boolean; said: string } {
  const last = play(plan, begin, events).findLast((e) => e.kind === 'missed');
  if (last?.kind !== 'missed') return { named: false, said: 'nothing' };
  const { of, miss } = last.nearest;
  const did = (miss as { did?: number }).did ?? null;
  const said = `${of.name} ${miss.at} ${miss.code} ${miss.byMs === null ? '' : Math.round(miss.byMs)} ${did ?? ''}`;
  const by =
    expected.byMs === null ||
    (miss.byMs !== null && Math.abs(miss.byMs - expected.byMs) < Math.max(150, expected.byMs * 0.15));
  const named =
    of.kind === 'route' &&
    of.id === route.id &&
    expected.codes.includes(miss.code) &&
    (expected.at.length === 0 || expected.at.includes(miss.at)) &&
    by &&
    (expected.did === null || did === expected.did);
  return { named, said };
}

/** Everything the unit said of a try, one line each: when, of which way, at which step, what, and what else it may have been. */
export function saidOf({ plan, begin, events }: Pick<MadeMiss, 'plan' | 'begin' | 'events'>): string[] {
  const nameOf = (of: { kind: string; name?: string }) => `${of.kind} ${of.name ?? ''}`;
  return play(plan, begin, events).map((e) => {
    if (e.kind !== 'missed') return `${Math.round(e.at)} ${e.kind}${'of' in e ? ` ${nameOf(e.of as never)}` : ''}`;
    const told = [e.nearest, ...e.others].map(({ of, miss }) => {
      const { at, code, ...facts } = miss;
      const more = Object.entries(facts).map(
        ([k, v]) => `${k} ${typeof v === 'number' ? Math.round(v) : JSON.stringify(v)}`,
      );
      return `${nameOf(of)} ${at} ${code} (${more.join(', ')})`;
    });
    return `${Math.round(e.at)} missed ${told.join(' | ')}`;
  });
}

/** A performance whose every time lies within what its route declares; null where the draw gives none. */
export function madeTake(
  seed: number,
): Readonly<{ seed: number; plan: UnitPlan; route: Route; begin: UnitState; events: UnitEvent[] }> | null {
  const bundle = madeUnit(seed % 4001);
  if (!bundle) return null;
  const random = seeded(seed * 13 + 5);
  const plan = planUnit(bundle);
  const route = drawing(random).one(entriesOf(bundle, 'route'));
  const all = leaves(route.steps).filter((l) => l.step.kind !== 'say');
  const begin = startForRoute(plan, route);
  const { events } = hands(plan, begin, all, random, null);
  // what stands as it should already is not done
  return events.length === 0 ? null : { seed, plan, route, begin, events };
}

/** A way begun as it should be, broken off anywhere, and gone on with by a hand that strays over the panel. */
export function madeStray(seed: number): ReturnType<typeof madeTake> {
  const made = madeTake(seed);
  if (!made) return null;
  const d = drawing(seeded(seed * 17 + 3));
  const events = made.events.slice(0, d.number(0, made.events.length));
  let at = (events.at(-1)?.at ?? made.begin.at) + d.number(200, 900);
  const down = new Set<ControlId>();
  const chosen = made.events.flatMap((e) => (e.kind === 'choose' ? [e] : []));
  for (const e of events) {
    if (e.kind === 'down') down.add(e.control);
    if (e.kind === 'up') down.delete(e.control);
  }
  for (let n = d.number(3, 14); n > 0; n -= 1) {
    const { control, mechanism } = d.one([...made.plan.facts.controls.values()]);
    const { id } = control;
    const again = d.one(chosen.length > 0 ? chosen : [null]);
    if (again && d.number(0, 5) === 0) events.push({ ...again, at });
    else if (mechanism.kind === 'places')
      events.push({ kind: 'place', at, control: id, to: d.one([...mechanism.places]).id });
    else if (mechanism.kind === 'clicks') events.push({ kind: 'click', at, control: id, way: d.one(['cw', 'ccw']) });
    else if (down.delete(id)) events.push({ kind: 'up', at, control: id });
    else {
      down.add(id);
      events.push({ kind: 'down', at, control: id });
      at += d.one([90, 150, 300, 1200, 4000, 7000]);
      if (d.number(0, 4) > 0 && down.delete(id)) events.push({ kind: 'up', at, control: id });
    }
    at += d.one([120, 300, 300, 500, 900, 2500, 6000, 14_000, 65_000]);
  }
  for (const control of down) events.push({ kind: 'up', at, control });
  return { ...made, events };
}

export const taken = (made: NonNullable<ReturnType<typeof madeTake>>): boolean =>
  play(made.plan, made.begin, made.events).some(
    (e) => e.kind === 'done' && e.of.kind === 'route' && e.of.id === made.route.id,
  );
