import type { MeasureNode } from '../model/chart.ts';
import { amountOf, type Parameters } from './band.ts';
import { typicalBand, typicalHeat } from './typical.ts';

/** Below so many ohms what the leads have themselves is a good part of the reading. */
const leadsCountOhm = 5;

/** What a measurement asks for by its nature, whoever wrote the step: in plain words, what comes first before what comes after. */
export function measureCautions(node: MeasureNode, parameters: Parameters): string[] {
  const good = typicalBand(node, parameters);
  const highest = good && (good.most ?? good.least);
  const heat = good && typicalHeat(node, good, parameters, '25');
  const worth = heat && highest ? (heat.doubt / highest) * 100 : 0;
  const isOhms = node.quantity === 'resistance' && node.band.kind !== 'ratio' && node.band.kind !== 'of-setting';
  const volt = node.band.kind === 'insulation' ? amountOf(node.band.testVolt, parameters) : null;
  return [
    ...(isOhms && highest !== null && highest <= leadsCountOhm
      ? ['Zero the leads first: what they have themselves counts here.']
      : []),
    ...(worth >= 1
      ? [`Half a degree is worth ${Number(worth.toFixed(1))} % here: read the temperature to a tenth.`]
      : []),
    ...(volt === null
      ? []
      : [`Hands off while it tests at ${volt} V. Afterwards discharge it for as long as it was tested.`]),
  ];
}
