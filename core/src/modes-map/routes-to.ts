import type { ModeId } from '../base/ids.ts';
import type { Route } from '../model/route.ts';

/** Purposes of routes that lead somewhere on the way; nobody erases, leaves or locks out to get to a test. */
const leads: ReadonlySet<Route['purpose']> = new Set(['enter', 'step', 'test']);

/**
 * Routes one after the other that bring a unit into one of these modes from wherever it is: the shortest row, in the order
 * they are gone. Empty where none leads there.
 */
export function routesTo(modes: readonly ModeId[], routes: readonly Route[]): Route[] {
  const able = routes.filter((r) => leads.has(r.purpose) && r.to !== null);
  const reached = new Set<ModeId>();
  const rows: Route[][] = able.filter((r) => r.from === 'any').map((r) => [r]);
  for (let row = rows.shift(); row !== undefined; row = rows.shift()) {
    const mode = row.at(-1)?.to;
    if (!mode || reached.has(mode)) continue;
    if (modes.includes(mode)) return row;
    reached.add(mode);
    for (const r of able) if (r.from !== 'any' && r.from.includes(mode)) rows.push([...row, r]);
  }
  return [];
}

/** The same for a route: what comes before it, and the route itself. */
export const routesUpTo = (route: Route, routes: readonly Route[]): Route[] =>
  route.from === 'any' ? [route] : [...routesTo(route.from, routes), route];
