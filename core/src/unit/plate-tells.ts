import type { VariantId } from '../base/ids.ts';
import type { Family, Variant } from '../model/family.ts';
import { compareSerials, type Plate, withinVersions } from './plate.ts';

/** Something of a plate that nobody has read yet and that would tell variants apart. */
export type PlateFact =
  | Readonly<{ kind: 'model' | 'serial' | 'software' }>
  | Readonly<{ kind: 'option'; option: string; values: readonly string[] }>;

/** What may stand on a plate, and which variants that fits. */
type Reading = (variant: Variant) => boolean;

const modelsOf = (all: readonly Variant[]): Reading[] =>
  [...new Set(all.flatMap((v) => v.models))].map(
    (pattern) => (v) => v.models.length === 0 || v.models.includes(pattern),
  );

const serialsOf = (all: readonly Variant[]): Reading[] => {
  const ends = all.flatMap((v) => v.serials.flatMap((r) => [r.from, r.to]));
  const ranges = (v: Variant, serial: string) =>
    v.serials.some((r) => compareSerials(r.from, serial) <= 0 && compareSerials(serial, r.to) <= 0);
  // one of no range at all, beside those the ranges begin and end with
  const outside: Reading[] = ends.length > 0 ? [(v) => v.serials.length === 0] : [];
  return [
    ...outside,
    ...ends.map(
      (serial): Reading =>
        (v) =>
          v.serials.length === 0 || ranges(v, serial),
    ),
  ];
};

const versionsOf = (all: readonly Variant[]): Reading[] => {
  const bounds = all.flatMap((v) => [v.software?.from ?? [], v.software?.below ?? []].flat());
  const versions = bounds.length > 0 ? ['0', ...bounds, '99999'] : [];
  return versions.map((version) => (v) => !v.software || withinVersions(version, boundsOf(v.software)));
};

const boundsOf = ({ from, below }: NonNullable<Variant['software']>) => ({
  ...(from !== undefined && { from }),
  ...(below !== undefined && { below }),
});

/**
 * What of a plate would tell in which of several groups of variants a unit is: what is not known yet, and may stand so that
 * only variants of one group fit it. Empty where the plate tells nothing more.
 */
export function plateTells(
  family: Pick<Family, 'variants'>,
  plate: Plate,
  groups: ReadonlyArray<readonly VariantId[]>,
): PlateFact[] {
  const grouped = groups.map((ids) => family.variants.filter((v) => ids.includes(v.id)));
  const all = grouped.flat();
  const tells = (readings: readonly Reading[]): boolean =>
    readings.some((fits) => grouped.filter((group) => group.some(fits)).length === 1);
  const plain = (
    [
      ['model', modelsOf],
      ['serial', serialsOf],
      ['software', versionsOf],
    ] as const
  ).flatMap(([kind, readings]): PlateFact[] => (plate[kind] === null && tells(readings(all)) ? [{ kind }] : []));
  const options = [...new Set(all.flatMap((v) => Object.keys(v.options)))].flatMap((option): PlateFact[] => {
    const values = [...new Set(all.flatMap((v) => v.options[option] ?? []))];
    const readings = values.map(
      (value): Reading =>
        (v) =>
          [undefined, value].includes(v.options[option]),
    );
    return plate.options?.[option] === undefined && tells(readings) ? [{ kind: 'option', option, values }] : [];
  });
  return [...plain, ...options];
}
