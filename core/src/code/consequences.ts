import type { CodeId } from '../base/ids.ts';
import type { Code } from '../model/code.ts';

/** A code that explains others, with those under it. */
export type Folded = Readonly<{ code: Code; why: string | null; under: readonly Folded[] }>;

/** Which codes, among these, are said to follow from which. */
function followers(codes: readonly Code[]): ReadonlyMap<CodeId, ReadonlyArray<Readonly<{ code: Code; why: string }>>> {
  const byId = new Map(codes.map((c) => [c.id, c] as const));
  return new Map(
    codes.map((code) => [
      code.id,
      code.seeAlso.flatMap((s) => {
        const other = byId.get(s.code);
        return s.followsFromIt && other && other !== code ? [{ code: other, why: s.why }] : [];
      }),
    ]),
  );
}

/**
 * Folds codes that are mere consequences under the one that explains them, on what the trainer wrote down: a code's
 * see-also marked “follows from it”. Order is kept. Every code stands exactly once: under the first that explains it, and
 * a circle is cut at its first code.
 */
export function foldConsequences(codes: readonly Code[]): Folded[] {
  const follows = followers(codes);
  const placed = new Set<CodeId>();
  const explained = new Set([...follows.values()].flatMap((f) => f.map(({ code }) => code.id)));
  const grow = (code: Code, why: string | null): Folded => {
    placed.add(code.id);
    const under: Folded[] = [];
    for (const next of follows.get(code.id) ?? []) if (!placed.has(next.code.id)) under.push(grow(next.code, next.why));
    return { code, why, under };
  };
  const roots = codes.filter((c) => !explained.has(c.id)).map((c) => grow(c, null));
  // what is left stands in circles
  const circles = codes.flatMap((c) => (placed.has(c.id) ? [] : [grow(c, null)]));
  return [...roots, ...circles];
}

/** Codes that are said to follow from one another in a circle: nothing explains any of them. */
export function circlesOfConsequence(codes: readonly Code[]): Code[][] {
  const follows = followers(codes);
  const state = new Map<CodeId, 'open' | 'done'>();
  const path: Code[] = [];
  const found: Code[][] = [];
  const visit = (code: Code): void => {
    state.set(code.id, 'open');
    path.push(code);
    for (const { code: next } of follows.get(code.id) ?? []) {
      if (state.get(next.id) === 'open') found.push(path.slice(path.indexOf(next)));
      else if (!state.has(next.id)) visit(next);
    }
    path.pop();
    state.set(code.id, 'done');
  };
  for (const code of codes) if (!state.has(code.id)) visit(code);
  return found;
}
