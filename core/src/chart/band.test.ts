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
    [
      'Steinhart–Hart that bends the wrong way',
      { kind: 'steinhart-hart', a: 1e-3, b: 2e-4, c: -1e-7, toleranceRatio: 0 },
      25,
      { code: 'band-impossible', field: 'c' },
    ],
    // by hand: 1/T = 0.001 + 0.0002·ln R; at 25 °C 1/T = 0.003354016, ln R = 11.770082, R = 129,325 Ω
    [
      'Steinhart–Hart without its third term',
      { kind: 'steinhart-hart', a: 1e-3, b: 2e-4, c: 0, toleranceRatio: 0 },
      25,
      [129324.78, 129324.78, 129324.78],
    ],
    [
      'at absolute zero',
      { kind: 'thermistor', r25Ohm: 1, betaK: 1, toleranceRatio: 0 },
      -273.15,
      { code: 'temperature-impossible' },
    ],
    [
      'an element on no supply',
      { kind: 'element', powerWatt: 100, supplyVolt: 0, toleranceRatio: 0 },
      null,
      { code: 'band-impossible', field: 'element' },
    ],
    [
      'a tolerance of all of it',
      { kind: 'element', powerWatt: 100, supplyVolt: 10, toleranceRatio: 1 },
      null,
      { code: 'band-impossible', field: 'toleranceRatio' },
    ],
    [
      'a tolerance below nothing',
      { kind: 'element', powerWatt: 100, supplyVolt: 10, toleranceRatio: -0.1 },
      null,
      { code: 'band-impossible', field: 'toleranceRatio' },
    ],
    ['fixed at one value', { kind: 'fixed', least: 5, most: 5 }, null, [5, null, 5]],
    ['fixed from so much on', { kind: 'fixed', least: 5, most: null }, null, [5, null, null]],
    ['fixed up to so much', { kind: 'fixed', least: null, most: 5 }, null, [null, null, 5]],
    [
      'insulation of nothing',
      { kind: 'insulation', leastOhm: 0, testVolt: 500 },
      null,
      { code: 'band-impossible', field: 'leastOhm' },
    ],
    [
      'insulation of a parameter nobody gave',
      { kind: 'insulation', leastOhm: { parameter: 'p' as never }, testVolt: 500 },
      null,
      { code: 'parameter-missing', parameter: 'p' },
    ],
    [
      'insulation at a voltage nobody gave',
      { kind: 'insulation', leastOhm: 1e6, testVolt: { parameter: 'q' as never } },
      null,
      { code: 'parameter-missing', parameter: 'q' },
    ],
    [
      'a setting with less than nothing about it',
      { kind: 'of-setting', setting: 's' as never, by: 'amount', plus: -1, minus: 0 },
      null,
      { code: 'band-impossible', field: 'plus' },
    ],
    [
      'a setting with less than nothing below it',
      { kind: 'of-setting', setting: 's' as never, by: 'amount', plus: 0, minus: -1 },
      null,
      { code: 'band-impossible', field: 'plus' },
    ],
    [
      'just what is set',
      { kind: 'of-setting', setting: 's' as never, by: 'share', plus: 0, minus: 0 },
      null,
      [2, 2, 2],
    ],
    [
      'a share nobody gave of what is set',
      { kind: 'of-setting', setting: 's' as never, by: 'share', plus: { parameter: 'p' as never }, minus: 0 },
      null,
      { code: 'parameter-missing', parameter: 'p' },
    ],
    [
      'a ratio upside down',
      { kind: 'ratio', to: 'first' as never, least: 2, most: 1 },
      null,
      { code: 'band-impossible', field: 'least' },
    ],
    [
      'a time to a value nobody gave',
      { kind: 'time-to', value: { parameter: 'p' as never }, leastS: null, mostS: 540 },
      null,
      { code: 'parameter-missing', parameter: 'p' },
    ],
    [
      'a thermistor of a Beta nobody gave',
      { kind: 'thermistor', r25Ohm: 1000, betaK: { parameter: 'p' as never }, toleranceRatio: 0.1 },
      25,
      { code: 'parameter-missing', parameter: 'p' },
    ],
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

const given = (parameter: string) => ({ parameter: parameter as never });
const table = (rows: ReadonlyArray<readonly [number, number]>): Band => ({
  kind: 'table',
  rows: rows.map(([atCelsius, ohm]) => ({ atCelsius, ohm })),
  toleranceRatio: 0,
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
  it('a table may stand in any order; what it reads at a row twice is the first of them', () => {
    const rows = [
      { atCelsius: 50, ohm: 3600 },
      { atCelsius: 0, ohm: 32_000 },
      { atCelsius: 25, ohm: 10_000 },
    ];
    expect([tableOhm(rows, 0), tableOhm(rows, 50), tableOhm(rows, 25)]).toEqual([
      expect.closeTo(32_000),
      expect.closeTo(3600),
      expect.closeTo(10_000),
    ]);
    // by hand: half way in ln R between 32 kΩ and 10 kΩ is √(32·10) = 17.889 kΩ
    expect(tableOhm(rows, 12.5)).toBeCloseTo(17_888.54, 1);
    expect([tableOhm(rows, -0.1), tableOhm(rows, 50.1)]).toEqual([null, null]);
    expect(
      tableOhm(
        [
          { atCelsius: 0, ohm: 5 },
          { atCelsius: 0, ohm: 9 },
        ],
        0,
      ),
    ).toBeCloseTo(5, 9);
  });

  it.each<[string, Band, number, number | null]>([
    [
      'a table, between its rows',
      table([
        [0, 32_000],
        [25, 10_000],
      ]),
      17_888.54,
      12.5,
    ],
    [
      'at its first row',
      table([
        [0, 32_000],
        [25, 10_000],
      ]),
      32_000,
      0,
    ],
    [
      'at its last',
      table([
        [0, 32_000],
        [25, 10_000],
      ]),
      10_000,
      25,
    ],
    [
      'one that rises',
      table([
        [0, 100],
        [25, 400],
      ]),
      200,
      12.5,
    ],
    [
      'above it',
      table([
        [0, 32_000],
        [25, 10_000],
      ]),
      32_001,
      null,
    ],
    [
      'below it',
      table([
        [0, 32_000],
        [25, 10_000],
      ]),
      9999,
      null,
    ],
    [
      'where it stands still, the lowest',
      table([
        [0, 100],
        [25, 100],
        [50, 40],
      ]),
      100,
      0,
    ],
    [
      'no reading',
      table([
        [0, 32_000],
        [25, 10_000],
      ]),
      0,
      null,
    ],
    [
      'an open one',
      table([
        [0, 32_000],
        [25, 10_000],
      ]),
      Number.POSITIVE_INFINITY,
      null,
    ],
    ['a thermistor at its r25', { kind: 'thermistor', r25Ohm: 1000, betaK: 3000, toleranceRatio: 0 }, 1000, 25],
    ['one without a slope', { kind: 'thermistor', r25Ohm: 1000, betaK: 0, toleranceRatio: 0 }, 1000, null],
    ['one of no ohms', { kind: 'thermistor', r25Ohm: 0, betaK: 3000, toleranceRatio: 0 }, 1000, null],
    [
      'one of an r25 nobody gave',
      { kind: 'thermistor', r25Ohm: given('p'), betaK: 3000, toleranceRatio: 0 },
      1000,
      null,
    ],
    [
      'one of a Beta nobody gave',
      { kind: 'thermistor', r25Ohm: 1000, betaK: given('p'), toleranceRatio: 0 },
      1000,
      null,
    ],
    // by hand: ln R = 11.770082 is 25 °C, as above; of less than e^−5 Ω 1/T would be below nothing
    ['Steinhart–Hart', { kind: 'steinhart-hart', a: 1e-3, b: 2e-4, c: 0, toleranceRatio: 0 }, 129_324.78, 25],
    ['of hardly an ohm', { kind: 'steinhart-hart', a: 1e-3, b: 2e-4, c: 0, toleranceRatio: 0 }, 1e-3, null],
    ['with no a', { kind: 'steinhart-hart', a: given('p'), b: 2e-4, c: 0, toleranceRatio: 0 }, 1000, null],
    ['with no b', { kind: 'steinhart-hart', a: 1e-3, b: given('p'), c: 0, toleranceRatio: 0 }, 1000, null],
    ['with no c', { kind: 'steinhart-hart', a: 1e-3, b: 2e-4, c: given('p'), toleranceRatio: 0 }, 1000, null],
    ['what is no sensor', { kind: 'fixed', least: 1, most: 2 }, 1.5, null],
    ['an element', { kind: 'element', powerWatt: 100, supplyVolt: 10, toleranceRatio: 0 }, 1, null],
  ])('how warm it is: %s', (_, band, ohm, celsius) => {
    const got = celsiusOf(band, none, ohm);
    expect(got === null ? null : Number(got.toFixed(3))).toBe(celsius);
  });

  it('a curve without a lower edge is not drawn', () => {
    const most: Band = { kind: 'fixed', least: null, most: 5 };
    expect(bandCurve({ band: most, parameters: none, leastCelsius: 0, mostCelsius: 10, steps: 2 })).toEqual([]);
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
