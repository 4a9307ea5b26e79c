import type { VariantId } from '../base/ids.ts';
import { fail, ok, type Result } from '../base/result.ts';
import type { VariantCase } from '../model/values.ts';
import type { BandKnown, GoodBand, Parameters } from './band.ts';
import type { JudgedCase, Measured, MeasureError } from './measured.ts';

/** The values that are possible here: of every variant that may be this one, or those that are known. */
export const possible = (known: Readonly<{ parameters: Parameters; cases?: readonly VariantCase[] }>): VariantCase[] =>
  known.cases && known.cases.length > 0 ? [...known.cases] : [{ variants: [], parameters: known.parameters }];

/** What is the same under all of several values; null where it is not. */
export function sameUnder<T>(cases: readonly VariantCase[], of: (parameters: Parameters) => T): T | null {
  const found = new Map(cases.map((c) => of(c.parameters)).map((value) => [JSON.stringify(value), value] as const));
  const [only] = found.values();
  return found.size === 1 && only !== undefined ? only : null;
}

const least = (all: ReadonlyArray<number | null>, pick: (...n: number[]) => number, isOpen: boolean): number | null => {
  const bounds = all.filter((n) => n !== null);
  return bounds.length === 0 || (isOpen && bounds.length < all.length) ? null : pick(...bounds);
};

/** What is good on all of them, for what is good; else all that is good on any. */
function bandOfAll(bands: readonly GoodBand[], isGood: boolean): GoodBand {
  const [lows, highs] = [bands.map((b) => b.least), bands.map((b) => b.most)];
  return {
    least: least(lows, isGood ? Math.max : Math.min, !isGood),
    middle: null,
    most: least(highs, isGood ? Math.min : Math.max, !isGood),
  };
}

/**
 * Judges a reading on every variant that is still possible. What it means stands only if it means the same on all of them;
 * else the plate has to be read, and the error says what it means on which. The order of the variants makes no difference.
 */
export function agreed(
  known: BandKnown,
  judge: (known: BandKnown) => Result<Measured, MeasureError>,
): Result<Measured, MeasureError> {
  const { cases = [], ...plain } = known;
  const judged: Array<Readonly<{ variants: readonly VariantId[]; measured: Measured }>> = [];
  for (const { variants, parameters } of cases) {
    const one = judge({ ...plain, parameters });
    if (!one.ok) return one;
    judged.push({ variants, measured: one.value });
  }
  const [first] = judged;
  // no case, or one: nothing to hold against anything
  if (!first) return judge(plain);
  if (judged.length === 1) return ok(first.measured);
  const alike = new Map<string, JudgedCase>();
  for (const { variants, measured } of judged) {
    const { answer, band, taken } = measured;
    const key = JSON.stringify([answer, band]);
    const before = alike.get(key);
    alike.set(key, { answer, band, taken, variants: [...(before?.variants ?? []), ...variants].sort() });
  }
  const groups = [...alike.values()].sort((a, b) => ((a.variants[0] ?? '') < (b.variants[0] ?? '') ? -1 : 1));
  if (groups.length === 1) return ok(first.measured);
  if (groups.some((g) => g.answer !== groups[0]?.answer))
    return fail({ field: 'variant', error: { code: 'needs-plate', cases: groups } });
  // the same on all, though not for the same reasons: what depends on the variant is left out
  const { answer } = groups[0] as JudgedCase;
  const byDoubt = judged.map((j) => j.measured).sort((a, b) => b.doubt - a.doubt);
  const [doubtful = first.measured] = byDoubt;
  const band = bandOfAll(
    groups.map((g) => g.band),
    answer === 'pass',
  );
  const values = judged.map((j) => j.measured.taken.value);
  const value = values.includes(null) ? null : Math.max(...(values as number[]));
  return ok({
    ...doubtful,
    answer,
    named: judged.every((j) => j.measured.named === doubtful.named) ? doubtful.named : null,
    offByRatio: null,
    settledByRatio: null,
    temperatureDoubt: doubtful.temperatureDoubt && {
      ...doubtful.temperatureDoubt,
      doubt: Math.max(...judged.map((j) => j.measured.temperatureDoubt?.doubt ?? 0)),
      settledByKelvin: null,
      settledWithDigit: null,
    },
    band,
    taken: { ...doubtful.taken, value, least: band.least, most: band.most },
  });
}
