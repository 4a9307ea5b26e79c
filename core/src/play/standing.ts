import type { ModeId } from '../base/ids.ts';
import type { Mode } from '../model/mode.ts';
import type { Route, Step } from '../model/route.ts';
import { entriesOf } from '../model/select.ts';
import { eachStep } from '../model/steps.ts';
import type { ControlFacts, UnitFacts } from '../unit/facts.ts';
import type { Gesture, UnitPlan } from './gestures.ts';
import { atStart, copyOf, suppliedAs, track, type UnitAsLeft } from './track.ts';

/** What says where the controls of a unit stand in a mode: its panels, its modes and the ways between them. */
type Family = Readonly<{ facts: UnitFacts; modes: ReadonlyMap<ModeId, Mode>; routes: readonly Route[] }>;

const givesNone = ({ mechanism, powersAt }: ControlFacts) =>
  mechanism.kind === 'places'
    ? mechanism.places.find((p) => !powersAt.has(p.id) && p.springsTo === undefined)
    : undefined;

/** Puts what carries the supply where it gives it. */
function supply(facts: UnitFacts, standing: UnitAsLeft): void {
  for (const c of facts.supply) {
    const on = [...c.powersAt][0];
    const place = standing.places.get(c.control.id);
    if (on !== undefined && (place === undefined || !c.powersAt.has(place))) standing.places.set(c.control.id, on);
  }
}

/** Takes the supply away, at the first control that can. */
function unsupply(facts: UnitFacts, standing: UnitAsLeft): void {
  if (!suppliedAs(facts, standing)) return;
  const first = facts.supply.find((c) => givesNone(c) !== undefined);
  const off = first && givesNone(first);
  if (first && off) standing.places.set(first.control.id, off.id);
}

/** Where the controls of a unit stand that is in a mode: as the first way in leaves them, else as delivered, with its supply unless it is off. */
export function standingIn(id: ModeId, family: Family, without: readonly Route[] = []): UnitAsLeft {
  const { facts, modes, routes } = family;
  const mode = modes.get(id);
  const way = routes.find((r) => r.to === id && r.purpose === 'enter' && !without.some((w) => w.id === r.id));
  const own = (): UnitAsLeft => {
    if (!way || mode?.sort === 'off') return atStart(facts);
    const begin =
      way.from === 'any' || way.from[0] === undefined
        ? beganAnywhere(way.steps, facts)
        : standingIn(way.from[0], family, [...without, way]);
    return track(way.steps, facts, copyOf(begin), () => {});
  };
  const standing = own();
  if (mode?.sort === 'off') unsupply(facts, standing);
  else supply(facts, standing);
  // what a way in never lets go of is not held by anybody who begins anew
  standing.held.clear();
  return standing;
}

/** Where the controls stand for steps that may begin in any mode: with the supply, unless they begin by giving it. */
function beganAnywhere(steps: readonly Step[], facts: UnitFacts): UnitAsLeft {
  const standing = atStart(facts);
  if (facts.supply.length === 0) return standing;
  const first = eachStep(steps, []).flatMap(({ step }) => {
    const own = step.kind === 'set' ? facts.supply.find((c) => c.control.id === step.control) : undefined;
    return own && step.kind === 'set' ? [own.powersAt.has(step.to)] : [];
  })[0];
  if (first !== true) supply(facts, standing);
  return standing;
}

const families = new WeakMap<UnitPlan, Family>();
/** What a plan says of where controls stand, gathered once. */
export function familyOf(plan: UnitPlan): Family {
  const known = families.get(plan);
  if (known) return known;
  const routes = entriesOf(plan.bundle, 'route').filter((r) => r.family === plan.bundle.family);
  const made = { facts: plan.facts, modes: plan.modes, routes };
  families.set(plan, made);
  return made;
}

/** Where the controls of a unit stand as one of its gestures begins. */
export function gestureStanding(plan: UnitPlan, { from, of, steps }: Gesture): UnitAsLeft {
  const family = familyOf(plan);
  const own = of.kind === 'route' ? family.routes.filter((r) => r.id === of.id) : [];
  return standingBefore({ from, steps }, family, own);
}

/** Where the controls of the unit stand as a route, or a gesture of a mode, begins. */
export function standingBefore(
  { from, steps }: Readonly<{ from: 'any' | readonly ModeId[]; steps: readonly Step[] }>,
  family: Family,
  own: readonly Route[] = [],
): UnitAsLeft {
  const mode = from === 'any' ? undefined : from[0];
  return mode === undefined ? beganAnywhere(steps, family.facts) : standingIn(mode, family, own);
}
