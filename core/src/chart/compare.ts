import type { NodeId, SettingId } from '../base/ids.ts';
import { formatQuantity, type Quantity } from '../base/quantity.ts';
import type { NodeOf } from '../model/chart.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import type { VariantCase } from '../model/values.ts';
import { amountOf, type Parameters } from './band.ts';

type Compared = Omit<TakenReading, 'verdict'> & Readonly<{ verdict: 'pass' | 'low' | 'high' }>;

type Comparing = Readonly<{
  readings: ReadonlyMap<NodeId, number>;
  settings: ReadonlyMap<SettingId, number>;
  /** What the first reading is of. */
  quantity: Quantity;
}>;

/**
 * Holds a reading against another, a setting or an amount: first over second, or first less second. Null while one of
 * them is not known, a bound's parameter is missing, or it comes out otherwise on another variant that is still possible.
 * A ratio to nothing is over any bound.
 */
export function compareReadings(
  node: NodeOf<'compare'>,
  known: Comparing & Readonly<{ cases: readonly VariantCase[] }>,
): Compared | null {
  const each = known.cases.map(({ parameters }) => comparedUnder(node, known, parameters));
  const [first = null] = each.sort((a, b) => (a?.least ?? 0) - (b?.least ?? 0) || (a?.most ?? 0) - (b?.most ?? 0));
  return each.every((c) => c?.verdict === first?.verdict) ? first : null;
}

function comparedUnder(node: NodeOf<'compare'>, known: Comparing, parameters: Parameters): Compared | null {
  const first = known.readings.get(node.reading);
  const second =
    node.against.kind === 'reading'
      ? known.readings.get(node.against.node)
      : node.against.kind === 'setting'
        ? known.settings.get(node.against.setting)
        : (amountOf(node.against.amount, parameters) ?? undefined);
  const least = node.least === null ? null : amountOf(node.least, parameters);
  const most = node.most === null ? null : amountOf(node.most, parameters);
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
