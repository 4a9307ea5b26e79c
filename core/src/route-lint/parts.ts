import type { ModeId, ParameterId, RouteId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import type { Parameter } from '../model/family.ts';
import type { Finding } from '../model/finding.ts';
import type { Mode } from '../model/mode.ts';
import type { Route, Step } from '../model/route.ts';
import { eachStep } from '../model/steps.ts';
import { routesDone } from '../model/whole.ts';

/** What the findings of ways made of ways need beside the route. */
export type Family = Readonly<{
  routes: ReadonlyMap<RouteId, Route>;
  modes: ReadonlyMap<ModeId, Mode>;
  parameters: ReadonlyMap<ParameterId, Parameter>;
}>;

/** Every route that has to be gone before a route, straight or by way of others; itself where it needs itself. */
function neededBy(route: Route, routes: ReadonlyMap<RouteId, Route>): ReadonlySet<RouteId> {
  const found = new Set<RouteId>();
  const open = [...(route.needsFirst ?? [])];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (found.has(id)) continue;
    found.add(id);
    open.push(...(routes.get(id)?.needsFirst ?? []));
  }
  return found;
}

function circles(route: Route, { routes }: Family, at: Path): Finding[] {
  const found = [
    ['does', routesDone(route, routes)],
    ['needs', neededBy(route, routes)],
  ] as const;
  return found.flatMap(([by, all]): Finding[] => {
    if (!all.has(route.id)) return [];
    const others = [...all].filter((id) => id !== route.id && routes.get(id));
    const names = [route, ...others.flatMap((id) => routes.get(id) ?? [])].map((r) => r.name);
    return [{ code: 'route-circle', severity: 'error', at, routes: names, by }];
  });
}

/** Parts that begin in a mode the unit is not in by then, as far as the parts before say where it is. */
function beginElsewhere(route: Route, { routes, modes }: Family, at: Path): Finding[] {
  let mode: ModeId | null = route.from === 'any' || route.from.length > 1 ? null : (route.from[0] ?? null);
  return route.steps.flatMap((step, i): Finding[] => {
    const part = step.kind === 'do' ? routes.get(step.route) : undefined;
    if (!part) return [];
    const here = mode;
    mode = part.to ?? mode;
    if (here === null || part.from === 'any' || part.from.includes(here)) return [];
    const name = modes.get(here)?.name ?? here;
    return [
      { code: 'part-begins-elsewhere', severity: 'warning', at: [...at, 'steps', i], part: part.name, mode: name },
    ];
  });
}

/** The number a step has of its own, in the unit its value is kept in; null where it has none. */
function numberOf(step: Step): number | null {
  switch (step.kind) {
    case 'press':
    case 'group':
    case 'together':
    case 'do':
      return step.times;
    case 'turn':
      return step.clicks;
    case 'sweep':
      return step.turns;
    case 'step-list':
      return step.to;
    case 'dial':
      return Number(step.text);
    case 'choose':
      return step.value === undefined ? null : Number(step.value);
    case 'rest':
      return step.span.usualMs / 1000;
    case 'hold':
    case 'keep':
      return step.until?.kind === 'span' ? step.until.span.usualMs / 1000 : null;
    case 'see':
      return step.within ? step.within.usualMs / 1000 : null;
    case 'at-place':
    case 'branch':
    case 'bypass':
    case 'release':
    case 'say':
    case 'set':
      return null;
  }
}

/** Numbers that are said otherwise in a step than the value they stand for is. */
function otherAmounts(route: Route, { parameters }: Family, at: Path): Finding[] {
  return eachStep(route.steps, [...at, 'steps']).flatMap(({ step, at: here }): Finding[] => {
    const own = step.amount === undefined ? undefined : parameters.get(step.amount);
    const said = numberOf(step);
    return own && said !== null && said !== own.value
      ? [{ code: 'amount-otherwise', severity: 'warning', at: here, said, is: own.value, name: own.name }]
      : [];
  });
}

/** Findings of ways made of ways, and of numbers that are values of the family's. */
export const lintParts = (route: Route, family: Family, at: Path): Finding[] => [
  ...circles(route, family, at),
  ...beginElsewhere(route, family, at),
  ...otherAmounts(route, family, at),
];
