import type { ControlId, PlaceId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import { dialPresses } from '../gesture/dial.ts';
import type { Step } from '../model/route.ts';
import { isSupplied, type UnitFacts } from '../unit/facts.ts';

/** How the unit stands as a step begins, as far as the steps before it say. */
export type UnitAsLeft = {
  readonly places: Map<ControlId, PlaceId>;
  readonly clicks: Map<ControlId, number>;
  /** Held until something lets go, with the step that took hold. */
  readonly held: Map<ControlId, string>;
};
/** Where the controls of a unit stand. */
export type Stands = Readonly<{ places: ReadonlyMap<ControlId, PlaceId>; clicks: ReadonlyMap<ControlId, number> }>;
export type Visit = (step: Step, at: string, standing: UnitAsLeft) => void;

/** How a unit's panels stand before anything is done. */
export function atStart(facts: UnitFacts): UnitAsLeft {
  const places = new Map<ControlId, PlaceId>();
  for (const { control, start } of facts.controls.values()) if (start !== null) places.set(control.id, start);
  return { places, clicks: new Map(), held: new Map() };
}

export const copyOf = (s: UnitAsLeft): UnitAsLeft => ({
  places: new Map(s.places),
  clicks: new Map(s.clicks),
  held: new Map(s.held),
});

/** Whether the unit has its supply as it stands. */
export function suppliedAs(facts: UnitFacts, standing: UnitAsLeft): boolean {
  return isSupplied(facts, (c) => standing.places.get(c) ?? null);
}

/** Where a knob stands after so many clicks. */
function turned(facts: UnitFacts, standing: UnitAsLeft, control: ControlId, clicks: number): void {
  const mechanism = facts.controls.get(control)?.mechanism;
  if (mechanism?.kind !== 'clicks') return;
  const { perTurn, springsBack } = mechanism;
  const now = ((((standing.clicks.get(control) ?? 0) + clicks) % perTurn) + perTurn) % perTurn;
  standing.clicks.set(control, springsBack ? 0 : now);
}

/**
 * Goes through steps in the order they are done, a choice both ways (the later steps follow the other way), and keeps
 * account of places, clicks and what is held. `visit` sees each step before it is done.
 */
export function track(
  steps: readonly Step[],
  facts: UnitFacts,
  standing: UnitAsLeft,
  visit: Visit,
  under = '',
): UnitAsLeft {
  const put = (control: ControlId, to: PlaceId): void => {
    const springs = facts.controls.get(control)?.springs.get(to);
    standing.places.set(control, springs ?? to);
  };
  steps.forEach((step, i) => {
    const at = `${under}${i}`;
    visit(step, at, standing);
    switch (step.kind) {
      case 'hold':
      case 'keep':
        for (const { control, place } of step.controls) {
          if (place && !facts.controls.get(control)?.springs.has(place)) standing.places.set(control, place);
          if (step.kind === 'keep' || step.until.kind === 'release') standing.held.set(control, at);
        }
        if (step.kind === 'keep') {
          track(step.during, facts, standing, visit, `${at}.during.`);
          for (const { control } of step.controls) standing.held.delete(control);
        }
        break;
      case 'release':
        for (const control of step.controls.length > 0 ? step.controls : [...standing.held.keys()])
          standing.held.delete(control);
        break;
      case 'set':
        put(step.control, step.to);
        // a held lever is let go of by moving it
        standing.held.delete(step.control);
        break;
      case 'turn':
        turned(facts, standing, step.control, step.way === 'cw' ? step.clicks : -step.clicks);
        break;
      case 'sweep': {
        const mechanism = facts.controls.get(step.control)?.mechanism;
        const rest = mechanism?.kind === 'clicks' ? mechanism.rests.find((r) => r.id === step.stopAt) : undefined;
        if (rest) standing.clicks.set(step.control, rest.atClick);
        break;
      }
      case 'group':
      case 'do':
        track(step.steps ?? [], facts, standing, visit, `${at}.steps.`);
        break;
      case 'dial': {
        const presses = step.by.kind === 'knob' ? dialPresses(step) : null;
        for (const { control, times, way } of presses?.ok ? presses.value : [])
          if (way !== undefined) turned(facts, standing, control, way === 'cw' ? times : -times);
        break;
      }
      case 'branch':
        track(step.met, facts, copyOf(standing), visit, `${at}.met.`);
        track(step.otherwise, facts, standing, visit, `${at}.otherwise.`);
        break;
      case 'at-place':
      case 'bypass':
      case 'choose':
      case 'press':
      case 'rest':
      case 'say':
      case 'see':
      case 'step-list':
      case 'together':
        break;
      default:
        assertNever(step);
    }
  });
  return standing;
}

/** The path of a step in its route, from its place in the script: `0.during.1` is `steps`, 0, `during`, 1. */
export function pathOfStep(at: string): Array<string | number> {
  return at === '' ? [] : ['steps', ...at.split('.').map((part) => (/^\d+$/.test(part) ? Number(part) : part))];
}
