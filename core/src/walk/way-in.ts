import type { ModeId } from '../base/ids.ts';
import type { Mode } from '../model/mode.ts';
import type { Route } from '../model/route.ts';
import { routesOn, routesUpTo } from '../modes-map/routes-to.ts';
import type { Walk } from './state.ts';

/** Modes a unit is in by itself while it has its supply. */
const rests = new Set(['standby', 'running']);
export const restingModes = (modes: readonly Mode[]): ModeId[] =>
  modes.filter((m) => rests.has(m.sort)).map((m) => m.id);

/**
 * The routes that bring a unit to where its codes show, in the order they are gone: what leads to the named route, that
 * route, and what leads on from there into one of these modes.
 */
export function wayIn(
  named: Route,
  shownIn: readonly ModeId[],
  unit: Readonly<{ routes: readonly Route[]; modes: readonly Mode[] }>,
): Route[] {
  const upTo = routesUpTo(named, unit.routes, restingModes(unit.modes));
  if (named.to === null || shownIn.length === 0 || shownIn.includes(named.to)) return upTo;
  return [...upTo, ...routesOn(named.to, shownIn, unit.routes)];
}

/** Whether the unit was brought into a mode and not run since, as after something was done first. */
export const isInside = (walk: Walk): boolean => walk.resetFirst === null && walk.tries.some((t) => t.took && !t.more);

/** How many routes of a way are behind a walk: each that took, in a row; a reset throws it back to the first. */
export function wayGone(way: readonly Route[], tries: Walk['tries']): number {
  let gone = 0;
  for (const t of tries) {
    if (t.took && t.route === way[gone]?.id) gone += 1;
    else if (t.happened === 'reset') gone = 0;
  }
  return gone;
}
