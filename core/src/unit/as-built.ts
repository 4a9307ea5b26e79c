import type { ParameterId, RouteId, VariantId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Detection } from '../model/code.ts';
import type { Entry } from '../model/entry.ts';
import type { Face, Panel } from '../model/panel.ts';
import type { Route, Step } from '../model/route.ts';
import { entriesOf, familyEntry } from '../model/select.ts';
import { variantCases } from '../model/values.ts';
import { wholeSteps } from '../model/whole.ts';
import { holdsFor } from './plate.ts';

/** Times of a detection, kept in milliseconds; values of the family's are in seconds. */
const timed: ReadonlySet<string> = new Set(['forMs', 'armingMs', 'cycleMs', 'cycleEveryMs']);
/** Where less is the safer thing to count on: a warning and a lock-out come no later than said. */
const least: ReadonlySet<string> = new Set(['warnsAfter', 'locksOutAfter']);

/** A detection with the values its numbers stand for; of several that are possible, the one that is safe to count on. */
function detectionWith(detection: Detection, cases: ReadonlyArray<ReadonlyMap<ParameterId, number>>): Detection {
  const { amounts = [], ...plain } = detection;
  const set = amounts.flatMap(({ of, is }): Array<[string, number]> => {
    const values = cases.flatMap((c) => c.get(is) ?? []);
    if (values.length === 0) return [];
    const value = least.has(of) ? Math.min(...values) : Math.max(...values);
    return [[of, timed.has(of) ? value * 1000 : Math.max(0, Math.round(value))]];
  });
  return { ...plain, ...Object.fromEntries(set) };
}

function builtPanel(panel: Panel, alive: readonly VariantId[]): Panel {
  const faces = panel.faces.map((face): Face => {
    const controls = face.controls.filter((c) => holdsFor(c.onlyVariants ?? [], alive) !== 'no');
    return controls.length === face.controls.length ? face : { ...face, controls };
  });
  return { ...panel, faces };
}

/** Whether units of one family are not built alike: a panel, or a control of one, that only some variants have. */
export const differsInBuild = (bundle: Bundle): boolean =>
  entriesOf(bundle, 'panel').some(
    (p) => p.onlyVariants?.length || p.faces.some((f) => f.controls.some((c) => c.onlyVariants?.length)),
  );

const known = new WeakMap<Bundle, Map<string, Bundle>>();

/**
 * The family as a unit of one of these variants is built: panels, controls, modes, tests, routes and readouts of others are
 * left out, ways made of ways are whole, and numbers that are values of the family's have them. Where the variants that are
 * possible differ in such a number, a route keeps the family's own (`casesOfRoute` tells them apart) and a detection takes
 * what is safe to count on. With no variant named: the family's own values, and nothing left out.
 */
export function asBuilt(bundle: Bundle, alive: readonly VariantId[] | null): Bundle {
  const key = alive === null ? '' : [...alive].sort().join();
  const made = known.get(bundle) ?? new Map<string, Bundle>();
  known.set(bundle, made);
  const had = made.get(key);
  if (had) return had;
  const built = build(bundle, alive);
  made.set(key, built);
  // built once is built: nothing is left in it to build
  known.set(
    built,
    new Map([
      ['', built],
      [key, built],
    ]),
  );
  return built;
}

function build(bundle: Bundle, alive: readonly VariantId[] | null): Bundle {
  const family = familyEntry(bundle);
  const possible = alive ?? family.variants.map((v) => v.id);
  const holds = (only: readonly VariantId[] | undefined): boolean =>
    alive === null || holdsFor(only ?? [], possible) !== 'no';
  const cases = variantCases(family, alive ?? []).map((c) => c.parameters);
  const own = agreedOf(cases, new Map(family.parameters.map((p) => [p.id, p.value])));
  const routes = new Map(entriesOf(bundle, 'route').map((r) => [r.id, r] as const));
  const steps = (of: readonly Step[]): Step[] => wholeSteps(of, routes, own);
  const entries = bundle.entries.flatMap((entry): Entry[] => {
    if (!('family' in entry) || entry.family !== bundle.family) return [entry];
    switch (entry.kind) {
      case 'panel':
        return holds(entry.onlyVariants) ? [alive === null ? entry : builtPanel(entry, possible)] : [];
      case 'mode':
        if (!holds(entry.onlyVariants)) return [];
        return [
          {
            ...entry,
            transitions: entry.transitions.map((t) =>
              t.on.kind === 'gesture' ? { ...t, on: { ...t.on, steps: steps(t.on.steps) } } : t,
            ),
            tests: entry.tests
              .filter((t) => holds(t.onlyVariants))
              .map((t) => ({
                ...t,
                ...(t.gesture && { gesture: steps(t.gesture) }),
                ...(t.skipBy && { skipBy: steps(t.skipBy) }),
                ...(t.againBy && { againBy: steps(t.againBy) }),
              })),
          },
        ];
      case 'route':
        return holds(entry.onlyVariants) ? [wholeRoute(entry, routes, own)] : [];
      case 'code':
      case 'symptom':
        return entry.detection.amounts ? [{ ...entry, detection: detectionWith(entry.detection, cases) }] : [entry];
      case 'access':
      case 'account':
      case 'asset':
      case 'chart':
      case 'readout':
      case 'setting':
      case 'source':
        return [entry];
      default:
        return assertNever(entry);
    }
  });
  return { ...bundle, entries };
}

const wholeRoute = (
  route: Route,
  routes: ReadonlyMap<RouteId, Route>,
  values: ReadonlyMap<ParameterId, number>,
): Route => ({
  ...route,
  steps: wholeSteps(route.steps, routes, values, [route.id]),
  knownNotToWork: route.knownNotToWork.map((k) => ({
    ...k,
    ...(k.steps && { steps: wholeSteps(k.steps, routes, values) }),
  })),
});

/** The values all cases agree on; the family's own where they do not. */
function agreedOf(
  cases: ReadonlyArray<ReadonlyMap<ParameterId, number>>,
  own: ReadonlyMap<ParameterId, number>,
): Map<ParameterId, number> {
  const ids = new Set([...own.keys(), ...cases.flatMap((c) => [...c.keys()])]);
  return new Map(
    [...ids].flatMap((id): Array<[ParameterId, number]> => {
      const values = new Set(cases.map((c) => c.get(id)));
      const [only] = values;
      const value = values.size === 1 && only !== undefined ? only : own.get(id);
      return value === undefined ? [] : [[id, value]];
    }),
  );
}

/** A route as it is on some of the variants that are possible. */
export type RouteCase = Readonly<{ variants: readonly VariantId[]; route: Route }>;

/**
 * What a route is on each variant that is still possible, those on which it is the same together. One case: it is the same
 * on all of them, and nobody need read the plate for it. `bundle` is the family as it is stored.
 */
export function casesOfRoute(bundle: Bundle, id: RouteId, alive: readonly VariantId[]): RouteCase[] {
  const routes = new Map(entriesOf(bundle, 'route').map((r) => [r.id, r] as const));
  const route = routes.get(id);
  if (!route) return [];
  const cases = new Map<string, { variants: VariantId[]; route: Route }>();
  for (const { variants, parameters } of variantCases(familyEntry(bundle), alive)) {
    const here = variants.filter((v) => holdsFor(route.onlyVariants, [v]) !== 'no');
    if (variants.length > 0 && here.length === 0) continue;
    const made = wholeRoute(route, routes, parameters);
    const key = JSON.stringify(made.steps);
    const before = cases.get(key);
    if (before) before.variants.push(...here);
    else cases.set(key, { variants: [...here], route: made });
  }
  return [...cases.values()];
}
