import type { InstrumentId, NodeId, VariantId } from '../base/ids.ts';
import {
  baseUnit,
  formatQuantity,
  type MeterReading,
  type OwnUnits,
  ownUnit,
  parseReading,
  type Quantity,
  readingsInLine,
} from '../base/quantity.ts';
import { assertNever, fail, ok, type Result } from '../base/result.ts';
import type { Band } from '../model/band.ts';
import { bandTraits } from '../model/band.ts';
import type { MeasureNode } from '../model/chart.ts';
import type { Instrument } from '../model/source.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import { agreed, possible } from './agreed.ts';
import { amountOf, type BandKnown, computeBand, type GoodBand, needsTemperature } from './band.ts';
import type { Measured, MeasureError, TypedReading } from './measured.ts';
import { shared } from './meter-share.ts';
import { type MeterFacts, type ShownBy, unitAsMeter } from './shown-value.ts';
import { type Point, slopeOf, timeTo } from './slope.ts';
import { type TemperatureDoubt, temperatureDoubtOf } from './temperature-doubt.ts';
import { edgeDistance, judgeReading, type Named, type ReadingVerdict } from './verdict.ts';

/** What the unit itself shows a value in, and what a setting of it is keyed in; left out: as somebody is used to. */
export type UnitsThere = Readonly<{ shown?: string | undefined; set?: string | undefined }>;

/** What was typed, with the unit somebody means by a bare number written behind it; of what a unit shows, its own unit. */
export function inOwnUnits(
  typed: TypedReading,
  quantity: Quantity,
  own: OwnUnits,
  unit: UnitsThere = {},
): TypedReading {
  const say = (text: string, of: Quantity, is = ownUnit(of, own)): string =>
    is !== baseUnit(of) && /^[+-]?[\d.,]*\d[.,]?$/.test(text.trim()) ? `${text.trim()} ${is}` : text;
  return {
    ...typed,
    readings: typed.readings.map((r) => ({ ...r, typed: say(r.typed, quantity, unit.shown) })),
    ...(typed.temperature === undefined ? {} : { temperature: say(typed.temperature, 'temperature') }),
    ...(typed.set === undefined ? {} : { set: say(typed.set, quantity, unit.set) }),
  };
}

/** How many readings a band needs before it says anything. */
export const readingsNeeded = (band: Band): number => bandTraits[band.kind].readings;

/** The share of a reading an instrument is said to be off by for a quantity; undefined where nobody said. */
export const statedAccuracy = (instrument: MeterFacts, quantity: Quantity): number | undefined =>
  instrument.ranges.find((r) => r.quantity === quantity)?.accuracyRatio ?? instrument.accuracyRatio;

/** The same, 0 where nothing is known. */
export const accuracyOf = (instrument: MeterFacts | undefined, quantity: Quantity): number =>
  (instrument && statedAccuracy(instrument, quantity)) ?? 0;

/** What the instrument cannot do that this measurement asks of it. */
function beyond(instrument: MeterFacts | undefined, node: MeasureNode, values: readonly number[], known: BandKnown) {
  const range = instrument?.ranges.find((r) => r.quantity === node.quantity);
  if (range && values.some((v) => v < range.least || v > range.most))
    return { code: 'beyond-instrument', least: range.least, most: range.most, quantity: node.quantity } as const;
  if (node.band.kind !== 'insulation' || !instrument) return null;
  const volt = amountOf(node.band.testVolt, known.parameters);
  return volt !== null && !instrument.testVolts.includes(volt)
    ? ({ code: 'test-voltage-missing', volt } as const)
    : null;
}

/**
 * The value a band is held against, and what it is a number of. By the meter it may be off by so much for each share the
 * meter is off (`perRatio`), by the clock by `clockDoubt`.
 */
type Derived = Readonly<{
  reading: MeterReading;
  perRatio: number;
  clockDoubt: number;
  as: TakenReading['as'];
  named: Named | null;
}>;

function derive(
  node: MeasureNode,
  readings: readonly MeterReading[],
  points: readonly Point[],
  known: BandKnown,
  clockAccuracy: number,
): Derived {
  const [first] = readings;
  const last = readings.at(-1) ?? first;
  const { band } = node;
  const number = (value: number): MeterReading => ({ kind: 'value', value, unit: '' });
  const plain = { clockDoubt: 0, as: undefined, named: null } as const;
  const open: Derived = { ...plain, reading: { kind: 'open' }, perRatio: 0 };
  if (!last || last.kind === 'open') return open;
  switch (band.kind) {
    case 'ratio': {
      const other = known.earlier?.get(band.to) ?? Number.NaN;
      const value = last.value / other;
      // both readings may be off, each its own way
      return { ...plain, reading: number(value), perRatio: Math.abs(value) * 2, as: 'ratio' };
    }
    case 'rate': {
      const slope = slopeOf(points, 1);
      return { ...plain, reading: number(slope?.perMin ?? 0), perRatio: slope?.doubtPerMin ?? 0, as: 'per-minute' };
    }
    case 'time-to': {
      const value = amountOf(band.value, known.parameters) ?? Number.NaN;
      const reaching = timeTo(points, value, { ratio: 1, alike: shared(0, node.quantity) });
      if (!reaching || reaching.kind === 'never') return { ...open, as: 'seconds', named: 'never' };
      // the clock may be off as well, where somebody said by how much
      const clockDoubt = shared(reaching.afterS, 'duration') * clockAccuracy;
      return { ...plain, reading: number(reaching.afterS), perRatio: reaching.doubtS, clockDoubt, as: 'seconds' };
    }
    case 'element':
    case 'fixed':
    case 'insulation':
    case 'of-setting':
    case 'steinhart-hart':
    case 'table':
    case 'thermistor':
      return { ...plain, reading: last, perRatio: shared(last.value, node.quantity) };
    default:
      return assertNever(band);
  }
}

/** Reads what was typed in order; the first that cannot be read stops it, at its index. */
function readAll(node: MeasureNode, typed: TypedReading): Result<MeterReading[], MeasureError> {
  const read: MeterReading[] = [];
  for (const [index, one] of typed.readings.entries()) {
    const reading = parseReading(one.typed, node.quantity);
    if (!reading.ok) return fail({ field: 'reading', index, error: reading.error });
    read.push(reading.value);
  }
  return ok(read);
}

/** What settings stand at: what is known, and what was typed for the one this band is about. */
function withSet(node: MeasureNode, typed: TypedReading, known: BandKnown): Result<BandKnown, MeasureError> {
  if (node.band.kind !== 'of-setting' || known.settings?.has(node.band.setting)) return ok(known);
  if (!typed.set?.trim()) return fail({ field: 'set', error: { code: 'reading-empty' } });
  const read = parseReading(typed.set, node.quantity);
  if (!read.ok) return fail({ field: 'set', error: read.error });
  const settings = new Map(known.settings ?? []);
  if (read.value.kind === 'value') settings.set(node.band.setting, read.value.value);
  return ok({ ...known, settings });
}

/** The temperature typed, where the band depends on one. */
function celsiusTyped(node: MeasureNode, typed: TypedReading): Result<number | null, MeasureError> {
  if (!needsTemperature(node.band)) return ok(null);
  const read = parseReading(typed.temperature ?? '', 'temperature');
  if (!read.ok) return fail({ field: 'temperature', error: read.error });
  if (read.value.kind === 'open') return fail({ field: 'temperature', error: { code: 'open-temperature' } });
  return ok(read.value.value);
}

/** What is good on some of the variants that are still possible. */
export type BandCase = Readonly<{ variants: readonly VariantId[]; band: GoodBand }>;

/**
 * The good bands here and now, from what was typed of temperature and setting: one, or one for each variant that may be
 * this and has another. Errors name their field.
 */
export function bandsHere(node: MeasureNode, typed: TypedReading, known: BandKnown): Result<BandCase[], MeasureError> {
  const found = new Map<string, { variants: VariantId[]; band: GoodBand }>();
  for (const { variants, parameters } of possible(known)) {
    const band = bandHere(node, typed, { ...known, parameters });
    if (!band.ok) return band;
    const key = JSON.stringify(band.value);
    const before = found.get(key);
    if (before) before.variants.push(...variants);
    else found.set(key, { variants: [...variants], band: band.value });
  }
  return ok([...found.values()]);
}

/** Works out the good band for the parameters as they are known. Errors name their field. */
export function bandHere(node: MeasureNode, typed: TypedReading, known: BandKnown): Result<GoodBand, MeasureError> {
  const celsius = celsiusTyped(node, typed);
  if (!celsius.ok) return celsius;
  const set = withSet(node, typed, known);
  if (!set.ok) return set;
  const band = computeBand(node.band, { ...set.value, atCelsius: celsius.value });
  return band.ok ? band : fail({ field: 'band', error: band.error });
}

type Measuring = Readonly<{
  node: MeasureNode;
  typed: TypedReading;
  known: BandKnown;
  instrument?: Instrument | undefined;
  /** Where the unit itself shows it. */
  shown?: ShownBy | null;
}>;

/**
 * Judges a measurement from what was typed: reads it, works out the good band at that temperature and setting, takes
 * the meter's accuracy into the verdict, and says which answer of the node it leads to. Every error names its field; where
 * it means one thing on one variant that is still possible and another on another, that is `needs-plate`.
 */
export const measure = (input: Measuring): Result<Measured, MeasureError> =>
  agreed(input.known, (known) => measureLine({ ...input, known }));

/** The gravest first: what is open or short, then what is off, then what cannot be told. */
const gravest: ReadonlyArray<Measured['answer']> = ['open', 'short', 'low', 'high', 'too-close', 'pass'];

/** Several readings on one line, such as three phases: each must be good; what is told is the gravest of them. */
function measureLine(input: Measuring): Result<Measured, MeasureError> {
  const [first, ...more] = input.typed.readings;
  const line = first && more.length === 0 && readingsNeeded(input.node.band) === 1 ? readingsInLine(first.typed) : [];
  if (!first || line.length < 2) return measureOne(input);
  const judged: Measured[] = [];
  for (const typed of line) {
    const one = measureOne({ ...input, typed: { ...input.typed, readings: [{ typed, afterMs: first.afterMs }] } });
    if (!one.ok) return one;
    judged.push(one.value);
  }
  const [worst] = judged.sort((a, b) => gravest.indexOf(a.answer) - gravest.indexOf(b.answer));
  return worst ? ok({ ...worst, taken: { ...worst.taken, typed: first.typed.trim() } }) : measureOne(input);
}

function measureOne(input: Measuring): Result<Measured, MeasureError> {
  const { node, typed, known, shown = null } = input;
  const celsius = celsiusTyped(node, typed);
  if (!celsius.ok) return celsius;
  const set = withSet(node, typed, known);
  if (!set.ok) return set;
  const read = readAll(node, typed);
  if (!read.ok) return read;
  const need = readingsNeeded(node.band);
  const values = read.value.flatMap((r) => (r.kind === 'value' ? [r.value] : []));
  const points = read.value.flatMap((r, i) =>
    r.kind === 'value' ? [{ value: r.value, afterMs: typed.readings[i]?.afterMs ?? 0 }] : [],
  );
  if (read.value.length < need || (need > 1 && slopeOf(points, 0) === null))
    return fail({
      field: 'readings',
      error: { code: 'more-readings-needed', have: Math.min(read.value.length, need - 1), need },
    });
  const band = computeBand(node.band, { ...set.value, atCelsius: celsius.value });
  if (!band.ok) return fail({ field: 'band', error: band.error });
  const [first = null] = values;
  const instrument = shown ? unitAsMeter(shown, node, first) : input.instrument;
  const cannot = beyond(instrument, node, values, known);
  if (cannot) return fail({ field: 'instrument', error: cannot });
  const clockAccuracy = instrument?.ranges.find((r) => r.quantity === 'duration')?.accuracyRatio ?? 0;
  const derived = derive(node, read.value, points, set.value, clockAccuracy);
  const doubt = derived.perRatio * accuracyOf(instrument, node.quantity) + derived.clockDoubt;
  const temperatureDoubt = temperatureDoubtOf({
    band: node.band,
    good: band.value,
    typed: typed.temperature,
    atCelsius: celsius.value,
    known: set.value,
  });
  const judged = judgeReading({
    reading: derived.reading,
    quantity: node.quantity,
    band: band.value,
    doubt: doubt + (temperatureDoubt?.doubt ?? 0),
    besides: derived.clockDoubt + (temperatureDoubt?.doubt ?? 0),
    perRatio: derived.perRatio,
  });
  const named = derived.named ?? judged.named;
  const value = derived.reading.kind === 'open' ? null : derived.reading.value;
  return ok({
    ...judged,
    named,
    band: band.value,
    doubt,
    temperatureDoubt: temperatureDoubt && {
      ...temperatureDoubt,
      ...settling(judged, band.value, derived.reading, doubt, temperatureDoubt),
    },
    answer: named === 'open' && node.open ? 'open' : named === 'short' && node.short ? 'short' : judged.verdict,
    taken: {
      typed: typed.readings
        .map((r) => r.typed.trim())
        .join(' · ')
        .slice(0, 400),
      quantity: node.quantity,
      value,
      atCelsius: celsius.value,
      least: band.value.least,
      most: band.value.most,
      verdict: judged.verdict,
      ...(derived.as ? { as: derived.as } : {}),
      ...(points.length > 1 || derived.as ? { points } : {}),
      ...(input.instrument && !shown ? { instrument: input.instrument.id } : {}),
    },
  });
}

/** What would settle a reading the temperature keeps too close: knowing that better, or both that and a finer meter. */
function settling(
  judged: ReadingVerdict,
  band: GoodBand,
  reading: MeterReading,
  doubt: number,
  temperatureDoubt: TemperatureDoubt,
) {
  if (judged.verdict !== 'too-close' || reading.kind === 'open' || temperatureDoubt.doubt === 0)
    return { settledByKelvin: null, settledWithDigit: null };
  const { value } = reading;
  const nearest = edgeDistance(value, band);
  const left = nearest - temperatureDoubt.doubt / 10;
  return {
    settledByKelvin: nearest > doubt ? (temperatureDoubt.kelvin * (nearest - doubt)) / temperatureDoubt.doubt : null,
    settledWithDigit: left > 0 && value !== 0 ? left / Math.abs(value) : null,
  };
}

/** Instruments whose accuracy would settle a reading that is too close to call. */
export function settledBy(
  judged: Pick<ReadingVerdict, 'settledByRatio'>,
  quantity: Quantity,
  instruments: readonly Instrument[],
): InstrumentId[] {
  const { settledByRatio } = judged;
  if (settledByRatio === null) return [];
  return instruments.flatMap((i) => {
    const ratio = statedAccuracy(i, quantity);
    return ratio !== undefined && ratio < settledByRatio ? [i.id] : [];
  });
}

/** A value as its reading means it: in its quantity, as a share of another, a minute, or as a time. */
export function formatTaken(
  taken: Pick<TakenReading, 'quantity' | 'as'>,
  value: number | null,
  own?: OwnUnits,
): string {
  if (value === null) return taken.as === 'seconds' ? 'never' : taken.quantity === 'resistance' ? 'open' : 'over range';
  switch (taken.as) {
    case 'ratio':
      return `${Number(value.toFixed(3))} times`;
    case 'per-minute':
      return `${Number(value.toFixed(2))} ${taken.quantity === 'temperature' ? 'K' : baseUnit(taken.quantity)}/min`;
    case 'seconds':
      return formatQuantity(value, 'duration');
    case undefined:
      return formatQuantity(value, taken.quantity, own);
    default:
      return assertNever(taken.as);
  }
}

/** Earlier readings of a walk by node: what later bands and comparisons go by. */
export function earlierReadings(
  answers: ReadonlyArray<Readonly<{ node: NodeId; reading: TakenReading | null }>>,
): ReadonlyMap<NodeId, number> {
  return new Map(
    answers.flatMap(({ node, reading }) => {
      const raw = reading?.points?.at(-1)?.value ?? (reading?.as === undefined ? reading?.value : null);
      return raw === null || raw === undefined ? [] : [[node, raw] as const];
    }),
  );
}
