import type { ParameterId, VariantId } from '../base/ids.ts';
import { type Family, SoftwareVersion, type Variant } from '../model/family.ts';
import { parametersOf } from '../model/values.ts';
import { compilePattern, fits } from './pattern.ts';

/** What is known of a unit from its plate. Null, or an option left out, is "cannot be read", which rules nothing out. */
export type Plate = Readonly<{
  model: string | null;
  serial: string | null;
  software: string | null;
  options?: Readonly<Record<string, string>>;
}>;

export type Reason =
  | Readonly<{ kind: 'model'; pattern: string }>
  | Readonly<{ kind: 'serial'; from: string; to: string }>
  | Readonly<{ kind: 'software'; from: string | null; below: string | null }>
  | Readonly<{ kind: 'option'; option: string; value: string }>
  | Readonly<{ kind: 'only-one' }>;

export type Resolved = Readonly<{
  /** The one variant that fits what is known, or null while several are alive or none fits. */
  variant: VariantId | null;
  alive: readonly VariantId[];
  why: readonly Reason[];
  /** The family's own values, and the variant's over them where it is known. */
  parameters: ReadonlyMap<ParameterId, number>;
}>;

/** A plate as somebody types it: what is left blank, or is no version, cannot be read. */
export const plateAsTyped = (typed: Readonly<{ model: string; serial: string; software: string }>): Plate => ({
  model: typed.model.trim() || null,
  serial: typed.serial.trim() || null,
  software: SoftwareVersion.safeParse(typed.software.trim()).data ?? null,
});

/** Compares dotted versions number by number: 3.10 comes after 3.9. Negative, zero or positive. */
export function compareVersions(a: string, b: string): number {
  const left = a.split('.').map(Number);
  const right = b.split('.').map(Number);
  for (let i = 0; i < Math.max(left.length, right.length); i++) {
    const difference = (left[i] ?? 0) - (right[i] ?? 0);
    if (difference !== 0) return difference;
  }
  return 0;
}

/** Whether a version lies within bounds: from the first on, below the second. */
export function withinVersions(version: string, { from, below }: { from?: string; below?: string }): boolean {
  return (
    (from === undefined || compareVersions(version, from) >= 0) &&
    (below === undefined || compareVersions(version, below) < 0)
  );
}

const known = new Map<string, ReturnType<typeof compilePattern>>();

/** Whether a model number fits a pattern; a pattern that cannot be read fits nothing. */
export function matchesModel(pattern: string, model: string): boolean {
  let compiled = known.get(pattern);
  if (!compiled) {
    compiled = compilePattern(pattern);
    known.set(pattern, compiled);
  }
  return compiled.ok && fits(compiled.value, model);
}

const bySerial = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** Compares serial numbers the way people read them: runs of digits as numbers. Negative, zero or positive. */
export function compareSerials(a: string, b: string): number {
  return bySerial.compare(a, b);
}

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Reasons a variant fits the plate; null where something known rules it out. */
function fitsPlate(variant: Variant, plate: Plate): Reason[] | null {
  const why: Reason[] = [];
  const { model, serial, software } = plate;
  if (model !== null && variant.models.length > 0) {
    const pattern = variant.models.find((p) => matchesModel(p, model));
    if (pattern === undefined) return null;
    why.push({ kind: 'model', pattern });
  }
  if (serial !== null && variant.serials.length > 0) {
    const range = variant.serials.find((r) => compareSerials(r.from, serial) <= 0 && compareSerials(serial, r.to) <= 0);
    if (!range) return null;
    why.push({ kind: 'serial', ...range });
  }
  if (software !== null && variant.software) {
    if (!withinVersions(software, variant.software)) return null;
    why.push({ kind: 'software', from: variant.software.from ?? null, below: variant.software.below ?? null });
  }
  for (const [option, value] of Object.entries(variant.options)) {
    const seen = plate.options?.[option];
    if (seen === undefined) continue;
    if (!same(seen, value)) return null;
    why.push({ kind: 'option', option, value });
  }
  return why;
}

const withReasons = (family: Family, plate: Plate) =>
  family.variants.flatMap((variant) => {
    const why = fitsPlate(variant, plate);
    return why ? [{ variant, why: why.length > 0 ? why : [{ kind: 'only-one' } as const] }] : [];
  });

/** Picks the variant a plate belongs to, with the reasons, and its parameter values. What is not known keeps cases alive. */
export function resolvePlate(family: Family, plate: Plate): Resolved {
  const fitting = withReasons(family, plate);
  const one = fitting.length === 1 ? fitting[0] : undefined;
  return {
    variant: one?.variant.id ?? null,
    alive: fitting.map(({ variant }) => variant.id),
    why: one?.why ?? [],
    parameters: parametersOf(family, one?.variant),
  };
}

/** A value a parameter may have here: for which variants, and why those are alive. No variant: the family's own value. */
export type ParameterCase = Readonly<{
  value: number;
  variants: readonly VariantId[];
  why: readonly Reason[];
}>;
export type ParameterCases = Readonly<{ id: ParameterId; cases: readonly ParameterCase[] }>;

/**
 * Every parameter with the values it may have on a unit of this plate, in base units. One case: it is settled. Several:
 * what was not readable keeps them alive side by side, in the order of the variants.
 */
export function resolveParameters(family: Family, plate: Plate): ParameterCases[] {
  const fitting = withReasons(family, plate);
  return family.parameters.map(({ id, value: own }) => {
    const cases = new Map<number, { variants: VariantId[]; why: Reason[] }>();
    for (const { variant, why } of fitting) {
      const value = variant.values[id] ?? own;
      const before = cases.get(value);
      if (before) before.variants.push(variant.id);
      else cases.set(value, { variants: [variant.id], why: [...why] });
    }
    if (cases.size === 0) cases.set(own, { variants: [], why: [] });
    return { id, cases: [...cases].map(([value, rest]) => ({ value, ...rest })) };
  });
}

/** Whether an entry that holds for some variants only (none named: for all) holds on a unit whose variant is one of `alive`. */
export function holdsFor(onlyVariants: readonly VariantId[], alive: readonly VariantId[]): 'yes' | 'maybe' | 'no' {
  if (onlyVariants.length === 0) return 'yes';
  if (alive.length === 0) return 'maybe';
  const held = alive.filter((v) => onlyVariants.includes(v)).length;
  return held === alive.length ? 'yes' : held > 0 ? 'maybe' : 'no';
}
