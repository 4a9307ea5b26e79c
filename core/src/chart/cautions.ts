import type { MeasureNode } from '../model/chart.ts';
import { amountOf, type Parameters } from './band.ts';
import { typicalBand, typicalTemperatureDoubt } from './typical.ts';

/** Below so many ohms what the leads have themselves is a good part of the reading. */
const leadsCountOhm = 5;

/** What a measurement asks for by its nature, whoever wrote the step: what comes first before what comes after. */
export type MeasureCaution =
  | Readonly<{ kind: 'zero-leads' }>
  /** Half a degree moves the band by so much of it. */
  | Readonly<{ kind: 'temperature-to-a-tenth'; halfDegreeRatio: number }>
  | Readonly<{ kind: 'hands-off-and-discharge'; testVolt: number | null }>;

/** The cautions of a measurement, worked out from its quantity and its good band. */
export function measureCautions(node: MeasureNode, parameters: Parameters): MeasureCaution[] {
  const good = typicalBand(node, parameters);
  const highest = good && (good.most ?? good.least);
  const temperatureDoubt = good && typicalTemperatureDoubt(node, good, parameters, '25');
  const worth = temperatureDoubt && highest ? temperatureDoubt.doubt / highest : 0;
  const isOhms = node.quantity === 'resistance' && node.band.kind !== 'ratio' && node.band.kind !== 'of-setting';
  const cautions: MeasureCaution[] = [];
  if (isOhms && highest !== null && highest <= leadsCountOhm) cautions.push({ kind: 'zero-leads' });
  if (worth >= 0.01) cautions.push({ kind: 'temperature-to-a-tenth', halfDegreeRatio: worth });
  if (node.band.kind === 'insulation')
    cautions.push({ kind: 'hands-off-and-discharge', testVolt: amountOf(node.band.testVolt, parameters) });
  return cautions;
}
