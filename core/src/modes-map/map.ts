import type { ControllerId, ModeId } from '../base/ids.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Mode, Transition } from '../model/mode.ts';
import { entriesOf, familyEntry } from '../model/select.ts';

/** A mode on the map. `any` stands for whatever mode the unit is in. */
export type MapNode = Readonly<{
  id: ModeId | 'any';
  name: string;
  sort: Mode['sort'] | 'any';
  controller: ControllerId | null;
  controllerName: string;
  idleMs: number | null;
  tests: number;
  /** Nothing leads here. */
  unreachable: boolean;
  /** Nothing leads away from here. */
  deadEnd: boolean;
}>;
export type MapEdge = Readonly<{
  id: string;
  from: ModeId | 'any';
  to: ModeId | 'any';
  kind: 'route' | Transition['on']['kind'];
  /** The route's id where it is one. */
  route: string | null;
  name: string;
  hazards: readonly string[];
  afterMs: number | null;
  variants: readonly string[];
}>;
export type ModesMap = Readonly<{ nodes: readonly MapNode[]; edges: readonly MapEdge[] }>;

const afterOf = (on: Transition['on']): number | null =>
  on.kind === 'after' || on.kind === 'idle' ? on.afterMs : null;

/** Modes and what leads from one to another: routes, and what the unit does by itself. */
export function modesMap(bundle: Bundle): ModesMap {
  const modes = entriesOf(bundle, 'mode').filter((m) => m.family === bundle.family);
  const routes = entriesOf(bundle, 'route').filter((r) => r.family === bundle.family);
  const known = new Set<string>(modes.map((m) => m.id));
  const controllers = new Map(familyEntry(bundle).controllers.map((c) => [c.id as string, c.name] as const));
  const edges: MapEdge[] = [];
  for (const route of routes) {
    const froms: ReadonlyArray<ModeId | 'any'> = route.from === 'any' ? ['any'] : route.from;
    for (const from of froms) {
      const to = route.to ?? (from === 'any' ? null : from);
      if (to === null || !known.has(to) || (from !== 'any' && !known.has(from))) continue;
      edges.push({
        id: `route ${route.id} ${from}`,
        from,
        to,
        kind: 'route',
        route: route.id,
        name: route.name,
        hazards: route.hazards,
        afterMs: null,
        variants: route.onlyVariants,
      });
    }
  }
  for (const mode of modes)
    mode.transitions.forEach((t, i) => {
      const to = t.to ?? mode.id;
      if (!known.has(to)) return;
      edges.push({
        id: `${mode.id} ${i}`,
        from: mode.id,
        to,
        kind: t.on.kind,
        route: null,
        name: t.note ?? '',
        hazards: [],
        afterMs: afterOf(t.on),
        variants: mode.onlyVariants ?? [],
      });
    });
  const rests = (m: Mode): boolean => m.sort === 'standby' || m.sort === 'running' || m.sort === 'off';
  const nodes = modes.map((mode): MapNode => {
    const leaves = edges.some((e) => e.from === mode.id && e.to !== mode.id);
    const idle = mode.transitions.flatMap((t) => (t.on.kind === 'idle' ? [t.on.afterMs] : []));
    return {
      id: mode.id,
      name: mode.name,
      sort: mode.sort,
      controller: mode.controller,
      controllerName: controllers.get(mode.controller) ?? mode.controller,
      idleMs: idle.length > 0 ? Math.min(...idle) : null,
      tests: mode.tests.length,
      unreachable: !rests(mode) && !edges.some((e) => e.to === mode.id && e.from !== mode.id),
      deadEnd: !rests(mode) && !leaves,
    };
  });
  const any: MapNode[] = edges.some((e) => e.from === 'any')
    ? [
        {
          id: 'any',
          name: '',
          sort: 'any',
          controller: null,
          controllerName: '',
          idleMs: null,
          tests: 0,
          unreachable: false,
          deadEnd: false,
        },
      ]
    : [];
  return { nodes: [...any, ...nodes], edges };
}
