import type { Quantity } from '../base/quantity.ts';

/** A thermometer off by a share of what it says is off by at least that share of so many kelvin: 0 °C is no quantity. */
const leastKelvin = 100;

/** Below this much a reading's share is a share of this, in the base unit. */
export const leastShared = (quantity: Quantity): number => (quantity === 'temperature' ? leastKelvin : 0);

/** What an instrument's share is a share of, in the unit of the reading. */
export const shared = (value: number, quantity: Quantity): number => Math.max(Math.abs(value), leastShared(quantity));

/**
 * From where to where a reading is good whatever the meter is off by: v + a·max(|v|, f) ≤ most and v − a·max(|v|, f) ≥ least
 * for a meter off by the share a, at the least of f. The band's edges are of a band about or above 0.
 */
export function surelyGood(least: number, most: number, ratio: number, leastOf: number): readonly [number, number] {
  return [Math.max(least / (1 - ratio), least + ratio * leastOf), Math.min(most / (1 + ratio), most - ratio * leastOf)];
}
