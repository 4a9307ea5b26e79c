import type { Readout } from '../model/readout.ts';
import { joinCode } from './encode.ts';
import type { Parts } from './values.ts';

/** Where the trouble sits: which unit, and which part within it. */
export type SubPlace = Readonly<{ unit: string; part: string | null; value: string }>;

/**
 * The unit and part a sub code names, by its table or by counting through: `first` is the first part of the main unit,
 * then its next part, then the first part of unit 1, and so on; by the names of the code beside it where that has its
 * own. Null where there is none, or it names nothing.
 */
export function subPlace(readout: Readout, parts: Parts): SubPlace | null {
  const { sub } = readout;
  const value = sub && parts.get(sub.stage);
  if (!sub || value === undefined) return null;
  const code = joinCode(readout, parts);
  const names = sub.byCode.find((b) => code !== null && b.codes.includes(code))?.names ?? sub.names;
  if (names.kind === 'table') {
    const row = names.rows.find((r) => r.value === value);
    return row ? { unit: row.unit, part: row.part ?? null, value } : null;
  }
  const n = Number(value) - names.first;
  if (!Number.isInteger(n) || n < 0 || n >= names.parts.length * names.most) return null;
  const unit = Math.floor(n / names.parts.length);
  return {
    unit: unit === 0 ? names.main : `${names.unit} ${unit}`,
    part: names.parts[n % names.parts.length] ?? null,
    value,
  };
}
