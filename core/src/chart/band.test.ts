import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Band,
  betaCelsius,
  betaOhm,
  computeBand,
  elementOhm,
  judgeReading,
  type Reading,
  steinhartHartOhm,
  tableOhm,
} from '../index.ts';

const none = new Map();
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
    expect(rounded(computeBand(band, none, atCelsius))).toEqual(expected);
  });

  it('takes a parameter of the variant', () => {
    const band: Band = { kind: 'element', powerWatt: { parameter: 'p' as never }, supplyVolt: 230, toleranceRatio: 0 };
    expect(rounded(computeBand(band, new Map([['p' as never, 4500]]), null))).toEqual([11.76, 11.76, 11.76]);
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

  it('R = V²/P', () => expect(elementOhm({ powerWatt: 2000, supplyVolt: 200 })).toBe(20));
});

describe('judgeReading', () => {
  const band = { least: 16.2, middle: 17.6, most: 19 };
  const at = (v: number): Reading => ({ kind: 'value', value: v, unit: 'Ω' });
  it.each<[string, Reading, string, string | null]>([
    ['in the middle', at(17.6), 'pass', null],
    ['low', at(12), 'low', null],
    ['high', at(30), 'high', null],
    ['short', at(0.1), 'low', 'short'],
    ['a burnt loop', at(20_000), 'high', 'open'],
    ['OL', { kind: 'open' }, 'high', 'open'],
    ['within the meter’s doubt of the edge', at(18.9), 'too-close', null],
  ])('%s', (_, reading, verdict, named) => {
    expect(judgeReading({ reading, quantity: 'resistance', band, accuracyRatio: 0.01 })).toMatchObject({
      verdict,
      named,
    });
  });

  it('a perfect meter is never too close, but at the edge itself', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 100, noNaN: true }), (v) => {
        fc.pre(v !== band.least && v !== band.most);
        const { verdict } = judgeReading({ reading: at(v), quantity: 'resistance', band, accuracyRatio: 0 });
        expect(verdict).toBe(v < band.least ? 'low' : v > band.most ? 'high' : 'pass');
      }),
    );
  });
});
