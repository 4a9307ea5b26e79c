import type { ParameterId, VariantId } from '../base/ids.ts';
import type { Family, Variant } from './family.ts';

/** What is known of a unit from its plate. Null is "cannot be read", which rules nothing out. */
export type Plate = Readonly<{ model: string | null; serial: string | null; software: string | null }>;

export type Reason =
  | Readonly<{ kind: 'model'; pattern: string }>
  | Readonly<{ kind: 'serial'; from: string; to: string }>
  | Readonly<{ kind: 'software'; from: string | null; below: string | null }>
  | Readonly<{ kind: 'only-one' }>;

export type Resolved = Readonly<{
  /** The one variant that fits what is known, or null while several are alive or none fits. */
  variant: VariantId | null;
  alive: readonly VariantId[];
  why: readonly Reason[];
  parameters: ReadonlyMap<ParameterId, number>;
}>;

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

const patterns = new Map<string, RegExp>();

/** Whether a model number fits a pattern; spaces, dashes and case do not matter. */
export function matchesModel(pattern: string, model: string): boolean {
  let regex = patterns.get(pattern);
  if (!regex) {
    const body = pattern
      .replace(/[\s-](?![^[]*\])/g, '')
      .replace(/[.+^${}|\\/]/g, '\\$&')
      .replace(/\?/g, '.')
      .replace(/\*/g, '.*')
      .replace(/\)/g, ')?');
    regex = new RegExp(`^${body}$`, 'i');
    patterns.set(pattern, regex);
  }
  return regex.test(model.replace(/[\s-]/g, ''));
}

const bySerial = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

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
    const range = variant.serials.find(
      (r) => bySerial.compare(r.from, serial) <= 0 && bySerial.compare(serial, r.to) <= 0,
    );
    if (!range) return null;
    why.push({ kind: 'serial', ...range });
  }
  if (software !== null && variant.software) {
    const { from, below } = variant.software;
    if (from !== undefined && compareVersions(software, from) < 0) return null;
    if (below !== undefined && compareVersions(software, below) >= 0) return null;
    why.push({ kind: 'software', from: from ?? null, below: below ?? null });
  }
  return why;
}

/** Picks the variant a plate belongs to, with the reasons, and its parameter values. What is not known keeps cases alive. */
export function resolvePlate(family: Family, plate: Plate): Resolved {
  const fitting = family.variants.flatMap((variant) => {
    const why = fitsPlate(variant, plate);
    return why ? [{ variant, why }] : [];
  });
  const one = fitting.length === 1 ? fitting[0] : undefined;
  const parameters = new Map(family.parameters.map((p) => [p.id, p.value]));
  for (const [id, value] of Object.entries(one?.variant.values ?? {})) parameters.set(id as ParameterId, value);
  return {
    variant: one?.variant.id ?? null,
    alive: fitting.map(({ variant }) => variant.id),
    why: one ? (one.why.length > 0 ? one.why : [{ kind: 'only-one' }]) : [],
    parameters,
  };
}
