import type { Path } from '../base/path.ts';
import { baseUnit, parseDifference, parseReading } from '../base/quantity.ts';
import type { Bundle } from '../model/bundle.ts';
import type { MeasureNode } from '../model/chart.ts';
import type { Finding } from '../model/finding.ts';
import type { Readout } from '../model/readout.ts';
import { entryOf } from '../model/select.ts';
import type { Instrument } from '../model/source.ts';
import type { ValueField } from '../readout/live-value.ts';

/** A reading the unit itself shows: on which readout, behind which address, as what. */
export type ShownBy = Readonly<{ readout: Readout; address: string | null; field: ValueField }>;

/** The value of a readout that shows behind an address. */
function fieldAt(readout: Readout, address: string | null): ValueField | null {
  const fields = readout.stages.flatMap(({ reads }) => (reads.kind === 'value' ? reads.fields : []));
  return fields.find((f) => f.when === address) ?? null;
}

/** What the unit shows in place of a meter; null where a step is measured with one, or its value is not there. */
export function shownBy(bundle: Bundle, node: MeasureNode): ShownBy | null {
  const readout = node.shownBy && entryOf(bundle, 'readout', node.shownBy.readout);
  const field = readout && fieldAt(readout, node.shownBy?.address ?? null);
  return readout && field && node.shownBy ? { readout, address: node.shownBy.address, field } : null;
}

/** What of an instrument a reading is judged by. */
export type MeterFacts = Pick<Instrument, 'ranges' | 'accuracyRatio' | 'testVolts'>;

/** What it shows it in: its own unit, whatever one's own is. */
export const shownIn = ({ field }: ShownBy, node: MeasureNode): string => field.unit ?? baseUnit(node.quantity);

/** The unit as a meter: it shows what it can show, to half of its last place. */
export function unitAsMeter(by: ShownBy, node: MeasureNode, shown: number | null): MeterFacts {
  const { field } = by;
  const unit = shownIn(by, node);
  const inBase = (value: number): number => {
    const read = parseReading(`${value} ${unit}`, node.quantity);
    return read.ok && read.value.kind === 'value' ? read.value.value : value;
  };
  const place = 0.5 * 10 ** -field.decimals;
  const read = parseDifference(`${place} ${unit}`, node.quantity);
  const half = read.ok ? read.value : place;
  return {
    ranges: [{ quantity: node.quantity, least: inBase(field.least), most: inBase(field.most) }],
    accuracyRatio: shown === null || shown === 0 ? 0 : half / Math.abs(shown),
    testVolts: [],
  };
}

/** A step whose value comes from nowhere: no probes and nothing shown, or something else than is shown there. */
export function lintShown(node: MeasureNode, readouts: ReadonlyMap<string, Readout>, at: Path): Finding[] {
  if (!node.shownBy)
    return node.probes.length > 0 ? [] : [{ code: 'measured-nowhere', severity: 'error', at, node: node.title }];
  const readout = readouts.get(node.shownBy.readout);
  const field = readout && fieldAt(readout, node.shownBy.address);
  if (!readout || field?.quantity === node.quantity) return [];
  return [
    {
      code: 'value-not-shown',
      severity: 'error',
      at: [...at, 'shownBy'],
      node: node.title,
      readout: readout.name,
      address: node.shownBy.address,
      shows: field?.quantity ?? null,
    },
  ];
}
