import type { VariantId } from '../base/ids.ts';
import type { Setting } from '../model/code.ts';

/** A value that is right on some of the variants that are still possible; none named: on any. */
export type RightValue = Readonly<{ value: string; variants: readonly VariantId[] }>;

/**
 * What a setting should stand at on a unit of one of these variants: a variant's own value before the one for all. Several
 * where that depends on which it is; none where nobody said.
 */
export function rightValues({ right }: Pick<Setting, 'right'>, alive: readonly VariantId[]): RightValue[] {
  const forAll = right.find((r) => r.variant === null)?.value;
  const values = new Map<string, VariantId[]>();
  for (const variant of alive) {
    const value = right.find((r) => r.variant === variant)?.value ?? forAll;
    if (value !== undefined) values.set(value, [...(values.get(value) ?? []), variant]);
  }
  if (alive.length === 0)
    for (const { value, variant } of right)
      values.set(value, [...(values.get(value) ?? []), ...(variant === null ? [] : [variant])]);
  return [...values].map(([value, variants]) => ({ value, variants }));
}
