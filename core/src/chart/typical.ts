import { bandTraits } from '../model/band.ts';
import type { MeasureNode } from '../model/chart.ts';
import { computeBand, type GoodBand, needsTemperature, type Parameters } from './band.ts';
import { type TemperatureDoubt, temperatureDoubtOf } from './temperature-doubt.ts';

const typicalCelsius = 25;

/**
 * The good band of a step before anything is known on site: at 25 °C, about what is set taken as 1, a ratio to 1. Null where
 * that says nothing of it: a rate, a time, an amount about a setting, values that are missing.
 */
export function typicalBand({ band }: MeasureNode, parameters: Parameters): GoodBand | null {
  if (bandTraits[band.kind].readings > 1) return null;
  if (band.kind === 'of-setting' && band.by !== 'share') return null;
  const good = computeBand(band, {
    parameters,
    atCelsius: needsTemperature(band) ? typicalCelsius : null,
    ...(band.kind === 'of-setting' ? { settings: new Map([[band.setting, 1]]) } : {}),
    ...(band.kind === 'ratio' ? { earlier: new Map([[band.to, 1]]) } : {}),
  });
  return good.ok ? good.value : null;
}

/** What a temperature typed so is worth at 25 °C, for instance `25` or `25.0`; null where the band does not depend on one. */
export const typicalTemperatureDoubt = (
  node: MeasureNode,
  good: GoodBand,
  parameters: Parameters,
  typed: string,
): TemperatureDoubt | null =>
  temperatureDoubtOf({ band: node.band, good, typed, atCelsius: typicalCelsius, known: { parameters } });
