import type { Path } from '../base/path.ts';
import type { Bundle } from '../model/bundle.ts';
import type { EntryKind, EntryOf } from '../model/entry.ts';
import type { Finding } from '../model/finding.ts';
import type { Route } from '../model/route.ts';
import { type Gesture, planUnit } from '../play/gestures.ts';
import { standingBefore } from '../play/standing.ts';
import { atStart, copyOf, track, type UnitAsLeft } from '../play/track.ts';
import type { UnitFacts } from '../unit/facts.ts';
import { lintPairs } from './pairs.ts';
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

/** Every finding of a family's routes that needs the panel, the modes or the other routes. */
export function lintRoutes(bundle: Bundle): Finding[] {
  const placed = <K extends EntryKind>(kind: K): Placed<EntryOf<K>>[] =>
    bundle.entries.flatMap((entry, i) =>
      entry.kind === kind ? [{ entry: entry as EntryOf<K>, at: ['entries', i] }] : [],
    );
  const routes = placed('route');
  const plan = planUnit(bundle);
  const { facts, modes } = plan;
  const all = routes.map((r) => r.entry);
  const around = {
    facts,
    ways: new Map(placed('access').map(({ entry }) => [entry.id, entry] as const)),
    instruments: new Map(placed('instrument').map(({ entry }) => [entry.id as string, entry] as const)),
  };
  const findings: Finding[] = [];
  for (const { entry: route, at } of routes) {
    const before = standingBefore(route, { facts, modes, routes: all }, [route]);
    findings.push(...lintSteps(route, before, around, at).findings, ...lintWhole(route, modes, at));
    findings.push(...notPutBack({ entry: route, at }, all, before, facts));
    findings.push(...lintTelling(route, before, bundle, at));
  }
  for (const { entry, at } of placed('mode')) findings.push(...lintTests(entry, at));
  const pathOf = ({ of }: Gesture): Path | null =>
    of.kind === 'route'
      ? (routes.find((r) => r.entry.id === of.id)?.at ?? null)
      : of.kind === 'transition'
        ? [...(placed('mode').find((m) => m.entry.id === of.mode)?.at ?? []), 'transitions', of.index]
        : null;
  findings.push(...lintPairs(plan, pathOf));
  return findings;
}
