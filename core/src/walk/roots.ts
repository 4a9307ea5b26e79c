import { type Folded, foldConsequences } from '../code/consequences.ts';
import { type ProveRun, proveRun } from '../code/prove.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Code } from '../model/code.ts';
import { entryOf } from '../model/select.ts';
import type { Walk } from './state.ts';

/**
 * A code read on a walk that no other one explains, with what follows from it: the one the walk is at, one that was
 * tested, one left for later with a reason, or one that is still open.
 */
export type Root = Readonly<{
  code: Code;
  under: readonly Folded[];
  is: 'now' | 'tested' | 'deferred' | 'open';
  why: string | null;
}>;

/** Every code read on a walk, over all controllers and slots, with mere consequences under what explains them. */
export function rootsOf(bundle: Pick<Bundle, 'entries'>, walk: Walk): Root[] {
  const ids = [...new Set([...walk.taken.map((t) => t.code), ...(walk.code ? [walk.code] : [])])];
  const folded = foldConsequences(ids.flatMap((id) => entryOf(bundle, 'code', id) ?? []));
  // whoever goes on with a consequence goes on with what it is under
  const holds = ({ code, under }: Folded): boolean => code.id === walk.code || under.some(holds);
  return folded.map((root): Root => {
    const { code, under } = root;
    const settled = walk.settled.get(code.id);
    if (settled) return { code, under, is: settled.as, why: settled.why || null };
    if (!holds(root)) return { code, under, is: 'open', why: null };
    return { code, under, is: walk.found ? 'tested' : 'now', why: null };
  });
}

/** The roots that are neither tested nor left for later, beside the one the walk is at. */
export const openRoots = (roots: readonly Root[]): Code[] =>
  roots.flatMap((root) => (root.is === 'open' ? [root.code] : []));

/** The run each tested code wants, the longest first: that one proves them all. */
export function provesOf(roots: readonly Root[]): Array<Readonly<{ code: Code; run: ProveRun }>> {
  return roots
    .flatMap(({ code, is }) => (is === 'tested' || is === 'now' ? [{ code, run: proveRun(code.detection) }] : []))
    .sort((a, b) => (b.run.leastMs ?? 0) - (a.run.leastMs ?? 0) || b.run.cycles - a.run.cycles);
}
