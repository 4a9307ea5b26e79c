import type { ParameterId } from '../base/ids.ts';
import { assertNever, fail, ok, type Result } from '../base/result.ts';
import type { Amount, Band } from './model.ts';

/** Values of a family's parameters for the variant at hand, in base units. */
export type Parameters = ReadonlyMap<ParameterId, number>;

export type BandError =
  | Readonly<{ code: 'parameter-missing'; parameter: ParameterId }>
  | Readonly<{ code: 'temperature-needed' }>
  | Readonly<{ code: 'temperature-outside'; leastCelsius: number; mostCelsius: number }>
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

/** A heating element's resistance in ohms from its rating: R = V² / P. */
export function elementOhm({ powerWatt, supplyVolt }: { powerWatt: number; supplyVolt: number }): number {
  return supplyVolt ** 2 / powerWatt;
}

/** Ohms at a temperature from a table, straight lines in ln R between the rows; null outside it. */
export function tableOhm(rows: ReadonlyArray<{ atCelsius: number; ohm: number }>, atCelsius: number): number | null {
  const sorted = [...rows].sort((a, b) => a.atCelsius - b.atCelsius);
  for (let i = 0; i + 1 < sorted.length; i++) {
    const [a, b] = [sorted[i], sorted[i + 1]];
    if (!a || !b || atCelsius < a.atCelsius || atCelsius > b.atCelsius) continue;
    const share = b.atCelsius === a.atCelsius ? 0 : (atCelsius - a.atCelsius) / (b.atCelsius - a.atCelsius);
    return Math.exp(Math.log(a.ohm) + share * (Math.log(b.ohm) - Math.log(a.ohm)));
  }
  return null;
}

const needsTemperature = (band: Band): boolean =>
  band.kind === 'thermistor' || band.kind === 'steinhart-hart' || band.kind === 'table';

export { needsTemperature };

/**
 * Computes the good readings of a band for the variant's parameters, at a temperature where the part depends on it.
 * Errors: `parameter-missing`, `temperature-needed`, `temperature-outside` (of the table), `band-impossible`.
 */
export function computeBand(band: Band, parameters: Parameters, atCelsius: number | null): Result<GoodBand, BandError> {
  const missing: ParameterId[] = [];
  const amount = (a: Amount): number => {
    if (typeof a === 'number') return a;
    const value = parameters.get(a.parameter);
    if (value === undefined) missing.push(a.parameter);
    return value ?? Number.NaN;
  };
  const optional = (a: Amount | null): number | null => (a === null ? null : amount(a));
  const around = (middle: number, tolerance: number): Result<GoodBand, BandError> => {
    const [parameter] = missing;
    if (parameter !== undefined) return fail({ code: 'parameter-missing', parameter });
    if (!(middle > 0) || !Number.isFinite(middle)) return fail({ code: 'band-impossible', field: band.kind });
    if (!(tolerance >= 0 && tolerance < 1)) return fail({ code: 'band-impossible', field: 'toleranceRatio' });
    return ok({ least: middle * (1 - tolerance), middle, most: middle * (1 + tolerance) });
  };
  if (needsTemperature(band) && atCelsius === null) return fail({ code: 'temperature-needed' });
  const celsius = atCelsius ?? 0;
  switch (band.kind) {
    case 'fixed': {
      const [least, most] = [optional(band.least), optional(band.most)];
      const [parameter] = missing;
      if (parameter !== undefined) return fail({ code: 'parameter-missing', parameter });
      if (least !== null && most !== null && least > most) return fail({ code: 'band-impossible', field: 'least' });
      return ok({ least, middle: null, most });
    }
    case 'thermistor':
      return around(
        betaOhm({ r25Ohm: amount(band.r25Ohm), betaK: amount(band.betaK), atCelsius: celsius }),
        amount(band.toleranceRatio),
      );
    case 'steinhart-hart':
      return around(
        steinhartHartOhm({ a: amount(band.a), b: amount(band.b), c: amount(band.c), atCelsius: celsius }),
        amount(band.toleranceRatio),
      );
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
    default:
      return assertNever(band);
  }
}
