import type { ModeId } from '../base/ids.ts';
import type { Route } from '../model/route.ts';

/** Purposes of routes that lead somewhere on the way; nobody erases, leaves or locks out to get to a test. */
const leads: ReadonlySet<Route['purpose']> = new Set(['enter', 'step', 'test']);

/** The shortest of the rows that begin with these and lead into one of the modes; empty where none does. */
function shortest(begun: readonly Route[], modes: readonly ModeId[], routes: readonly Route[]): Route[] {
  const able = routes.filter((r) => leads.has(r.purpose) && r.to !== null);
  const reached = new Set<ModeId>();
  const rows: Route[][] = begun.filter((r) => able.includes(r)).map((r) => [r]);
  for (let row = rows.shift(); row !== undefined; row = rows.shift()) {
    const mode = row.at(-1)?.to;
    if (!mode || reached.has(mode)) continue;
    if (modes.includes(mode)) return row;
    reached.add(mode);
    for (const r of able) if (r.from !== 'any' && r.from.includes(mode)) rows.push([...row, r]);
  }
  return [];
}

const begins = (route: Route, resting: readonly ModeId[]): boolean =>
  route.from === 'any' || route.from.some((mode) => resting.includes(mode));

/**
 * A row of routes with what has to be gone first put in before each that wants it: where it can begin there, else before the
 * whole row. Each stands in it once.
 */
export function withFirst(row: readonly Route[], routes: readonly Route[]): Route[] {
  const out: Route[] = [];
  const before: Route[] = [];
  const put = (route: Route, within: readonly Route[]): void => {
    if (out.includes(route) || before.includes(route) || within.includes(route)) return;
    for (const id of route.needsFirst ?? []) {
      const first = routes.find((r) => r.id === id);
      const at = out.at(-1)?.to ?? null;
      if (!first || row.includes(first)) continue;
      if (first.from === 'any' || (at !== null && first.from.includes(at)) || out.length === 0)
        put(first, [...within, route]);
      else if (!before.includes(first)) before.push(first);
    }
    out.push(route);
  };
  for (const route of row) put(route, []);
  return [...before, ...out];
}

/**
 * Routes one after the other that bring a unit into one of these modes from wherever it is, or from a mode it rests in: the
 * shortest row, in the order they are gone. Empty where none leads there.
 */
export const routesTo = (
  modes: readonly ModeId[],
  routes: readonly Route[],
  resting: readonly ModeId[] = [],
): Route[] =>
  withFirst(
    shortest(
      routes.filter((r) => begins(r, resting)),
      modes,
      routes,
    ),
    routes,
  );

/** The same from a mode the unit is in. */
export const routesOn = (from: ModeId, modes: readonly ModeId[], routes: readonly Route[]): Route[] =>
  withFirst(
    shortest(
      routes.filter((r) => r.from !== 'any' && r.from.includes(from)),
      modes,
      routes,
    ),
    routes,
  );

/** The same for a route: what comes before it, what has to be gone first, and the route itself. */
export const routesUpTo = (route: Route, routes: readonly Route[], resting: readonly ModeId[] = []): Route[] =>
  withFirst(
    route.from === 'any' || begins(route, resting) ? [route] : [...routesTo(route.from, routes, resting), route],
    routes,
  );
