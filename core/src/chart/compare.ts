import type { NodeId, SettingId } from '../base/ids.ts';
import { formatQuantity, type Quantity } from '../base/quantity.ts';
import { assertNever } from '../base/result.ts';
import type { NodeOf } from '../model/chart.ts';
import type { TakenReading } from '../model/taken-reading.ts';
import type { VariantCase } from '../model/values.ts';
import { amountOf, type Parameters } from './band.ts';

type Compared = Omit<TakenReading, 'verdict'> & Readonly<{ verdict: 'pass' | 'low' | 'high' }>;
type CompareNode = NodeOf<'compare'>;

type Comparing = Readonly<{
  readings: ReadonlyMap<NodeId, number>;
  settings: ReadonlyMap<SettingId, number>;
  /** What the first reading is of. */
  quantity: Quantity;
}>;

/** Joules that warm a litre of water by a kelvin: 4.186 kJ/(kg K) at about a kilogram a litre. */
const joulePerLitreKelvin = 4186;

/** Watts that a flow of water carries, in litres a minute, warmed by so many kelvin: P = ρ · c · V̇ · ΔT. */
export const heatWatt = (litrePerMin: number, kelvin: number): number =>
  (litrePerMin / 60) * joulePerLitreKelvin * kelvin;

/**
 * Holds a reading against another, a setting, an amount or a sum: first over second, or first less second; a flow that is
 * warmed counts as the power that takes. Null while one of them is not known, a bound's parameter is missing, or it comes
 * out otherwise on another variant that is still possible. A ratio to nothing is over any bound.
 */
export function compareReadings(
  node: CompareNode,
  known: Comparing & Readonly<{ cases: readonly VariantCase[] }>,
): Compared | null {
  const each = known.cases.map(({ parameters }) => comparedUnder(node, known, parameters));
  const [first = null] = each.sort((a, b) => (a?.least ?? 0) - (b?.least ?? 0) || (a?.most ?? 0) - (b?.most ?? 0));
  return each.every((c) => c?.verdict === first?.verdict) ? first : null;
}

/** The first of the two, and how it is written. */
function firstOf({ reading, warmed }: CompareNode, { readings, quantity }: Comparing) {
  const value = readings.get(reading);
  if (value === undefined) return null;
  if (!warmed) return { value, quantity, typed: formatQuantity(value, quantity) };
  const [from, to] = [readings.get(warmed.from), readings.get(warmed.to)];
  if (from === undefined || to === undefined) return null;
  const watt = heatWatt(value, to - from);
  const rise = `${Number((to - from).toPrecision(3))} K`;
  return {
    value: watt,
    quantity: 'power' as const,
    typed: `${formatQuantity(value, quantity)} × ${rise} = ${formatQuantity(watt, 'power')}`,
  };
}

/** The second of the two, in the unit of the first; null while it is not known. */
function secondOf({ against }: CompareNode, known: Comparing, parameters: Parameters): number | null {
  switch (against.kind) {
    case 'reading':
      return known.readings.get(against.node) ?? null;
    case 'setting':
      return known.settings.get(against.setting) ?? null;
    case 'amount':
      return amountOf(against.amount, parameters);
    case 'sum': {
      let sum = 0;
      for (const { amount, count } of against.of) {
        const one = amountOf(amount, parameters);
        if (one === null) return null;
        sum += one * count;
      }
      return sum;
    }
    default:
      return assertNever(against);
  }
}

function comparedUnder(node: CompareNode, known: Comparing, parameters: Parameters): Compared | null {
  const first = firstOf(node, known);
  const second = secondOf(node, known, parameters);
  const least = node.least === null ? null : amountOf(node.least, parameters);
  const most = node.most === null ? null : amountOf(node.most, parameters);
  if (first === null || second === null) return null;
  if ((least === null) !== (node.least === null) || (most === null) !== (node.most === null)) return null;
  const value = node.as === 'ratio' ? first.value / second : first.value - second;
  const verdict = least !== null && value < least ? 'low' : most !== null && !(value <= most) ? 'high' : 'pass';
  return {
    typed: `${first.typed} ${node.as === 'ratio' ? '÷' : '−'} ${formatQuantity(second, first.quantity)}`,
    quantity: first.quantity,
    value: Number.isFinite(value) ? value : null,
    atCelsius: null,
    least,
    most,
    verdict,
    ...(node.as === 'ratio' ? { as: 'ratio' as const } : {}),
  };
}
