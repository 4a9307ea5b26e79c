import { squeezed } from '../code/alike.ts';
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

const longerFirst = (a: ProveRun, b: ProveRun): number => (b.leastMs ?? 0) - (a.leastMs ?? 0) || b.cycles - a.cycles;

/** The run a code wants: of the entries it may have on other variants that are still possible, the longest. */
export function possibleRun(code: Code, possible: readonly Code[]): ProveRun {
  const same = possible.filter((c) => c.controller === code.controller && squeezed(c.text) === squeezed(code.text));
  const [longest] = [code, ...same].map((c) => proveRun(c.detection)).sort(longerFirst);
  return longest ?? proveRun(code.detection);
}

/** The run each tested code wants, the longest first: that one proves them all. `possible` are the codes this unit may have. */
export function provesOf(
  roots: readonly Root[],
  possible: readonly Code[] = [],
): Array<Readonly<{ code: Code; run: ProveRun }>> {
  return roots
    .flatMap(({ code, is }) => (is === 'tested' || is === 'now' ? [{ code, run: possibleRun(code, possible) }] : []))
    .sort((a, b) => longerFirst(a.run, b.run));
}
