import type { Quantity } from '../base/quantity.ts';
import type { ChartNode, MeasureNode } from '../model/chart.ts';

/** What is only there on something live: a reading of it on something dead says nothing, or that it is not dead. */
export const liveQuantities: ReadonlySet<Quantity> = new Set(['voltage', 'current', 'power']);

/** No more volts than these are looked for where something is proved dead; above them nobody calls it dead (extra-low voltage, 50 V). */
const deadVolt = 50;

/** Whether volts are measured to find none: that proves something dead, and runs nothing. */
export function provesDead(node: ChartNode): boolean {
  if (node.kind !== 'measure' || node.quantity !== 'voltage' || node.band.kind !== 'fixed') return false;
  const { least, most } = node.band;
  return typeof most === 'number' && most <= deadVolt && (least === null || (typeof least === 'number' && least <= 0));
}

/** Whether a step is electrical work on something live: not where the unit shows the value itself, nor at a gas tap or in a bucket. */
export const isLiveWork = (node: ChartNode): node is MeasureNode =>
  node.kind === 'measure' && node.supply === 'energised' && !node.shownBy && liveQuantities.has(node.quantity);

/** Whether a step runs the unit: something is operated, or measured while it runs. */
export const isRun = (node: ChartNode): boolean =>
  node.kind === 'operate' || (node.kind === 'measure' && node.supply === 'energised' && !provesDead(node));
