import type { VariantId } from '../base/ids.ts';
import type { Part } from '../model/family.ts';
import { holdsFor } from './plate.ts';

/** What a part is ordered by on some variants: the numbers that may be the one, and those they took the place of. */
export type Ordering = Readonly<{ numbers: readonly string[]; supersedes: readonly string[] }>;

/**
 * The numbers of a part on a unit of one of these variants. One: it is that. Several: the plate has to tell. None: nobody has
 * said it.
 */
export function orderedBy(part: Part, alive: readonly VariantId[]): Ordering {
  const own = (part.numbers ?? []).filter((n) => holdsFor(n.onlyVariants, alive) !== 'no');
  // what holds on this variant goes before what holds on all
  const exact = own.filter((n) => n.onlyVariants.length > 0 && holdsFor(n.onlyVariants, alive) === 'yes');
  const held = exact.length > 0 ? exact : own;
  return {
    numbers: [...new Set(held.map((n) => n.number))],
    supersedes: [...new Set(held.flatMap((n) => n.supersedes))],
  };
}
