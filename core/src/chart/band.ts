import type { NodeId, ParameterId, SettingId } from '../base/ids.ts';
import { assertNever, fail, ok, type Result } from '../base/result.ts';
import type { Amount, Band } from '../model/band.ts';
import { bandTraits } from '../model/band.ts';
import type { VariantCase } from '../model/values.ts';

/** Values of a family's parameters for the variant at hand, in base units. */
export type Parameters = ReadonlyMap<ParameterId, number>;

export type BandError =
  | Readonly<{ code: 'parameter-missing'; parameter: ParameterId }>
  | Readonly<{ code: 'temperature-needed' }>
  | Readonly<{ code: 'temperature-outside'; leastCelsius: number; mostCelsius: number }>
  | Readonly<{ code: 'temperature-impossible' }>
  | Readonly<{ code: 'setting-needed'; setting: SettingId }>
  | Readonly<{ code: 'reading-needed'; node: NodeId }>
  | Readonly<{ code: 'band-impossible'; field: string }>;

/** The good readings: from `least` to `most` about `middle`, in the quantity's base unit. Null means no bound. */
export type GoodBand = Readonly<{ least: number | null; middle: number | null; most: number | null }>;

const zeroCelsiusK = 273.15;
const roomK = 298.15;

/** A thermistor's resistance by the Beta equation R = r25 · exp(β · (1/T − 1/298.15)), T in kelvin. */
export function betaOhm({ r25Ohm, betaK, atCelsius }: { r25Ohm: number; betaK: number; atCelsius: number }): number {
  return r25Ohm * Math.exp(betaK * (1 / (atCelsius + zeroCelsiusK) - 1 / roomK));
}

/** The inverse of {@link betaOhm}: the temperature in °C at which a thermistor has this resistance. */
export function betaCelsius({ r25Ohm, betaK, ohm }: { r25Ohm: number; betaK: number; ohm: number }): number {
  return 1 / (Math.log(ohm / r25Ohm) / betaK + 1 / roomK) - zeroCelsiusK;
}

/** A thermistor's resistance by Steinhart–Hart, 1/T = a + b·ln R + c·(ln R)³, solved for the one real root. */
export function steinhartHartOhm({
  a,
  b,
  c,
  atCelsius,
}: {
  a: number;
  b: number;
  c: number;
  atCelsius: number;
}): number {
  const target = a - 1 / (atCelsius + zeroCelsiusK);
  if (c === 0) return Math.exp(-target / b);
  // depressed cubic x³ + p·x + q = 0 in x = ln R; p > 0 for a real thermistor, so one real root
  const p = b / c;
  const q = target / c;
  const d = Math.sqrt((q / 2) ** 2 + (p / 3) ** 3);
  return Math.exp(Math.cbrt(-q / 2 + d) + Math.cbrt(-q / 2 - d));
}

/** The inverse of {@link steinhartHartOhm}, by the equation itself: the temperature in °C of so many ohms. */
export function steinhartHartCelsius({ a, b, c, ohm }: { a: number; b: number; c: number; ohm: number }): number {
  const ln = Math.log(ohm);
  return 1 / (a + b * ln + c * ln ** 3) - zeroCelsiusK;
}

/** A heating element's resistance in ohms from its rating: R = V² / P. */
export function elementOhm({ powerWatt, supplyVolt }: { powerWatt: number; supplyVolt: number }): number {
  return supplyVolt ** 2 / powerWatt;
}

type Row = Readonly<{ atCelsius: number; ohm: number }>;

/** Rows by rising temperature; kept, because a chart is measured against again and again. */
const inOrder = new WeakMap<readonly Row[], readonly Row[]>();
function sortedRows(rows: readonly Row[]): readonly Row[] {
  const known = inOrder.get(rows) ?? [...rows].sort((a, b) => a.atCelsius - b.atCelsius);
  inOrder.set(rows, known);
  return known;
}

/** Ohms at a temperature from a table, straight lines in ln R between the rows; null outside it. */
export function tableOhm(rows: readonly Row[], atCelsius: number): number | null {
  const sorted = sortedRows(rows);
  for (let i = 0; i + 1 < sorted.length; i++) {
    const [a, b] = [sorted[i], sorted[i + 1]];
    if (!a || !b || atCelsius < a.atCelsius || atCelsius > b.atCelsius) continue;
    const share = b.atCelsius === a.atCelsius ? 0 : (atCelsius - a.atCelsius) / (b.atCelsius - a.atCelsius);
    return Math.exp(Math.log(a.ohm) + share * (Math.log(b.ohm) - Math.log(a.ohm)));
  }
  return null;
}

/** The inverse of {@link tableOhm}: the lowest temperature at which the table reads so many ohms; null outside it. */
function tableCelsius(rows: readonly Row[], ohm: number): number | null {
  const sorted = sortedRows(rows);
  for (let i = 0; i + 1 < sorted.length; i++) {
    const [a, b] = [sorted[i], sorted[i + 1]];
    if (!a || !b || ohm < Math.min(a.ohm, b.ohm) || ohm > Math.max(a.ohm, b.ohm)) continue;
    if (a.ohm === b.ohm) return a.atCelsius;
    const share = (Math.log(ohm) - Math.log(a.ohm)) / (Math.log(b.ohm) - Math.log(a.ohm));
    return a.atCelsius + share * (b.atCelsius - a.atCelsius);
  }
  return null;
}

/** Whether a band's good readings depend on how warm the part is. */
export const needsTemperature = (band: Band): boolean => bandTraits[band.kind].needs === 'temperature';

/** What is known when a band is worked out. */
export type BandKnown = Readonly<{
  parameters: Parameters;
  /** The values of every variant that is still possible, where the plate leaves several. */
  cases?: readonly VariantCase[];
  /** How warm the part is; null where nobody has measured it. */
  atCelsius?: number | null;
  /** What settings stand at, in the base unit of what is measured. */
  settings?: ReadonlyMap<SettingId, number>;
  /** Earlier readings by node, in the base unit of what was measured there. */
  earlier?: ReadonlyMap<NodeId, number>;
}>;

/** Looks parameters up, and remembers the first that is missing. */
function amountsOf(parameters: Parameters) {
  const missing: ParameterId[] = [];
  const amount = (a: Amount): number => {
    if (typeof a === 'number') return a;
    const value = parameters.get(a.parameter);
    if (value === undefined) missing.push(a.parameter);
    return value ?? Number.NaN;
  };
  return { missing, amount, optional: (a: Amount | null): number | null => (a === null ? null : amount(a)) };
}

/** A number, or what a parameter stands at; null where the parameter is not known. */
export function amountOf(a: Amount, parameters: Parameters): number | null {
  const { missing, amount } = amountsOf(parameters);
  const value = amount(a);
  return missing.length > 0 ? null : value;
}

/**
 * Computes the good readings of a band: in the base unit of what is measured; for `ratio` as a share, for `rate` a
 * minute, for `time-to` in seconds.
 * Errors: `parameter-missing`, `temperature-needed`, `temperature-outside` (of the table), `temperature-impossible`
 * (below absolute zero), `setting-needed`, `reading-needed` (an earlier one), `band-impossible` with the field.
 */
export function computeBand(band: Band, known: BandKnown): Result<GoodBand, BandError> {
  const { missing, amount, optional } = amountsOf(known.parameters);
  const isMissing = () => missing[0] !== undefined;
  const lacks = () => fail({ code: 'parameter-missing' as const, parameter: missing[0] as ParameterId });
  const impossible = (field: string) => fail({ code: 'band-impossible' as const, field });
  const around = (middle: number, tolerance: number): Result<GoodBand, BandError> => {
    if (isMissing()) return lacks();
    if (!(middle > 0) || !Number.isFinite(middle)) return impossible(band.kind);
    if (!(tolerance >= 0 && tolerance < 1)) return impossible('toleranceRatio');
    return ok({ least: middle * (1 - tolerance), middle, most: middle * (1 + tolerance) });
  };
  const between = (least: number | null, most: number | null): Result<GoodBand, BandError> => {
    if (isMissing()) return lacks();
    if (least === null && most === null) return impossible('least');
    if (least !== null && most !== null && least > most) return impossible('least');
    return ok({ least, middle: null, most });
  };
  const atCelsius = known.atCelsius ?? null;
  if (needsTemperature(band) && atCelsius === null) return fail({ code: 'temperature-needed' });
  const celsius = atCelsius ?? 0;
  if (celsius <= -zeroCelsiusK) return fail({ code: 'temperature-impossible' });
  switch (band.kind) {
    case 'fixed':
      return between(optional(band.least), optional(band.most));
    case 'thermistor': {
      const [r25Ohm, betaK, tolerance] = [amount(band.r25Ohm), amount(band.betaK), amount(band.toleranceRatio)];
      // a Beta of 0 is no thermistor: it would read the same at any temperature
      if (!isMissing() && betaK === 0) return impossible('betaK');
      return around(betaOhm({ r25Ohm, betaK, atCelsius: celsius }), tolerance);
    }
    case 'steinhart-hart': {
      const [a, b, c, tolerance] = [amount(band.a), amount(band.b), amount(band.c), amount(band.toleranceRatio)];
      if (!isMissing() && !(b > 0 && c >= 0)) return impossible(b > 0 ? 'c' : 'b');
      return around(steinhartHartOhm({ a, b, c, atCelsius: celsius }), tolerance);
    }
    case 'table': {
      const ohm = tableOhm(band.rows, celsius);
      const at = band.rows.map((row) => row.atCelsius);
      if (ohm === null)
        return fail({ code: 'temperature-outside', leastCelsius: Math.min(...at), mostCelsius: Math.max(...at) });
      return around(ohm, amount(band.toleranceRatio));
    }
    case 'element':
      return around(
        elementOhm({ powerWatt: amount(band.powerWatt), supplyVolt: amount(band.supplyVolt) }),
        amount(band.toleranceRatio),
      );
    case 'of-setting': {
      const set = known.settings?.get(band.setting);
      const [plus, minus] = [amount(band.plus), amount(band.minus)];
      if (isMissing()) return lacks();
      if (!(plus >= 0 && minus >= 0)) return impossible('plus');
      if (set === undefined) return fail({ code: 'setting-needed', setting: band.setting });
      const unit = band.by === 'share' ? Math.abs(set) : 1;
      return ok({ least: set - minus * unit, middle: set, most: set + plus * unit });
    }
    case 'insulation': {
      const [least, volt] = [amount(band.leastOhm), amount(band.testVolt)];
      if (!isMissing() && !(volt > 0)) return impossible('testVolt');
      if (!isMissing() && !(least > 0)) return impossible('leastOhm');
      return between(least, null);
    }
    case 'ratio': {
      const good = between(optional(band.least), optional(band.most));
      if (!good.ok) return good;
      const other = known.earlier?.get(band.to);
      if (other === undefined) return fail({ code: 'reading-needed', node: band.to });
      return other === 0 ? impossible('to') : good;
    }
    case 'rate':
      return between(optional(band.leastPerMin), optional(band.mostPerMin));
    case 'time-to': {
      amount(band.value);
      return between(optional(band.leastS), optional(band.mostS));
    }
    default:
      return assertNever(band);
  }
}

export type CurvePoint = Readonly<{ atCelsius: number; least: number; middle: number; most: number }>;

/** The good readings over temperature, `steps` + 1 points from one end to the other; where there is none, it is left out. */
export function bandCurve(input: {
  band: Band;
  parameters: Parameters;
  leastCelsius: number;
  mostCelsius: number;
  steps: number;
}): CurvePoint[] {
  const { band, parameters, leastCelsius, mostCelsius, steps } = input;
  return Array.from({ length: steps + 1 }, (_, i) => leastCelsius + ((mostCelsius - leastCelsius) * i) / steps).flatMap(
    (atCelsius) => {
      const good = computeBand(band, { parameters, atCelsius });
      if (!good.ok || good.value.least === null || good.value.middle === null || good.value.most === null) return [];
      return [{ atCelsius, least: good.value.least, middle: good.value.middle, most: good.value.most }];
    },
  );
}

/** How warm a part is that reads so many ohms, by its band; null where no temperature does, or the band is no thermistor's. */
export function celsiusOf(band: Band, parameters: Parameters, ohm: number): number | null {
  if (!(ohm > 0) || !Number.isFinite(ohm)) return null;
  switch (band.kind) {
    case 'thermistor': {
      const [r25Ohm, betaK] = [amountOf(band.r25Ohm, parameters), amountOf(band.betaK, parameters)];
      if (r25Ohm === null || betaK === null || betaK === 0 || !(r25Ohm > 0)) return null;
      const celsius = betaCelsius({ r25Ohm, betaK, ohm });
      return Number.isFinite(celsius) && celsius > -zeroCelsiusK ? celsius : null;
    }
    case 'steinhart-hart': {
      const [a, b, c] = [amountOf(band.a, parameters), amountOf(band.b, parameters), amountOf(band.c, parameters)];
      if (a === null || b === null || c === null) return null;
      const celsius = steinhartHartCelsius({ a, b, c, ohm });
      return Number.isFinite(celsius) && celsius > -zeroCelsiusK ? celsius : null;
    }
    case 'table':
      return tableCelsius(band.rows, ohm);
    case 'element':
    case 'fixed':
    case 'insulation':
    case 'of-setting':
    case 'rate':
    case 'ratio':
    case 'time-to':
      return null;
    default:
      return assertNever(band);
  }
}
