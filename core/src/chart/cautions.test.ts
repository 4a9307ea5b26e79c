import { describe, expect, it } from 'vitest';
import { type Band, cautionWords, entriesOf, type MeasureNode, measureCautions } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { chart } from '../testing/charts.ts';

const none = new Map();
const node = (band: Band, quantity = 'resistance') =>
  chart([
    {
      id: 'm',
      kind: 'measure',
      title: 'M',
      quantity,
      probes: ['a'],
      supply: 'dead',
      band,
      pass: null,
      low: null,
      high: null,
    },
  ]).nodes[0] as MeasureNode;
const sensor: Band = { kind: 'thermistor', r25Ohm: 12_000, betaK: 3740, toleranceRatio: 0.05 };

describe('what a measurement asks for by its nature', () => {
  it.each<[string, MeasureNode, RegExp[]]>([
    ['a switch that closes', node({ kind: 'fixed', least: null, most: 0.5 }), [/^Zero the leads first/]],
    ['a coil', node({ kind: 'fixed', least: 140, most: 190 }), []],
    ['a ratio of two windings', node({ kind: 'ratio', to: 'm' as never, least: 0.9, most: 1.1 }), []],
    ['a small pressure is no resistance', node({ kind: 'fixed', least: 1, most: 2 }, 'pressure'), []],
    // by hand: β/T² = 3740/298.15² = 4.2 % a kelvin
    ['a thermistor', node(sensor), [/^Half a degree is worth 2\.1 % here/]],
    ['one that hardly moves', node({ ...sensor, betaK: 500 } as Band), []],
    [
      'insulation',
      node({ kind: 'insulation', leastOhm: 1e6, testVolt: 500 }),
      [/^Hands off while it tests at 500 V\. Afterwards discharge/],
    ],
    ['a value nobody gave', node({ kind: 'fixed', least: null, most: { parameter: 'gone' as never } }), []],
    ['a rate', node({ kind: 'rate', leastPerMin: 1, mostPerMin: null }, 'temperature'), []],
  ])('%s', (_, of, expected) => {
    const said = measureCautions(of, none).map(cautionWords);
    expect(said).toHaveLength(expected.length);
    expected.forEach((words, i) => void expect(said[i]).toMatch(words));
  });

  it('the demo’s hood switch is measured with the leads zeroed', () => {
    const hood = entriesOf(glasswasher(), 'chart').find((c) => c.id === 'hood');
    const step = hood?.nodes.find((n) => n.id === 'switch') as MeasureNode;
    expect(measureCautions(step, none).map(cautionWords)[0]).toMatch(/Zero the leads/);
  });
});
