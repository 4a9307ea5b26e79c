import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Band, Instrument, type MeasureNode, measure } from '../index.ts';
import { chart } from '../testing/charts.ts';
import { lintMeter } from './lint-meter.ts';
import type { ChartSurroundings } from './surroundings.ts';

const nodes = (band: Band, quantity = 'resistance') =>
  chart([
    {
      id: 'm',
      kind: 'measure',
      title: 'Coil',
      quantity,
      probes: ['a', 'b'],
      supply: 'dead',
      instrument: 'meter',
      band,
      pass: null,
      low: null,
      high: null,
    },
  ]).nodes[0] as MeasureNode;
const meter = (accuracyRatio: number, id = 'meter', more: object = {}) =>
  Instrument.parse({ kind: 'instrument', id, name: `The ${id}`, functions: [], accuracyRatio, ...more });
const around = (...instruments: Instrument[]): ChartSurroundings => ({
  parameters: new Map(),
  quantities: new Map(),
  hazards: new Map(),
  ways: new Map(),
  parts: new Map(),
  instruments: new Map(instruments.map((i) => [i.id as string, i])),
  pictures: new Map(),
  readouts: new Map(),
  variants: [],
  controllers: [],
  calibrating: new Set(),
});
const thermistor: Band = { kind: 'thermistor', r25Ohm: 12_000, betaK: 3740, toleranceRatio: 0.02 };

describe('a meter too coarse for its band', () => {
  it.each<[string, MeasureNode, number, [string, number] | null]>([
    // by hand: 100 to 102 with ±1 %: 102/1.01 = 100.99 is under 100/0.99 = 101.01, so nothing is surely good
    ['nothing is left', nodes({ kind: 'fixed', least: 100, most: 102 }), 0.01, ['warning', 0]],
    // 100 to 104: 102.97 − 101.01 = 1.96 of 4
    ['about half is left', nodes({ kind: 'fixed', least: 100, most: 104 }), 0.01, null],
    // 100 to 102.5: 101.485 − 101.010 = 0.475 of 2.5
    ['a fifth is left', nodes({ kind: 'fixed', least: 100, most: 102.5 }), 0.01, ['hint', 0.19]],
    ['one edge only', nodes({ kind: 'fixed', least: 100, most: null }), 0.3, null],
    ['an exact meter', nodes({ kind: 'fixed', least: 100, most: 100.1 }), 0, null],
    [
      'a ratio: both readings are off',
      nodes({ kind: 'ratio', to: 'm' as never, least: 0.97, most: 1.03 }),
      0.015,
      ['warning', 0],
    ],
    [
      'a share of what is set',
      nodes({ kind: 'of-setting', setting: 's' as never, by: 'share', plus: 0.01, minus: 0.01 }, 'pressure'),
      0.02,
      ['warning', 0],
    ],
    // by hand: 1 % is 1 K at the least, so that of 2 to 8 °C readings from 3 to 7 are surely good: four of six
    ['a cold room and a thermometer of 1 %', nodes({ kind: 'fixed', least: 2, most: 8 }, 'temperature'), 0.01, null],
    [
      'and of 2.5 %: from 4.5 to 5.5',
      nodes({ kind: 'fixed', least: 2, most: 8 }, 'temperature'),
      0.025,
      ['hint', 0.17],
    ],
    ['from 0 °C on', nodes({ kind: 'fixed', least: 0, most: 4 }, 'temperature'), 0.02, ['warning', 0]],
    // above 100 °C it is the share of what it says: 210/1.02 = 205.9 is under 200/0.98 = 204.1 + …: 1.8 of 10
    ['a hot oven', nodes({ kind: 'fixed', least: 200, most: 210 }, 'temperature'), 0.02, ['hint', 0.18]],
    [
      'a share of a set temperature is not known to be cold',
      nodes({ kind: 'of-setting', setting: 's' as never, by: 'share', plus: 0.1, minus: 0.1 }, 'temperature'),
      0.01,
      null,
    ],
    ['a rate is not asked', nodes({ kind: 'rate', leastPerMin: 1, mostPerMin: 1.01 }, 'temperature'), 0.2, null],
    ['a sensor of 2 %, at a tenth of a degree', nodes(thermistor), 0.01, null],
    ['the same with a coarse meter', nodes(thermistor), 0.02, ['warning', 0]],
  ])('%s', (_, node, ratio, expected) => {
    const [found] = lintMeter(node, around(meter(ratio)), []);
    if (found?.code !== 'meter-too-coarse') return expect(expected).toBeNull();
    expect([found.severity, Number(found.leftRatio.toFixed(2))]).toEqual(expected);
  });

  it('names the meters that would do, and not those that measure something else', () => {
    const gauge = meter(0, 'gauge', {
      accuracyRatio: undefined,
      ranges: [{ quantity: 'pressure', least: 0, most: 10 }],
    });
    const node = nodes({ kind: 'fixed', least: 100, most: 102 });
    const all = around(meter(0.01), meter(0.001, 'bench'), meter(0.02, 'old'), gauge);
    expect(lintMeter(node, all, [])).toMatchObject([{ meter: 'The meter', better: ['The bench'] }]);
    expect(lintMeter(node, around(gauge), [])).toEqual([]);
  });

  it('is told exactly where no reading whatever comes out as good', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('fixed', 'thermistor', 'temperature'),
        fc.double({ min: 0.002, max: 0.2, noNaN: true }),
        fc.double({ min: 0, max: 0.1, noNaN: true }),
        (kind, half, ratio) => {
          // a cold room from 4 °C on, or about 12 kΩ
          const [least, most] =
            kind === 'temperature' ? [4, 4 + 200 * half] : [12_000 * (1 - half), 12_000 * (1 + half)];
          const node =
            kind === 'thermistor'
              ? nodes({ ...thermistor, toleranceRatio: half })
              : nodes({ kind: 'fixed', least, most }, kind === 'temperature' ? 'temperature' : 'resistance');
          const instrument = meter(ratio);
          const isGood = (ohm: number): boolean => {
            const typed = { readings: [{ typed: ohm.toFixed(3), afterMs: 0 }], temperature: '25.0' };
            const got = measure({ node, typed, known: { parameters: new Map() }, instrument });
            return got.ok && got.value.verdict === 'pass';
          };
          const tries = Array.from({ length: 401 }, (_, i) => least + ((most - least) * i) / 400);
          const [found] = lintMeter(node, around(instrument), []);
          if (found?.code === 'meter-too-coarse' && found.leftRatio === 0) expect(tries.some(isGood)).toBe(false);
          if (!found) expect(tries.some(isGood)).toBe(true);
        },
      ),
    );
  });
});
