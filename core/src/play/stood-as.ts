import type { Route } from '../model/route.ts';
import { advanceUnit } from './advance.ts';
import type { UnitPlan } from './gestures.ts';
import type { UnitEvent } from './op.ts';
import { startForRoute, type UnitState } from './state.ts';

export const stoodAs = ['as-it-begins', 'just-switched-on', 'switched-off'] as const;
/** How a unit stood when somebody began: where the way begins, a moment after its supply came, or without supply. */
export type StoodAs = (typeof stoodAs)[number];

/** Where a control that carries the supply gives none, and where it does; null where nothing carries it. */
function switchOf(plan: UnitPlan): Readonly<{ off: UnitEvent; on: UnitEvent }> | null {
  for (const { control, mechanism, powersAt } of plan.facts.supply) {
    const [to] = powersAt;
    const none = mechanism.kind === 'places' ? mechanism.places.find((p) => !powersAt.has(p.id)) : undefined;
    if (to === undefined || !none) continue;
    return {
      off: { at: 0, kind: 'place', control: control.id, to: none.id },
      on: { at: 0, kind: 'place', control: control.id, to },
    };
  }
  return null;
}

/** How a unit stands for somebody who shows what they did; null where it cannot stand so. */
export function unitStoodAs(plan: UnitPlan, route: Route, as: StoodAs): UnitState | null {
  const state = startForRoute(plan, route);
  const own = switchOf(plan);
  if (as === 'as-it-begins') return state;
  if (!own) return null;
  const then = (from: UnitState, event: UnitEvent, at: number): UnitState =>
    advanceUnit(plan, from, { ...event, at }).state;
  const off = then(state, own.off, 1);
  const begun = as === 'switched-off' ? off : then(off, own.on, 2000);
  // what was done to bring it there is no part of the try
  return { ...begun, tried: state.tried, attempts: plan.gestures.map(() => null) };
}
