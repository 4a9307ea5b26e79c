import type { Path } from '../base/path.ts';
import type { MeasureNode } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import type { Instrument } from '../model/source.ts';
import { accuracyOf, statedAccuracy } from './measure.ts';
import { leastShared, surelyGood } from './meter-share.ts';
import type { ChartSurroundings } from './surroundings.ts';
import { typicalBand, typicalTemperatureDoubt } from './typical.ts';

/** Below this share of a band that can be told as good, a meter is worth a word; one that leaves so much is a better one. */
const enough = 1 / 3;
const plenty = 1 / 2;
/** A thermometer shows tenths. */
const typical = '25.0';

/** The share of a good band in which a reading is good whatever meter and temperature are off by. */
function tellable(least: number, most: number, ratio: number, leastOf: number, temperatureDoubt: number): number {
  const [from, to] = surelyGood(least + temperatureDoubt, most - temperatureDoubt, ratio, leastOf);
  return (to - from) / (most - least);
}

/** A meter with which few readings of a good band, or none, can be called good. */
export function lintMeter(node: MeasureNode, around: ChartSurroundings, at: Path): Finding[] {
  const meter = around.instruments.get(node.instrument ?? '');
  const good = typicalBand(node, around.parameters);
  if (
    !meter ||
    !good ||
    good.least === null ||
    good.most === null ||
    good.least < 0 ||
    (good.least === 0 && node.quantity !== 'temperature') ||
    good.most <= good.least
  )
    return [];
  const [least, most] = [good.least, good.most];
  const temperatureDoubt = typicalTemperatureDoubt(node, good, around.parameters, typical)?.doubt ?? 0;
  // of a share of what is set, and of a ratio, nobody knows beforehand how warm it will be
  const leastOf = node.band.kind === 'fixed' ? leastShared(node.quantity) : 0;
  // of a ratio both readings are off
  const ratioOf = (i: Instrument): number => accuracyOf(i, node.quantity) * (node.band.kind === 'ratio' ? 2 : 1);
  const share = (i: Instrument): number => tellable(least, most, ratioOf(i), leastOf, temperatureDoubt);
  const left = share(meter);
  if (left >= enough) return [];
  const better = [...around.instruments.values()].filter(
    (i) => statedAccuracy(i, node.quantity) !== undefined && share(i) >= plenty,
  );
  return [
    {
      code: 'meter-too-coarse',
      severity: left <= 0 ? 'warning' : 'hint',
      at: [...at, 'instrument'],
      node: node.title,
      meter: meter.name,
      accuracyRatio: accuracyOf(meter, node.quantity),
      leftRatio: Math.max(0, left),
      better: better.map((i) => i.name),
    },
  ];
}
