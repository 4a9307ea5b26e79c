import type { VariantId } from '../base/ids.ts';
import type { Quantity, ReadingError } from '../base/quantity.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import type { BandError, GoodBand } from './band.ts';
import type { TemperatureDoubt } from './temperature-doubt.ts';
import type { ReadingVerdict } from './verdict.ts';

/** What a person typed at a measurement, as typed. */
export type TypedReading = Readonly<{
  /** One reading, or several with the time since the first. */
  readings: ReadonlyArray<Readonly<{ typed: string; afterMs: number }>>;
  temperature?: string;
  /** What the setting stands at, where the band is about one that is not known yet. */
  set?: string;
}>;

/** What a reading means on some of the variants that are still possible, and what is good there. */
export type JudgedCase = Readonly<{
  variants: readonly VariantId[];
  answer: Measured['answer'];
  band: GoodBand;
  taken: Measured['taken'];
}>;

export type MeasureError =
  | Readonly<{ field: 'reading'; index: number; error: ReadingError }>
  | Readonly<{ field: 'temperature'; error: ReadingError | Readonly<{ code: 'open-temperature' }> }>
  | Readonly<{ field: 'set'; error: ReadingError }>
  | Readonly<{ field: 'band'; error: BandError }>
  | Readonly<{ field: 'variant'; error: Readonly<{ code: 'needs-plate'; cases: readonly JudgedCase[] }> }>
  | Readonly<{ field: 'readings'; error: Readonly<{ code: 'more-readings-needed'; have: number; need: number }> }>
  | Readonly<{
      field: 'instrument';
      error: Readonly<
        | { code: 'beyond-instrument'; least: number; most: number; quantity: Quantity }
        | { code: 'test-voltage-missing'; volt: number }
      >;
    }>;

export type Measured = ReadingVerdict &
  Readonly<{
    taken: TakenReading;
    band: GoodBand;
    /** How far the value may be off by the meter, in its own unit. */
    doubt: number;
    /**
     * What the temperature, as it was typed, adds to that; null where none is asked for. What is too close is settled
     * where it is known to `settledByKelvin`, or where it has one digit more and the meter is off by no more than the share
     * `settledWithDigit`; null where that would not settle it.
     */
    temperatureDoubt:
      | (TemperatureDoubt & Readonly<{ settledByKelvin: number | null; settledWithDigit: number | null }>)
      | null;
    /** The answer of the node this leads to. */
    answer: 'pass' | 'low' | 'high' | 'too-close' | 'open' | 'short';
  }>;
