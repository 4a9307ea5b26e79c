import { describe, expect, it } from 'vitest';
import type { NodeOf, Quantity } from '../index.ts';
import { chart } from '../testing/charts.ts';
import { compareReadings, heatWatt } from './compare.ts';

const node = (more: object) =>
  chart([
    {
      id: 'c',
      kind: 'compare',
      title: 'C',
      reading: 'flow',
      as: 'ratio',
      least: 0.9,
      most: 1.1,
      pass: null,
      low: null,
      high: null,
      ...more,
    },
  ] as never).nodes[0] as NodeOf<'compare'>;
const under = (
  readings: Record<string, number>,
  quantity: Quantity = 'flow',
  parameters: Record<string, number> = {},
) => ({
  readings: new Map(Object.entries(readings)) as never,
  settings: new Map([['set', 2]]) as never,
  quantity,
  cases: [{ variants: [], parameters: new Map(Object.entries(parameters)) as never }],
});
const amount = (n: unknown) => ({ kind: 'amount', amount: n });

describe('a flow that is warmed', () => {
  const warmed = node({ warmed: { from: 'cold', to: 'hot' }, against: amount(24_000) });
  it.each([
    // 12 L/min by 28.7 K: 12 / 60 · 4186 · 28.7 = 24 028 W
    [12, 10, 38.7, 'pass', '12 L/min × 28.7 K = 24 kW ÷ 24 kW'],
    [12, 10, 30, 'low', '12 L/min × 20 K = 16.7 kW ÷ 24 kW'],
    [20, 10, 40, 'high', '20 L/min × 30 K = 41.9 kW ÷ 24 kW'],
    [0, 10, 40, 'low', '0 L/min × 30 K = 0 W ÷ 24 kW'],
  ])('%d L/min from %d to %d °C is %s', (flow, cold, hot, verdict, typed) => {
    const compared = compareReadings(warmed, under({ flow, cold, hot }));
    expect(compared).toMatchObject({ verdict, typed, quantity: 'power', as: 'ratio' });
  });
  it('is not known before all three were read', () => {
    expect(compareReadings(warmed, under({ flow: 12, cold: 10 }))).toBeNull();
    expect(compareReadings(warmed, under({ cold: 10, hot: 40 }))).toBeNull();
  });
  it('carries 69.8 W for each litre a minute and kelvin', () => {
    expect(heatWatt(1, 1)).toBeCloseTo(69.77, 2);
    expect(heatWatt(6, -10)).toBeCloseTo(-4186, 6);
  });
});

describe('a sum', () => {
  const loads = {
    kind: 'sum',
    of: [
      { name: 'Oven', amount: 2000 },
      { name: 'Plate', amount: { parameter: 'plate' }, count: 3 },
    ],
  };
  const sum = node({ reading: 'meter', against: loads, as: 'difference', least: null, most: 0 });
  it.each([
    [6000, 'pass', '6000 W − 6500 W'],
    [6500, 'pass', '6500 W − 6500 W'],
    [7000, 'high', '7000 W − 6500 W'],
  ])('%d W against everything that is connected is %s', (meter, verdict, typed) => {
    expect(compareReadings(sum, under({ meter }, 'power', { plate: 1500 }))).toMatchObject({ verdict, typed });
  });
  it('is not known while one of them is not', () => {
    expect(compareReadings(sum, under({ meter: 1 }, 'power'))).toBeNull();
  });
});

describe('a reading', () => {
  it.each([
    [{ kind: 'reading', node: 'other' }, 'pass'],
    [{ kind: 'reading', node: 'nowhere' }, null],
    [{ kind: 'setting', setting: 'set' }, 'pass'],
    [{ kind: 'setting', setting: 'none' }, null],
    [amount(2), 'pass'],
    [amount(4), 'low'],
    [amount(0), 'high'],
    [amount({ parameter: 'lost' }), null],
  ])('against %j', (against, verdict) => {
    expect(compareReadings(node({ against }), under({ flow: 2, other: 2 }))?.verdict ?? null).toBe(verdict);
  });
  it('a bound that is not known says nothing', () => {
    const open = node({ against: amount(2), least: { parameter: 'lost' } });
    expect(compareReadings(open, under({ flow: 2 }))).toBeNull();
    expect(compareReadings(open, under({ flow: 2 }, 'flow', { lost: 0.5 }))?.verdict).toBe('pass');
  });
});
