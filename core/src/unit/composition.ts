import type { VariantId } from '../base/ids.ts';
import type { Attached, Family } from '../model/family.ts';
import { withinVersions } from './plate.ts';

/** What does not go together in a system; facts only. */
export type CompositionProblem =
  | Readonly<{ kind: 'too-many'; part: string; count: number; most: number }>
  | Readonly<{ kind: 'too-few'; part: string; count: number; least: number }>
  | Readonly<{ kind: 'not-listed'; part: string }>
  | Readonly<{ kind: 'generation-not-listed'; part: string; generation: string }>
  | Readonly<{ kind: 'not-with-variant'; part: string; generation: string; note: string | null }>
  | Readonly<{ kind: 'maybe-not-with-variant'; part: string; generation: string; note: string | null }>
  | Readonly<{ kind: 'needs-software'; part: string; generation: string; from: string | null; below: string | null }>
  | Readonly<{
      kind: 'software-not-known';
      part: string;
      generation: string;
      from: string | null;
      below: string | null;
    }>;

type Unit = Readonly<{ alive: readonly VariantId[]; software: string | null }>;

/**
 * Holds what is attached against the family's rules. A part nobody counted is not held against its least number: only
 * what was said is judged. Software after a board swap counts as the unit's software.
 */
export function checkComposition(family: Family, unit: Unit, attached: readonly Attached[]): CompositionProblem[] {
  const counted = new Map<string, number>();
  for (const { part, count } of attached) counted.set(part, (counted.get(part) ?? 0) + count);
  const problems: CompositionProblem[] = [];
  for (const [part, count] of counted) {
    const rule = family.attachments.find((r) => r.part === part);
    if (!rule) problems.push({ kind: 'not-listed', part });
    else if (count > rule.most) problems.push({ kind: 'too-many', part, count, most: rule.most });
    else if (count < rule.least) problems.push({ kind: 'too-few', part, count, least: rule.least });
  }
  for (const { part, count, generation: name } of attached) {
    const rule = family.attachments.find((r) => r.part === part);
    if (!rule || name === undefined || count === 0) continue;
    const generation = rule.generations.find((g) => g.name === name);
    if (!generation) {
      problems.push({ kind: 'generation-not-listed', part, generation: name });
      continue;
    }
    const note = generation.note ?? null;
    const goes = unit.alive.filter((v) => generation.variants.length === 0 || generation.variants.includes(v)).length;
    if (unit.alive.length > 0 && goes === 0) problems.push({ kind: 'not-with-variant', part, generation: name, note });
    else if (goes < unit.alive.length) problems.push({ kind: 'maybe-not-with-variant', part, generation: name, note });
    if (!generation.software) continue;
    const bounds = { from: generation.software.from ?? null, below: generation.software.below ?? null };
    if (unit.software === null) problems.push({ kind: 'software-not-known', part, generation: name, ...bounds });
    else if (!withinVersions(unit.software, generation.software))
      problems.push({ kind: 'needs-software', part, generation: name, ...bounds });
  }
  return problems;
}

/** How many of a part are left to work when some are locked out: `{ left: 5, of: 6 }`; null where nobody counted them. */
export function leftAfter(
  attached: readonly Attached[],
  part: string,
  lockedOut: number,
): { left: number; of: number } | null {
  const own = attached.filter((a) => a.part === part);
  if (own.length === 0) return null;
  const of = own.reduce((sum, a) => sum + a.count, 0);
  return { left: Math.max(0, of - lockedOut), of };
}
