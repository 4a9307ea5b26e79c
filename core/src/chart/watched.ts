import type { Result } from '../base/result.ts';
import type { MeasureNode, NodeOf, Watch } from '../model/chart.ts';
import { agreed, possible } from './agreed.ts';
import { amountOf, type BandKnown, type Parameters } from './band.ts';
import { measure } from './measure.ts';
import type { Measured, MeasureError, TypedReading } from './measured.ts';

/** What is watched of a unit that runs and judged by readings over time. */
export type MeasuredWatch = Exclude<Watch, { kind: 'sound' }>;

/** What is watched as a measurement: so much more in so long, or a value reached in so long. */
function asMeasure(node: NodeOf<'operate'>, watch: MeasuredWatch, parameters: Parameters): MeasureNode {
  const by = watch.kind === 'climb' ? (amountOf(watch.by, parameters) ?? Number.NaN) : 0;
  const within = watch.withinMs / 1000;
  const band =
    watch.kind === 'reach'
      ? ({ kind: 'time-to', value: watch.value, leastS: null, mostS: within } as const)
      : ({ kind: 'rate', leastPerMin: by / (within / 60), mostPerMin: null } as const);
  const plain = { id: node.id, kind: 'measure', title: node.title, quantity: watch.quantity } as const;
  // what leads on from it is the operate step's own, and asked there
  return { ...(plain as unknown as MeasureNode), band, probes: [], marks: [], disconnect: [], supply: 'energised' };
}

/** Judges readings over time against what is watched for, on every variant that is still possible. */
export const judgeWatch = (
  node: NodeOf<'operate'>,
  watch: MeasuredWatch,
  typed: TypedReading,
  known: BandKnown,
): Result<Measured, MeasureError> =>
  agreed(known, (one) => measure({ node: asMeasure(node, watch, one.parameters), typed, known: one }));

/** What a watch wants, in base units: one value, or one for each that differs between the variants that are possible. */
export const watchedAmounts = (watch: MeasuredWatch, known: BandKnown): Array<number | null> => [
  ...new Set(possible(known).map((c) => amountOf(watch.kind === 'reach' ? watch.value : watch.by, c.parameters))),
];
