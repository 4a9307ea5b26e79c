import { typedStep } from '../base/quantity.ts';
import type { Band } from '../model/band.ts';
import { type BandKnown, computeBand, type GoodBand, needsTemperature } from './band.ts';

/** What a temperature that is only known so well makes of a good band. */
export type TemperatureDoubt = Readonly<{
  /** How far the temperature may be off, in K: half of the last digit it was typed with. */
  kelvin: number;
  /** How far that moves the edges of the band, in the unit of the band. */
  doubt: number;
}>;

/**
 * How far a band that depends on a temperature moves within what the temperature may be off by; null where it does not
 * depend on one. For a thermistor that is about |α|·R·δT with α = −β/T², four percent a kelvin and more: often more than the meter’s share.
 */
export function temperatureDoubtOf(input: {
  band: Band;
  good: GoodBand;
  typed: string | undefined;
  atCelsius: number | null;
  known: BandKnown;
}): TemperatureDoubt | null {
  const { band, good, typed, atCelsius, known } = input;
  if (!needsTemperature(band) || atCelsius === null) return null;
  const kelvin = (typedStep(typed ?? '', 'temperature') ?? 0) / 2;
  const moved = [atCelsius - kelvin, atCelsius + kelvin].flatMap((celsius) => {
    const there = computeBand(band, { ...known, atCelsius: celsius });
    if (!there.ok) return [];
    const by = (is: number | null, was: number | null): number =>
      is === null || was === null ? 0 : Math.abs(is - was);
    return [by(there.value.least, good.least), by(there.value.most, good.most)];
  });
  return { kelvin, doubt: Math.max(0, ...moved) };
}
