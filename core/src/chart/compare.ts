import type { NodeId, SettingId } from '../base/ids.ts';
import { formatQuantity, type Quantity } from '../base/quantity.ts';
import type { NodeOf } from '../model/chart.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import { amountOf, type Parameters } from './band.ts';

type Compared = Omit<TakenReading, 'verdict'> & Readonly<{ verdict: 'pass' | 'low' | 'high' }>;

/**
 * Holds a reading against another, a setting or an amount: first over second, or first less second. Null while one of
 * them is not known, or a bound's parameter is missing. A ratio to nothing is over any bound.
 */
export function compareReadings(
  node: NodeOf<'compare'>,
  known: Readonly<{
    parameters: Parameters;
    readings: ReadonlyMap<NodeId, number>;
    settings: ReadonlyMap<SettingId, number>;
    /** What the first reading is of. */
    quantity: Quantity;
  }>,
): Compared | null {
  const first = known.readings.get(node.reading);
  const second =
    node.against.kind === 'reading'
      ? known.readings.get(node.against.node)
      : node.against.kind === 'setting'
        ? known.settings.get(node.against.setting)
        : (amountOf(node.against.amount, known.parameters) ?? undefined);
  const least = node.least === null ? null : amountOf(node.least, known.parameters);
  const most = node.most === null ? null : amountOf(node.most, known.parameters);
  if (first === undefined || second === undefined) return null;
  if ((least === null) !== (node.least === null) || (most === null) !== (node.most === null)) return null;
  const value = node.as === 'ratio' ? first / second : first - second;
  const verdict = least !== null && value < least ? 'low' : most !== null && !(value <= most) ? 'high' : 'pass';
  return {
    typed: `${formatQuantity(first, known.quantity)} ${node.as === 'ratio' ? '÷' : '−'} ${formatQuantity(second, known.quantity)}`,
    quantity: known.quantity,
    value: Number.isFinite(value) ? value : null,
    atCelsius: null,
    least,
    most,
    verdict,
    ...(node.as === 'ratio' ? { as: 'ratio' as const } : {}),
  };
}
