import type { AccessId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import type { Access } from '../model/access.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Code } from '../model/code.ts';
import type { EntryKind, EntryOf } from '../model/entry.ts';
import type { Finding } from '../model/finding.ts';
import type { Mode } from '../model/mode.ts';
import type { Route } from '../model/route.ts';
import { entriesOf, familyEntry } from '../model/select.ts';
import { type Gesture, planUnit } from '../play/gestures.ts';
import { standingBefore } from '../play/standing.ts';
import { atStart, copyOf, track, type UnitAsLeft } from '../play/track.ts';
import { stepAt } from '../timeline/edit.ts';
import type { UnitFacts } from '../unit/facts.ts';
import { lintPairs } from './pairs.ts';
import { lintParts } from './parts.ts';
import { lintTests, lintWhole } from './route.ts';
import { lintSteps } from './steps.ts';
import { lintTelling } from './telling.ts';

const putBack: ReadonlySet<string> = new Set([
  'jumper',
  'fuse',
  'slide',
  'dip',
  'plug',
  'breaker',
  'lid',
  'door',
  'switch',
]);

type Placed<T> = Readonly<{ entry: T; at: Path }>;

/** Whatever the ways in and out of a mode leave otherwise than it was. */
function notPutBack(leaving: Placed<Route>, routes: readonly Route[], before: UnitAsLeft, facts: UnitFacts): Finding[] {
  const { entry: route, at } = leaving;
  if (route.purpose !== 'leave' || route.from === 'any') return [];
  const entered = routes.some(
    (r) => r.purpose === 'enter' && route.from !== 'any' && route.from.some((m) => m === r.to),
  );
  if (!entered) return [];
  const end = track(route.steps, facts, copyOf(before), () => {});
  const start = atStart(facts);
  return [...facts.controls.values()].flatMap(({ control, mechanism, start: home }): Finding[] => {
    const now = end.places.get(control.id);
    if (
      !putBack.has(control.look) ||
      mechanism.kind !== 'places' ||
      now === undefined ||
      now === start.places.get(control.id)
    )
      return [];
    const word = (id: string | null | undefined): string =>
      mechanism.places.find((p) => p.id === id)?.label ?? String(id);
    return [
      { code: 'not-put-back', severity: 'warning', at, control: control.label, left: word(now), home: word(home) },
    ];
  });
}

/** The faces that are open already where a route begins: those a way into its mode had opened. */
function openedFor(route: Route, routes: readonly Route[], ways: ReadonlyMap<AccessId, Access>): ReadonlySet<string> {
  const from = route.from;
  if (from === 'any') return new Set();
  const entering = routes.filter((r) => r.to !== null && from.includes(r.to) && r.id !== route.id);
  return new Set(entering.flatMap((r) => r.ways.flatMap((w) => ways.get(w)?.opens ?? [])));
}

/** Lock-outs that nothing clears: a mode without a way out of it, a code that locks out in a family without a way to clear. */
function lintLockOuts(
  modes: ReadonlyArray<Placed<Mode>>,
  codes: ReadonlyArray<Placed<Code>>,
  routes: readonly Route[],
): Finding[] {
  const stuck = modes.filter(({ entry: m }) => {
    const leaves = routes.some(
      (r) =>
        (r.from === 'any' ? r.purpose === 'leave' || r.purpose === 'clear' : r.from.includes(m.id)) && r.to !== m.id,
    );
    return m.sort === 'locked-out' && !leaves && !m.transitions.some((t) => t.to !== undefined && t.to !== m.id);
  });
  const clears = routes.some((r) => r.purpose === 'clear');
  const locked = codes.filter(({ entry: c }) => c.detection.locksOutAfter !== undefined && c.clear === null && !clears);
  return [
    ...stuck.map(({ entry, at }) => ({ what: `“${entry.name}”`, at })),
    ...locked.map(({ entry, at }) => ({ what: entry.text, at })),
  ].map(({ what, at }): Finding => ({ code: 'lock-out-never-cleared', severity: 'warning', at, what }));
}

/** Whether a place among the steps of a route is within another route it does: what is wrong there is told of that one. */
function isWithinPart(route: Route, place: Path): boolean {
  const at = place.map(String);
  return at.some(
    (_, i) => i % 2 === 0 && i < at.length - 1 && stepAt(route.steps, at.slice(0, i + 1).join('.'))?.kind === 'do',
  );
}

/** Every finding of a family's routes that needs the panel, the modes or the other routes. */
export function lintRoutes(bundle: Bundle): Finding[] {
  const placed = <K extends EntryKind>(kind: K): Placed<EntryOf<K>>[] =>
    bundle.entries.flatMap((entry, i) =>
      entry.kind === kind ? [{ entry: entry as EntryOf<K>, at: ['entries', i] }] : [],
    );
  const routes = placed('route');
  const plan = planUnit(bundle);
  // findings go by the steps as they are gone, and stand where they are written
  const built = new Map(entriesOf(plan.bundle, 'route').map((r) => [r.id, r] as const));
  const family = familyEntry(bundle);
  const parts = {
    routes: new Map(routes.map((r) => [r.entry.id, r.entry] as const)),
    modes: plan.modes,
    parameters: new Map(family.parameters.map((p) => [p.id, p] as const)),
  };
  const { facts, modes } = plan;
  const all = [...built.values()];
  const around = {
    facts,
    ways: new Map(placed('access').map(({ entry }) => [entry.id, entry] as const)),
    instruments: new Map(placed('instrument').map(({ entry }) => [entry.id as string, entry] as const)),
  };
  const findings: Finding[] = [];
  for (const { entry, at } of routes) {
    const route = built.get(entry.id) ?? entry;
    const before = standingBefore(route, { facts, modes, routes: all }, [route]);
    const own = [
      ...lintSteps(route, before, { ...around, opened: openedFor(route, all, around.ways) }, at).findings,
      ...lintWhole(route, modes, all, at),
    ];
    findings.push(
      ...own.filter((f) => !isWithinPart(route, f.at.slice(at.length + 1))),
      ...lintParts(entry, parts, at),
    );
    findings.push(...notPutBack({ entry: route, at }, all, before, facts));
    findings.push(...lintTelling(route, before, bundle, at));
  }
  for (const { entry, at } of placed('mode')) findings.push(...lintTests(entry, at));
  findings.push(...lintLockOuts(placed('mode'), placed('code'), all));
  const pathOf = ({ of }: Gesture): Path | null =>
    of.kind === 'route'
      ? (routes.find((r) => r.entry.id === of.id)?.at ?? null)
      : of.kind === 'transition'
        ? [...(placed('mode').find((m) => m.entry.id === of.mode)?.at ?? []), 'transitions', of.index]
        : null;
  findings.push(...lintPairs(plan, pathOf));
  return findings;
}
