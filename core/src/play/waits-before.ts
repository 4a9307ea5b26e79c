import type { ModeId } from '../base/ids.ts';
import type { Mode } from '../model/mode.ts';
import type { Route } from '../model/route.ts';

/** A time somebody has to wait before a way can begin: a mode that first has to end by itself, or one that takes nothing at first. */
export type WaitBefore = Readonly<{ mode: string; ms: number; why: 'ends-itself' | 'takes-nothing' }>;

/** What has to be waited for before a route can begin in any of its modes; nothing where it may begin at any time. */
export function waitsBefore(route: Route, modes: ReadonlyMap<ModeId, Mode>): WaitBefore[] {
  if (route.from === 'any') return [];
  const from = route.from;
  return [...modes.values()].flatMap((mode): WaitBefore[] => {
    const deaf: WaitBefore[] =
      from.includes(mode.id) && mode.deafForMs !== undefined
        ? [{ mode: mode.name, ms: mode.deafForMs, why: 'takes-nothing' }]
        : [];
    const ends = mode.transitions.flatMap((t): WaitBefore[] =>
      t.on.kind === 'after' && t.to !== undefined && from.includes(t.to) && !from.includes(mode.id)
        ? [{ mode: mode.name, ms: t.on.afterMs, why: 'ends-itself' }]
        : [],
    );
    return [...ends, ...deaf];
  });
}
