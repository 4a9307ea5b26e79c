import type { Step } from '../chart/step.ts';
import type { Bundle } from '../model/bundle.ts';
import { entryOf } from '../model/select.ts';
import type { Walk } from './state.ts';

/** Something that was changed by hand on a walk and has to be put back, and whether it is. */
export type Changed = Readonly<{ key: string; what: string; is: 'open' | 'back' | 'left' }>;

/**
 * Everything that was changed by hand on a walk, each once: what the steps and routes that were gone say they change, and
 * what somebody said. It is put back, or left so for somebody; until then it is open.
 */
export function changedByHand(bundle: Pick<Bundle, 'entries'>, walk: Walk, path: readonly Step[]): Changed[] {
  const back = new Set(walk.putBack.flatMap((p) => (p.of === walk.id ? [p.what] : [])));
  const is = (key: string): Changed['is'] => (back.has(key) ? 'back' : walk.leftSo.has(key) ? 'left' : 'open');
  const declared = [
    ...path.flatMap(({ chart, node, skipped }) =>
      skipped === null ? (node.changes ?? []).map((what, i) => [`step:${chart}/${node.id}/${i}`, what] as const) : [],
    ),
    ...walk.tries.flatMap(({ route, took }) =>
      took
        ? (entryOf(bundle, 'route', route)?.changes ?? []).map((what, i) => [`route:${route}/${i}`, what] as const)
        : [],
    ),
  ];
  const said = [...walk.changed].map(([key, { what }]) => [key, what] as const);
  return [...new Map([...declared, ...said])].map(([key, what]) => ({ key, what, is: is(key) }));
}
