import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Band,
  bandCurve,
  betaCelsius,
  betaOhm,
  celsiusOf,
  computeBand,
  elementOhm,
  judgeReading,
  type MeterReading,
  steinhartHartOhm,
  tableOhm,
} from '../index.ts';

const none = new Map();
const settings = new Map([['s' as never, 2]]);
const earlier = new Map([
  ['first' as never, 4],
  ['nothing' as never, 0],
]);
const rounded = (band: ReturnType<typeof computeBand>) =>
  band.ok ? [band.value.least, band.value.middle, band.value.most].map((v) => v && Number(v.toFixed(2))) : band.error;

describe('computeBand', () => {
  it.each<[string, Band, number | null, unknown]>([
    [
      'element 3 kW on 230 V',
      { kind: 'element', powerWatt: 3000, supplyVolt: 230, toleranceRatio: 0.08 },
      null,
      [16.22, 17.63, 19.04],
    ],
    [
      'thermistor at 25 °C is its r25',
      { kind: 'thermistor', r25Ohm: 12000, betaK: 3740, toleranceRatio: 0.06 },
      25,
      [11280, 12000, 12720],
    ],
    [
      'thermistor at 60 °C',
      { kind: 'thermistor', r25Ohm: 10000, betaK: 3977, toleranceRatio: 0 },
      60,
      [2462.62, 2462.62, 2462.62],
    ],
    ['fixed', { kind: 'fixed', least: 140, most: 190 }, null, [140, null, 190]],
    [
      'thermistor without a temperature',
      { kind: 'thermistor', r25Ohm: 1, betaK: 1, toleranceRatio: 0 },
      null,
      { code: 'temperature-needed' },
    ],
    [
      'beta of a missing parameter',
      { kind: 'element', powerWatt: { parameter: 'p' as never }, supplyVolt: 230, toleranceRatio: 0 },
      null,
      { code: 'parameter-missing', parameter: 'p' },
    ],
    [
      'element of 0 W',
      { kind: 'element', powerWatt: 0, supplyVolt: 230, toleranceRatio: 0 },
      null,
      { code: 'band-impossible', field: 'element' },
    ],
    [
      'a Beta of 0',
      { kind: 'thermistor', r25Ohm: 1000, betaK: 0, toleranceRatio: 0.1 },
      25,
      { code: 'band-impossible', field: 'betaK' },
    ],
    [
      'below absolute zero',
      { kind: 'thermistor', r25Ohm: 1000, betaK: 3000, toleranceRatio: 0.1 },
      -280,
      { code: 'temperature-impossible' },
    ],
    [
      'Steinhart–Hart without a slope',
      { kind: 'steinhart-hart', a: 1e-3, b: 0, c: 1e-7, toleranceRatio: 0 },
      25,
      { code: 'band-impossible', field: 'b' },
    ],
    [
      'fixed without any bound',
      { kind: 'fixed', least: null, most: null },
      null,
      { code: 'band-impossible', field: 'least' },
    ],
    [
      'a share of what is set',
      { kind: 'of-setting', setting: 's' as never, by: 'share', plus: 0.1, minus: 0.2 },
      null,
      [1.6, 2, 2.2],
    ],
    [
      'so much about what is set',
      { kind: 'of-setting', setting: 's' as never, by: 'amount', plus: 0.5, minus: 0.3 },
      null,
      [1.7, 2, 2.5],
    ],
    [
      'a setting nobody knows',
      { kind: 'of-setting', setting: 'other' as never, by: 'share', plus: 0, minus: 0 },
      null,
      { code: 'setting-needed', setting: 'other' },
    ],
    ['insulation', { kind: 'insulation', leastOhm: 1e6, testVolt: 500 }, null, [1_000_000, null, null]],
    [
      'insulation at no voltage',
      { kind: 'insulation', leastOhm: 1e6, testVolt: 0 },
      null,
      { code: 'band-impossible', field: 'testVolt' },
    ],
    ['a ratio', { kind: 'ratio', to: 'first' as never, least: 0.9, most: 1.1 }, null, [0.9, null, 1.1]],
    [
      'a ratio to what was not measured',
      { kind: 'ratio', to: 'other' as never, least: 0.9, most: 1.1 },
      null,
      { code: 'reading-needed', node: 'other' },
    ],
    [
      'a ratio to nothing',
      { kind: 'ratio', to: 'nothing' as never, least: 0.9, most: 1.1 },
      null,
      { code: 'band-impossible', field: 'to' },
    ],
    ['a rate', { kind: 'rate', leastPerMin: 2, mostPerMin: null }, null, [2, null, null]],
    ['a time', { kind: 'time-to', value: 82, leastS: null, mostS: 540 }, null, [null, null, 540]],
    ['fixed upside down', { kind: 'fixed', least: 5, most: 4 }, null, { code: 'band-impossible', field: 'least' }],
    [
      'table outside its rows',
      {
        kind: 'table',
        rows: [
          { atCelsius: 0, ohm: 30 },
          { atCelsius: 50, ohm: 5 },
        ],
        toleranceRatio: 0,
      },
      60,
      { code: 'temperature-outside', leastCelsius: 0, mostCelsius: 50 },
    ],
  ])('%s', (_, band, atCelsius, expected) => {
    expect(rounded(computeBand(band, { parameters: none, atCelsius, settings, earlier }))).toEqual(expected);
  });

  it('takes a parameter of the variant', () => {
    const band: Band = { kind: 'element', powerWatt: { parameter: 'p' as never }, supplyVolt: 230, toleranceRatio: 0 };
    expect(rounded(computeBand(band, { parameters: new Map([['p' as never, 4500]]) }))).toEqual([11.76, 11.76, 11.76]);
  });
});

describe('thermistors', () => {
  const celsius = fc.double({ min: -40, max: 150, noNaN: true });
  it('Beta: ohms to degrees and back within 0.01 %', () => {
    fc.assert(
      fc.property(celsius, fc.integer({ min: 2500, max: 5000 }), (atCelsius, betaK) => {
        const ohm = betaOhm({ r25Ohm: 10_000, betaK, atCelsius });
        expect(betaCelsius({ r25Ohm: 10_000, betaK, ohm })).toBeCloseTo(atCelsius, 6);
      }),
    );
  });

  it('Steinhart–Hart satisfies its own equation', () => {
    const [a, b, c] = [1.129148e-3, 2.34125e-4, 8.76741e-8];
    fc.assert(
      fc.property(celsius, (atCelsius) => {
        const ln = Math.log(steinhartHartOhm({ a, b, c, atCelsius }));
        expect(1 / (a + b * ln + c * ln ** 3) - 273.15).toBeCloseTo(atCelsius, 6);
      }),
    );
  });

  it('a table goes through its rows and falls between them', () => {
    const rows = [
      { atCelsius: 0, ohm: 32_000 },
      { atCelsius: 25, ohm: 10_000 },
      { atCelsius: 50, ohm: 3600 },
    ];
    expect(rows.map((r) => tableOhm(rows, r.atCelsius))).toEqual([
      expect.closeTo(32_000),
      expect.closeTo(10_000),
      expect.closeTo(3600),
    ]);
    expect(tableOhm(rows, 10)).toBeGreaterThan(10_000);
  });

  it('every curve: ohms to degrees to ohms within 0.01 %', () => {
    const rows = [
      { atCelsius: -20, ohm: 96_000 },
      { atCelsius: 0, ohm: 32_000 },
      { atCelsius: 25, ohm: 10_000 },
      { atCelsius: 80, ohm: 1260 },
    ];
    const bands: Band[] = [
      { kind: 'thermistor', r25Ohm: 10_000, betaK: 3977, toleranceRatio: 0 },
      { kind: 'steinhart-hart', a: 1.129148e-3, b: 2.34125e-4, c: 8.76741e-8, toleranceRatio: 0 },
      { kind: 'table', rows, toleranceRatio: 0 },
    ];
    fc.assert(
      fc.property(fc.constantFrom(...bands), fc.double({ min: 1260, max: 96_000, noNaN: true }), (band, ohm) => {
        const atCelsius = celsiusOf(band, none, ohm);
        const back = computeBand(band, { parameters: none, atCelsius });
        expect(Math.abs((back.ok ? (back.value.middle ?? 0) : 0) / ohm - 1)).toBeLessThan(1e-4);
      }),
    );
  });
  it('a curve is drawn only where it holds', () => {
    const table: Band = {
      kind: 'table',
      rows: [
        { atCelsius: 0, ohm: 100 },
        { atCelsius: 50, ohm: 10 },
      ],
      toleranceRatio: 0.1,
    };
    const points = bandCurve({ band: table, parameters: none, leastCelsius: -50, mostCelsius: 100, steps: 6 });
    expect(points.map((p) => p.atCelsius)).toEqual([0, 25, 50]);
    expect(points.every((p) => p.least < p.middle && p.middle < p.most)).toBe(true);
  });
  it('no curve gives a temperature to what is not a resistance', () => {
    const band: Band = { kind: 'thermistor', r25Ohm: 10_000, betaK: 0, toleranceRatio: 0 };
    expect([celsiusOf(band, none, 100), celsiusOf({ ...band, betaK: 3000 }, none, -1)]).toEqual([null, null]);
  });
  it('R = V²/P', () => expect(elementOhm({ powerWatt: 2000, supplyVolt: 200 })).toBe(20));
});

describe('judgeReading', () => {
  const band = { least: 16.2, middle: 17.6, most: 19 };
  const at = (v: number): MeterReading => ({ kind: 'value', value: v, unit: 'Ω' });
  it.each<[string, MeterReading, string, string | null]>([
    ['in the middle', at(17.6), 'pass', null],
    ['low', at(12), 'low', null],
    ['high', at(30), 'high', null],
    ['short', at(0.1), 'low', 'short'],
    ['a burnt loop', at(20_000), 'high', 'open'],
    ['OL', { kind: 'open' }, 'high', 'open'],
    ['within the meter’s doubt of the edge', at(18.9), 'too-close', null],
  ])('%s', (_, reading, verdict, named) => {
    expect(
      judgeReading({
        reading,
        quantity: 'resistance',
        band,
        doubt: reading.kind === 'value' ? reading.value * 0.01 : 0,
      }),
    ).toMatchObject({
      verdict,
      named,
    });
  });

  it('a perfect meter is never too close, but at the edge itself', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 100, noNaN: true }), (v) => {
        fc.pre(v !== band.least && v !== band.most);
        const { verdict } = judgeReading({ reading: at(v), quantity: 'resistance', band, doubt: 0 });
        expect(verdict).toBe(v < band.least ? 'low' : v > band.most ? 'high' : 'pass');
      }),
    );
  });
});
