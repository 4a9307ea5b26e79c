import type { ControlId } from '../base/ids.ts';
import { seeded } from '../base/random.ts';
import type { GestureOf, UnitEffect, UnitState } from '../index.ts';
import { advanceUnit, entriesOf, familyEntry, startForRoute, startUnit, underway, wakeAt } from '../index.ts';
import type { Gesture, UnitPlan } from '../play/gestures.ts';
import type { UnitEvent } from '../play/op.ts';
import { idealHands, perform, Solo } from '../play/perform.ts';
import { showsNow } from '../play/shows.ts';
import { drawing } from './made-units.ts';

type Draw = ReturnType<typeof drawing>;

const nameOf = (of: GestureOf): string => `${of.kind} ${of.name}`;

function lineOf(e: UnitEffect): string {
  switch (e.kind) {
    case 'mode':
      return `${e.controller}: ${e.from} → ${e.to} by ${e.by.kind === 'gesture' ? nameOf(e.by.of) : e.by.kind}`;
    case 'done':
      return `done ${nameOf(e.of)}`;
    case 'sign':
      return `sign ${JSON.stringify(e.shown)}`;
    case 'test':
      return `test ${e.number ?? 'over'}`;
    case 'missed': {
      const told = [e.nearest, ...e.others].map(
        ({ of, miss }) => `${nameOf(of)} ${miss.at} ${miss.code} ${miss.byMs === null ? '' : Math.round(miss.byMs)}`,
      );
      return `missed ${told.join(' | ')}`;
    }
    case 'known-not-to-work':
      return `known not to work ${e.route}: ${e.how}`;
    case 'refused':
      return `refused ${e.why} ${e.what}`;
  }
}

/** How the unit stands, in two lines. */
function standsAs(plan: UnitPlan, state: UnitState): string[] {
  const controllers = [...state.controllers].map(
    ([id, c]) => `${id} ${c.mode} stage ${c.stage} ${JSON.stringify(Object.fromEntries(c.variables))}`,
  );
  const shows = [...showsNow(plan, state)].map(([id, s]) => `${id} ${'text' in s ? s.text : s.state}`);
  const begun = underway(plan, state).map((u) => `${nameOf(u.of)} ${u.done}/${u.ofActs} at ${u.at}`);
  const wakes = wakeAt(plan, state);
  return [
    `= ${controllers.join('; ')}; ${state.poweredAt === null ? 'no supply' : `supply since ${Math.round(state.poweredAt)}`}`,
    `  shows ${shows.join(', ') || 'nothing'}; under way ${begun.join(', ') || 'nothing'}; wakes ${wakes === null ? 'never' : Math.round(wakes)}`,
  ];
}

const mayBegin = (state: UnitState, { from, controller }: Gesture): boolean => {
  const mode = state.controllers.get(controller)?.mode;
  return from === 'any' || (mode !== undefined && from.includes(mode));
};

/** One of the unit's ways as it is meant, or with something left out, late or too much. */
function someWay(plan: UnitPlan, state: UnitState, d: Draw): UnitEvent[] {
  const ways = plan.gestures.filter((g) => mayBegin(state, g));
  if (ways.length === 0) return [];
  const solo = new Solo(plan.facts, state.places, state.clicks, state.poweredAt);
  const done = perform(d.one(ways).program, plan.facts, idealHands, state.at + d.number(300, 1500), solo);
  const events = done.map((x) => x.event);
  const spoilt = d.number(0, events.length);
  switch (d.one(['right', 'right', 'right', 'right', 'short', 'late', 'without'] as const)) {
    case 'right':
      return events;
    case 'short':
      return events.slice(0, spoilt);
    case 'late':
      return events.map((e, i) => (i < spoilt ? e : { ...e, at: e.at + 2600 }));
    case 'without':
      return events.filter((_, i) => i !== spoilt);
  }
}

/** A hand somewhere on the panel, whatever that does. */
function someHand(plan: UnitPlan, state: UnitState, d: Draw): UnitEvent[] {
  const at = state.at + d.one([150, 400, 900, 3000]);
  const { control, mechanism } = d.one([...plan.facts.controls.values()]);
  const { id } = control;
  if (mechanism.kind === 'places') return [{ kind: 'place', at, control: id, to: d.one([...mechanism.places]).id }];
  if (mechanism.kind === 'clicks') return [{ kind: 'click', at, control: id, way: d.one(['cw', 'ccw']) }];
  const down: UnitEvent = { kind: 'down', at, control: id };
  return [down, { kind: 'up', at: at + d.one([120, 300, 1300, 5200]), control: id }];
}

/** What the machine does around the hand: a quantity passes somewhere, time goes by. */
function somethingElse(plan: UnitPlan, state: UnitState, d: Draw): UnitEvent[] {
  const { inputs } = familyEntry(plan.bundle);
  const wakes = wakeAt(plan, state);
  const at = state.at + 500;
  if (inputs.length > 0 && d.chance(0.5)) {
    const wanted = [...plan.modes.values()].flatMap((m) =>
      m.transitions.flatMap((t) => (t.on.kind === 'input' ? [t.on] : [])),
    );
    const to = wanted.length > 0 ? d.one(wanted) : null;
    const input = to?.input ?? d.one([...inputs]).id;
    return [{ kind: 'input', at, input, value: (to?.value ?? 50) + d.one([-5, 0, 5]) }];
  }
  const later = wakes !== null && wakes > at && d.chance(0.6) ? wakes : at + d.one([1500, 10_000, 70_000, 400_000]);
  return [{ kind: 'tick', at: later }];
}

/** Puts whatever brings the supply where it brings it. */
function supplyOn(plan: UnitPlan, state: UnitState): UnitEvent[] {
  return [...plan.facts.controls.values()].flatMap(({ control }, i): UnitEvent[] => {
    const [to] = control.powersAt ?? [];
    return to === undefined ? [] : [{ kind: 'place', at: state.at + 900 + i * 400, control: control.id, to }];
  });
}

/** Everything a unit does while somebody works it for a while, one line each, and how it stands after each thing done. */
export function sessionOf(plan: UnitPlan, seed: number): string[] {
  const d = drawing(seeded(seed));
  const listed = entriesOf(plan.bundle, 'code').map((c) => c.text);
  const codes = (listed.length > 0 ? listed : ['E1 U2', 'E3', 'E2 U1']).map((code) => ({
    code,
    standing: d.chance(0.3),
  }));
  const memory = d.some(codes, d.number(0, 3));
  const routes = entriesOf(plan.bundle, 'route');
  let state = d.chance(0.4) ? startUnit(plan, memory) : startForRoute(plan, d.one(routes), memory);
  const lines = [`# ${seed}`];
  const stuck = new Set<ControlId>();
  for (let n = 0; n < 14; n += 1) {
    const dead = state.poweredAt === null && d.chance(0.8);
    const events = dead
      ? supplyOn(plan, state)
      : d.one([someWay, someWay, someWay, someHand, somethingElse])(plan, state, d);
    for (const event of events) {
      if (event.kind === 'down') stuck.add(event.control);
      if (event.kind === 'up') stuck.delete(event.control);
    }
    // nobody's finger stays where a way was broken off
    const last = events.at(-1)?.at ?? state.at;
    for (const control of stuck) events.push({ kind: 'up', at: last + 700, control });
    stuck.clear();
    for (const event of events) {
      const next = advanceUnit(plan, state, event);
      state = next.state;
      lines.push(...next.effects.map((e) => `${Math.round(e.at)} ${lineOf(e)}`));
    }
    if (events.length > 0) lines.push(...standsAs(plan, state));
  }
  return lines;
}
