import type { ParameterId, PartId, VariantId } from '../base/ids.ts';
import type { Family, Variant } from './family.ts';

/** What a family's parameters stand at, in base units; for a variant, with the values it sets. */
export function parametersOf(family: Family, variant?: Variant): Map<ParameterId, number> {
  return new Map([
    ...family.parameters.map((p) => [p.id, p.value] as const),
    ...Object.entries(variant?.values ?? {}).map(([id, value]) => [id as ParameterId, value] as const),
  ]);
}

/** What a family's parameters stand at on some of its variants, in base units. */
export type VariantCase = Readonly<{
  variants: readonly VariantId[];
  parameters: ReadonlyMap<ParameterId, number>;
}>;

/** The values that are possible on a unit of one of these variants: one case for each that differs. None: the family's own. */
export function variantCases(family: Family, alive: readonly VariantId[]): VariantCase[] {
  const cases = new Map<string, { variants: VariantId[]; parameters: Map<ParameterId, number> }>();
  for (const variant of family.variants) {
    if (!alive.includes(variant.id)) continue;
    const parameters = parametersOf(family, variant);
    const key = JSON.stringify([...parameters]);
    const before = cases.get(key);
    if (before) before.variants.push(variant.id);
    else cases.set(key, { variants: [variant.id], parameters });
  }
  return cases.size > 0 ? [...cases.values()] : [{ variants: [], parameters: parametersOf(family) }];
}

/** What a variant is called; its id where the family has none of it. */
export const variantName = ({ variants }: Pick<Family, 'variants'>, id: string): string =>
  variants.find((v) => v.id === id)?.name ?? id;

/** What a family's parts are called, by id. */
export const partNamesOf = (family: Family): ReadonlyMap<PartId, string> =>
  new Map(family.parts.map((p) => [p.id, p.name]));
