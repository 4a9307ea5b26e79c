import type { ParameterId, PartId } from '../base/ids.ts';
import type { Family, Variant } from './family.ts';

/** What a family's parameters stand at, in base units; for a variant, with the values it sets. */
export function parametersOf(family: Family, variant?: Variant): Map<ParameterId, number> {
  return new Map([
    ...family.parameters.map((p) => [p.id, p.value] as const),
    ...Object.entries(variant?.values ?? {}).map(([id, value]) => [id as ParameterId, value] as const),
  ]);
}

/** What a family's parts are called, by id. */
export const partNamesOf = (family: Family): ReadonlyMap<PartId, string> =>
  new Map(family.parts.map((p) => [p.id, p.name]));
