import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { NodeId } from '../base/ids.ts';
import {
  accuracyOf,
  type Band,
  bandHere,
  formatTaken,
  Instrument,
  type MeasureNode,
  measure,
  settledBy,
  slopeOf,
  timeTo,
} from '../index.ts';
import { TakenReading } from '../model/taken-reading.ts';
import { chart } from '../testing/charts.ts';
import { earlierReadings } from './measure.ts';

const node = (band: Band, more: object = {}): MeasureNode =>
  chart([
    {
      id: 'm',
      kind: 'measure',
      title: 'M',
      quantity: 'resistance',
      probes: ['a', 'b'],
      supply: 'dead',
      band,
      pass: null,
      low: null,
      high: null,
      ...more,
    },
  ]).nodes[0] as MeasureNode;
const meter = Instrument.parse({
  kind: 'instrument',
  id: 'meter',
  name: 'Meter',
  functions: [],
  accuracyRatio: 0.01,
  ranges: [
    { quantity: 'resistance', least: 0, most: 40e6, accuracyRatio: 0.02 },
    { quantity: 'voltage', least: 0, most: 600 },
  ],
  testVolts: [250, 500],
});
const fixed: Band = { kind: 'fixed', least: 140, most: 190 };
const sensor: Band = { kind: 'thermistor', r25Ohm: 12_000, betaK: 3740, toleranceRatio: 0.06 };
const known = {
  parameters: new Map(),
  settings: new Map([['set' as never, 1.8]]),
  earlier: new Map([['first' as never, 4]]),
};
const run = (of: MeasureNode, typed: string | Array<[string, number]>, more: object = {}) =>
  measure({
    node: of,
    known,
    instrument: meter,
    typed: {
      readings:
        typeof typed === 'string' ? [{ typed, afterMs: 0 }] : typed.map(([t, afterMs]) => ({ typed: t, afterMs })),
      ...more,
    },
  });
const bar = (band: Band) => node(band, { quantity: 'pressure' });
const warm = (band: Band) => node(band, { quantity: 'temperature' });
const leak = node({ kind: 'insulation', leastOhm: 1e6, testVolt: 500 });

describe('measure', () => {
  it.each<[string, () => ReturnType<typeof run>, object]>([
    [
      'inside',
      () => run(node(fixed), '0.16k'),
      { answer: 'pass', taken: { value: 160, verdict: 'pass', instrument: 'meter' } },
    ],
    [
      'the meter’s own share for the quantity decides',
      () => run(node(fixed), '187'),
      { answer: 'too-close', doubt: 3.74 },
    ],
    [
      'open, where that is high',
      () => run(node(fixed), 'OL'),
      { answer: 'high', named: 'open', taken: { value: null } },
    ],
    ['open, with a way of its own', () => run(node(fixed, { open: 'm' }), 'OL'), { answer: 'open', named: 'open' }],
    [
      'short, with a way of its own',
      () => run(node(fixed, { short: 'm' }), '0.4'),
      { answer: 'short', named: 'short' },
    ],
    ['a thermistor at what was typed', () => run(node(sensor), '13k4', { temperature: '72 °F' }), { answer: 'pass' }],
    ['short, without a way of its own, is low', () => run(node(fixed), '0.4'), { answer: 'low', named: 'short' }],
    ['open, without one, is high', () => run(node(fixed), 'OL'), { answer: 'high', doubt: 0 }],
    [
      'a ratio to an open circuit is open',
      () => run(node({ kind: 'ratio', to: 'first' as never, least: 0.9, most: 1.1 }), 'OL'),
      { named: 'open', doubt: 0, taken: { value: null, verdict: 'high' } },
    ],
    ['insulation beyond what shows is good', () => run(leak, 'OL'), { answer: 'pass', named: null }],
    ['insulation that is low', () => run(leak, '0.4 MΩ'), { answer: 'low' }],
    [
      'about what is set',
      () => run(bar({ kind: 'of-setting', setting: 'set' as never, by: 'share', plus: 0.1, minus: 0.1 }), '1.7 bar'),
      { answer: 'pass', band: { least: 1.62, middle: 1.8 } },
    ],
    [
      'about what is typed to be set',
      () =>
        run(bar({ kind: 'of-setting', setting: 'other' as never, by: 'amount', plus: 0.2, minus: 0.2 }), '2.6', {
          set: '2,5 bar',
        }),
      { answer: 'pass', band: { least: 2.3, middle: 2.5 } },
    ],
    [
      'a ratio: both meters’ doubt counts',
      () => run(node({ kind: 'ratio', to: 'first' as never, least: 0.9, most: 1.1 }), '4.3'),
      {
        answer: 'too-close',
        doubt: (4.3 / 4) * 0.04,
        taken: { value: 1.075, as: 'ratio', points: [{ afterMs: 0, value: 4.3 }] },
      },
    ],
    [
      'a rate of change',
      () =>
        run(warm({ kind: 'rate', leastPerMin: 2, mostPerMin: null }), [
          ['20', 0],
          ['32', 180_000],
          ['40', 300_000],
        ]),
      { answer: 'pass', taken: { value: 4, as: 'per-minute' } },
    ],
    [
      'a rate of readings of which one was off the scale: the others say it',
      () =>
        run(warm({ kind: 'rate', leastPerMin: 2, mostPerMin: null }), [
          ['20', 0],
          ['OL', 60_000],
          ['32', 180_000],
        ]),
      {
        taken: {
          value: 4,
          typed: '20 · OL · 32',
          points: [
            { afterMs: 0, value: 20 },
            { afterMs: 180_000, value: 32 },
          ],
        },
      },
    ],
    [
      'a value reached in time',
      () =>
        run(warm({ kind: 'time-to', value: 60, leastS: null, mostS: 540 }), [
          ['20', 0],
          ['50', 300_000],
          ['70', 500_000],
        ]),
      { answer: 'pass', taken: { value: 400, as: 'seconds' } },
    ],
    [
      'a value never reached is too long',
      () =>
        run(warm({ kind: 'time-to', value: 60, leastS: null, mostS: 540 }), [
          ['40', 0],
          ['30', 60_000],
        ]),
      { answer: 'high', named: 'never', taken: { value: null, as: 'seconds' } },
    ],
  ])('%s', (_, of, expected) => {
    const got = of();
    if (!got.ok) throw new Error(JSON.stringify(got.error));
    const rounded = JSON.parse(JSON.stringify(got.value), (_k, v) =>
      typeof v === 'number' ? Number(v.toFixed(9)) : v,
    );
    expect(rounded).toMatchObject(
      JSON.parse(JSON.stringify(expected), (_k, v) => (typeof v === 'number' ? Number(v.toFixed(9)) : v)),
    );
  });

  it.each<[string, () => ReturnType<typeof run>, object]>([
    ['—', () => run(node(fixed), '—'), { field: 'reading', index: 0, error: { code: 'reading-not-a-number' } }],
    ['12,3.4', () => run(node(fixed), '12,3.4'), { field: 'reading', error: { code: 'reading-not-a-number' } }],
    ['1e400', () => run(node(fixed), '1e400'), { field: 'reading', error: { code: 'reading-too-large' } }],
    ['nothing', () => run(node(fixed), ' '), { field: 'reading', error: { code: 'reading-empty' } }],
    ['no temperature', () => run(node(sensor), '12k'), { field: 'temperature', error: { code: 'reading-empty' } }],
    [
      'colder than anything',
      () => run(node(sensor), '12k', { temperature: '-300 °C' }),
      { field: 'temperature', error: { code: 'reading-below-absolute-zero' } },
    ],
    [
      'OL for a temperature',
      () => run(node(sensor), '12k', { temperature: 'OL' }),
      { field: 'temperature', error: { code: 'open-temperature' } },
    ],
    [
      'a Beta of 0',
      () => run(node({ ...sensor, betaK: 0 } as Band), '12k', { temperature: '20' }),
      { field: 'band', error: { code: 'band-impossible', field: 'betaK' } },
    ],
    [
      'a second reading that is none',
      () =>
        run(warm({ kind: 'rate', leastPerMin: 1, mostPerMin: 2 }), [
          ['20', 0],
          ['x', 9],
        ]),
      { field: 'reading', index: 1 },
    ],
    [
      'one reading for a rate',
      () => run(warm({ kind: 'rate', leastPerMin: 1, mostPerMin: 2 }), '20'),
      { field: 'readings', error: { code: 'more-readings-needed', have: 1, need: 2 } },
    ],
    [
      'two at the same time',
      () =>
        run(warm({ kind: 'rate', leastPerMin: 1, mostPerMin: 2 }), [
          ['20', 0],
          ['21', 0],
        ]),
      { field: 'readings' },
    ],
    [
      'what nobody set',
      () => run(bar({ kind: 'of-setting', setting: 'other' as never, by: 'share', plus: 0, minus: 0 }), '2'),
      { field: 'set' },
    ],
    [
      'beyond the meter',
      () => run(node({ kind: 'fixed', least: 500, most: 800 }, { quantity: 'voltage' }), '700'),
      { field: 'instrument', error: { code: 'beyond-instrument', most: 600 } },
    ],
    [
      'a test voltage it lacks',
      () => run(node({ kind: 'insulation', leastOhm: 1e6, testVolt: 1000 }), '2M'),
      { field: 'instrument', error: { code: 'test-voltage-missing', volt: 1000 } },
    ],
  ])('%s is told at its field', (_, of, expected) => {
    const got = of();
    expect(got.ok ? null : got.error).toMatchObject(expected);
  });

  it('the band stands before anything is read', () => {
    expect(bandHere(node(sensor), { readings: [], temperature: '25' }, known)).toMatchObject({
      value: { middle: 12_000 },
    });
  });

  it.each<[string, MeasureNode, object, object]>([
    ['a temperature that cannot be', node(sensor), { temperature: '-400' }, { field: 'temperature' }],
    ['nothing typed of it', node(sensor), {}, { field: 'temperature', error: { code: 'reading-empty' } }],
    [
      'a setting that is no number',
      bar({ kind: 'of-setting', setting: 'other' as never, by: 'share', plus: 0, minus: 0 }),
      { set: 'high' },
      { field: 'set', error: { code: 'reading-not-a-number' } },
    ],
    [
      'a setting of blanks',
      bar({ kind: 'of-setting', setting: 'other' as never, by: 'share', plus: 0, minus: 0 }),
      { set: '  ' },
      { field: 'set', error: { code: 'reading-empty' } },
    ],
    [
      'a band upside down',
      node({ kind: 'fixed', least: 5, most: 4 }),
      {},
      { field: 'band', error: { field: 'least' } },
    ],
  ])('the band does not stand with %s', (_, of, typed, expected) => {
    const got = bandHere(of, { readings: [], ...typed }, known);
    expect(got.ok ? null : got.error).toMatchObject(expected);
  });

  it('a setting that is off the scale is as good as none', () => {
    const of = bar({ kind: 'of-setting', setting: 'other' as never, by: 'share', plus: 0.1, minus: 0.1 });
    expect(bandHere(of, { readings: [], set: 'OL' }, known)).toMatchObject({
      error: { field: 'band', error: { code: 'setting-needed', setting: 'other' } },
    });
  });

  it('says how good a meter would settle what is too close, and who has one', () => {
    const fine = Instrument.parse({ ...meter, id: 'fine', ranges: [], accuracyRatio: 0.001 });
    const got = run(node(fixed), '187');
    if (!got.ok) throw new Error('judged');
    expect(got.value.settledByRatio).toBeCloseTo(3 / 187, 9);
    expect(settledBy(got.value, 'resistance', [meter, fine])).toEqual(['fine']);
    const just = (accuracyRatio: number) => Instrument.parse({ ...fine, id: 'just', accuracyRatio });
    expect(settledBy({ settledByRatio: 0.005 }, 'resistance', [just(0.005)])).toEqual([]);
    expect(settledBy({ settledByRatio: 0.005 }, 'resistance', [just(0.0049)])).toEqual(['just']);
    const untold = Instrument.parse({ ...meter, id: 'untold', accuracyRatio: undefined, ranges: [] });
    expect(settledBy({ settledByRatio: 0.9 }, 'resistance', [untold])).toEqual([]);
    expect(settledBy({ settledByRatio: null }, 'resistance', [fine])).toEqual([]);
    expect([accuracyOf(meter, 'resistance'), accuracyOf(meter, 'pressure'), accuracyOf(undefined, 'voltage')]).toEqual([
      0.02, 0.01, 0,
    ]);
  });

  describe('a temperature is known as well as it was typed', () => {
    const temperatureDoubt = (typed: string, temperature: string) => {
      const got = run(node(sensor), typed, { temperature });
      if (!got.ok) throw new Error(JSON.stringify(got.error));
      return got.value;
    };
    // by hand: R(22 °C) = 12 kΩ · e^(3740·(1/295.15 − 1/298.15)) = 13.63 kΩ; the upper edge, 6 % more, is 14.44 kΩ; a kelvin
    // is worth β/T² = 4.29 % of it, so that half of one moves the edge by about 312 Ω
    it('half of its last digit moves the band: by hand', () => {
      const { temperatureDoubt: doubt } = temperatureDoubt('13k6', '22 °C');
      expect(doubt?.kelvin).toBe(0.5);
      expect(doubt?.doubt).toBeGreaterThan(305);
      expect(doubt?.doubt).toBeLessThan(320);
      expect(temperatureDoubt('13k6', '22.0 °C').temperatureDoubt?.doubt).toBeCloseTo((doubt?.doubt ?? 0) / 10, -1);
    });
    it('what whole degrees leave open, a tenth may settle, and it says how well it must be known', () => {
      const open = temperatureDoubt('14k0', '22 °C');
      expect([open.answer, temperatureDoubt('14k0', '22.0 °C').answer]).toEqual(['too-close', 'pass']);
      expect(open.temperatureDoubt?.settledByKelvin).toBeGreaterThan(0.05);
      expect(open.temperatureDoubt?.settledByKelvin).toBeLessThan(0.5);
      // no meter settles what the temperature leaves open by itself
      expect(temperatureDoubt('14k2', '22 °C').settledByRatio).toBeNull();
      expect(temperatureDoubt('14k4', '22 °C').temperatureDoubt?.settledByKelvin).toBeNull();
      // both together do: 14.6 kΩ is 152 Ω past the edge, 31 Ω of it the temperature's
      const both = temperatureDoubt('14k6', '22 °C').temperatureDoubt?.settledWithDigit ?? 0;
      expect(Math.round(both * 14_600 + 31)).toBeCloseTo(152, -1);
    });
    it('a reading that is judged already needs nothing to settle it', () => {
      for (const [typed, temperature] of [
        ['13k6', '22 °C'],
        ['18k', '22 °C'],
        ['OL', '22 °C'],
      ] as const)
        expect(temperatureDoubt(typed, temperature).temperatureDoubt).toMatchObject({
          settledByKelvin: null,
          settledWithDigit: null,
        });
    });
    // by hand: 14.0 kΩ is 450 Ω under the upper edge; the meter's 2 % are 280 Ω, so that 170 Ω are left for the temperature,
    // which is worth 312 Ω for half a kelvin: 0.27 K. And with a tenth of that the meter may have 450 − 31 = 419 Ω, 3.0 %
    it('how well it must be known, and how good a meter with a digit more: by hand', () => {
      const { temperatureDoubt: doubt } = temperatureDoubt('14k0', '22 °C');
      expect(doubt?.settledByKelvin).toBeCloseTo(0.27, 2);
      expect(doubt?.settledWithDigit).toBeCloseTo(419 / 14_000, 3);
    });
    it('and where nothing depends on it there is no such doubt', () => {
      const got = run(node(fixed), '160');
      expect(got.ok && got.value.temperatureDoubt).toBeNull();
    });
    it('knowing it ten times as well never changes a verdict but that of too close', () => {
      fc.assert(
        fc.property(fc.integer({ min: 60, max: 260 }), fc.integer({ min: -20, max: 90 }), (tenths, celsius) => {
          const at = (t: string) => temperatureDoubt(`${tenths / 10}k`, t).answer;
          const coarse = at(`${celsius}`);
          if (coarse !== 'too-close') expect(at(`${celsius}.0`)).toBe(coarse);
        }),
      );
    });
  });

  it('a finer meter never changes a verdict but that of too close', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        (ohm, ratio) => {
          const verdict = (accuracyRatio: number) => {
            const got = measure({
              node: node(fixed),
              known,
              instrument: Instrument.parse({ ...meter, ranges: [], accuracyRatio }),
              typed: { readings: [{ typed: String(ohm), afterMs: 0 }] },
            });
            return got.ok ? got.value.answer : null;
          };
          const [coarse, exact] = [verdict(ratio), verdict(ratio / 2)];
          if (coarse !== 'too-close') expect(exact).toBe(coarse);
        },
      ),
    );
  });

  describe('what looks exact may be off all the same', () => {
    const by = (accuracyRatio: number, ranges: object[] = []) =>
      Instrument.parse({ ...meter, id: 'other', ranges, accuracyRatio });
    const read = (of: MeasureNode, instrument: Instrument, ...typed: Array<[string, number]>) => {
      const readings = typed.map(([t, s]) => ({ typed: t, afterMs: s * 1000 }));
      const got = measure({ node: of, known, instrument, typed: { readings } });
      if (!got.ok) throw new Error(JSON.stringify(got.error));
      return got.value;
    };
    // by hand: 60 °C comes 9.5 s after the second reading, at 59.5 s of 60; 1 K is worth a second there
    const inAMinute = warm({ kind: 'time-to', value: 60, leastS: null, mostS: 60 });
    const rising: Array<[string, number]> = [
      ['20.5', 0],
      ['50.5', 50],
      ['65.5', 65],
    ];
    it.each([
      ['a thermometer’s 5 % is 5 K at least, so 5 s', by(0.05), 'too-close', 5],
      ['0.3 % is 0.3 K, and as a thermometer’s 0.3 s', by(0.003), 'pass', 0.3],
      [
        'a clock off by 5 % is 3 s off',
        by(0, [{ quantity: 'duration', least: 0, most: 3600, accuracyRatio: 0.05 }]),
        'too-close',
        2.975,
      ],
    ] as const)('a time once reached: %s', (_, instrument, answer, doubt) => {
      const got = read(inAMinute, instrument, ...rising);
      expect([got.taken.value, got.answer]).toEqual([59.5, answer]);
      expect(got.doubt).toBeCloseTo(doubt, 9);
    });
    it('and how good a thermometer would settle it; none makes good for the clock', () => {
      const clock = { quantity: 'duration', least: 0, most: 3600 };
      const settled = (i: Instrument) => read(inAMinute, i, ...rising).settledByRatio;
      // half a second left, half a kelvin, of a hundred
      expect(settled(by(0.05))).toBeCloseTo(0.005, 9);
      expect(settled(by(0.05, [{ ...clock, accuracyRatio: 0.004 }]))).toBeCloseTo((0.5 - 59.5 * 0.004) / 100, 9);
      expect(settled(by(0.05, [{ ...clock, accuracyRatio: 0.01 }]))).toBeNull();
    });
    it('a reading at 0 °C: 1 % of a thermometer is a kelvin there as well', () => {
      const cold = warm({ kind: 'fixed', least: -10, most: 0.8 });
      expect(read(cold, by(0.01), ['0', 0])).toMatchObject({ answer: 'too-close', doubt: 1, settledByRatio: 0.008 });
      expect(read(cold, by(0.005), ['0', 0])).toMatchObject({ answer: 'pass', doubt: 0.5 });
      expect(read(cold, by(0.01), ['32 °F', 0]).answer).toBe('too-close');
    });
    it('above 100 °C it is the share of what it says; of anything but a temperature always', () => {
      const hot = warm({ kind: 'fixed', least: 0, most: 250 });
      expect(read(hot, by(0.01), ['220', 0]).doubt).toBeCloseTo(2.2, 9);
      expect(read(bar(fixed), by(0.01), ['0', 0]).doubt).toBe(0);
    });
    it('whichever way readings are off by their share, the time is off by no more than its doubt', () => {
      const ratio = 1e-4;
      const signs = fc.array(fc.constantFrom(-1, 1), { minLength: 4, maxLength: 4 });
      fc.assert(
        fc.property(signs, fc.integer({ min: 25, max: 90 }), (ways, value) => {
          const points = [20, 33, 41, 58].map((v, i) => ({ afterMs: i * 60_000, value: v }));
          const off = points.map((p, i) => ({ ...p, value: p.value * (1 + ratio * (ways[i] ?? 1)) }));
          const told = timeTo(points, value, { ratio, alike: 0 });
          const shaken = timeTo(off, value, { ratio: 0, alike: 0 });
          if (told?.kind !== shaken?.kind || !told || told.kind === 'never' || shaken?.kind === 'never') return;
          expect(Math.abs((shaken?.afterS ?? 0) - told.afterS)).toBeLessThanOrEqual(told.doubtS * 1.01 + 1e-9);
          expect(told.doubtS).toBeGreaterThan(0);
        }),
      );
    });
    it('a value that stood from one reading to the next was reached some time in between', () => {
      const points = [60, 60, 70].map((value, i) => ({ value, afterMs: i * 30_000 }));
      expect(timeTo(points, 60, { ratio: 0, alike: 0 })).toEqual({ kind: 'reached', afterS: 0, doubtS: 30 });
    });
  });

  it.each<[object, number | null, string]>([
    [{ quantity: 'resistance' }, null, 'open'],
    [{ quantity: 'temperature', as: 'per-minute' }, 4.257, '4.26 K/min'],
    [{ quantity: 'resistance', as: 'ratio' }, 1.0754, '1.075 times'],
    [{ quantity: 'temperature', as: 'seconds' }, 400, '6.67 min'],
    [{ quantity: 'temperature', as: 'seconds' }, null, 'never'],
    [{ quantity: 'pressure' }, 1.8, '1.8 bar'],
    [{ quantity: 'pressure' }, null, 'over range'],
    [{ quantity: 'pressure', as: 'per-minute' }, 0.5, '0.5 bar/min'],
    [{ quantity: 'resistance', as: 'seconds' }, null, 'never'],
  ])('%j %s is written %s', (taken, value, words) => expect(formatTaken(taken as never, value)).toBe(words));
});

describe('earlier readings of a walk', () => {
  const reading = (more: object) =>
    TakenReading.parse({
      typed: 'x',
      quantity: 'resistance',
      value: 4,
      atCelsius: null,
      least: null,
      most: null,
      verdict: 'pass',
      ...more,
    });
  it.each<[string, TakenReading | null, number | null]>([
    ['a plain one is itself', reading({}), 4],
    [
      'of several the last',
      reading({
        as: 'per-minute',
        value: 2,
        points: [
          { afterMs: 0, value: 7 },
          { afterMs: 9, value: 8 },
        ],
      }),
      8,
    ],
    ['of a ratio what was read', reading({ as: 'ratio', value: 1.1, points: [{ afterMs: 0, value: 4.4 }] }), 4.4],
    ['a share alone is none', reading({ as: 'ratio', value: 1.1 }), null],
    ['an open one is none', reading({ value: null }), null],
    ['an answer without a reading is none', null, null],
  ])('%s', (_, of, expected) => {
    const node = 'a' as NodeId;
    expect(earlierReadings([{ node, reading: of }]).get(node) ?? null).toBe(expected);
  });
  it('the later one of a step counts', () => {
    const node = 'a' as NodeId;
    expect(
      earlierReadings([
        { node, reading: reading({}) },
        { node, reading: reading({ value: 5 }) },
      ]).get(node),
    ).toBe(5);
  });
});

describe('slopes', () => {
  const times = fc.uniqueArray(fc.integer({ min: 0, max: 3_600_000 }), { minLength: 2, maxLength: 12 });
  it('a straight line has its own slope, however many points are taken of it', () => {
    fc.assert(
      fc.property(
        times,
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: -100, max: 100, noNaN: true }),
        (at, perMin, level) => {
          const points = at.map((afterMs) => ({ afterMs, value: level + (perMin * afterMs) / 60_000 }));
          expect(slopeOf(points, 0)?.perMin).toBeCloseTo(perMin, 4);
        },
      ),
    );
  });
  it('by hand: 20, 26 and 29 °C at 0, 2 and 3 min rise 3 a minute; 60 °C comes after 13 min 20 s', () => {
    const points = [
      { afterMs: 0, value: 20 },
      { afterMs: 120_000, value: 26 },
      { afterMs: 180_000, value: 29 },
    ];
    expect(slopeOf(points, 0)?.perMin).toBeCloseTo(3, 9);
    const exact = { ratio: 0, alike: 0 };
    expect(timeTo(points, 60, exact)).toEqual({ kind: 'on-its-way', afterS: expect.closeTo(800, 6), doubtS: 0 });
    expect(timeTo(points, 27.5, exact)).toEqual({ kind: 'reached', afterS: expect.closeTo(150, 6), doubtS: 0 });
    expect(timeTo(points, 5, exact)).toEqual({ kind: 'never' });
  });
  it('the doubt is the worst that readings off by their share can do', () => {
    fc.assert(
      fc.property(times, fc.array(fc.constantFrom(-1, 1), { minLength: 12, maxLength: 12 }), (at, signs) => {
        const points = at.map((afterMs) => ({ afterMs, value: 20 + afterMs / 60_000 }));
        const off = points.map((p, i) => ({ ...p, value: p.value * (1 + 0.02 * (signs[i] ?? 1)) }));
        const [exact, shaken] = [slopeOf(points, 0.02), slopeOf(off, 0)];
        expect(Math.abs((shaken?.perMin ?? 0) - (exact?.perMin ?? 0))).toBeLessThanOrEqual(
          (exact?.doubtPerMin ?? 0) + 1e-9,
        );
      }),
    );
  });
});

describe('several readings on one line', () => {
  const answer = (typed: string) => {
    const judged = run(node(fixed), typed);
    return judged.ok ? [judged.value.answer, judged.value.taken.typed, judged.value.taken.value] : judged.error;
  };
  it.each([
    ['150 / 160 / 170', ['pass', '150 / 160 / 170', 150]],
    ['150 / 120 / 170', ['low', '150 / 120 / 170', 120]],
    ['150 / 250', ['high', '150 / 250', 250]],
    ['0.15 / 0.25 kΩ', ['high', '0.15 / 0.25 kΩ', 250]],
    ['150 / OL', ['high', '150 / OL', null]],
  ])('%s: each must be good, and the gravest is told', (typed, means) => expect(answer(typed)).toEqual(means));
  it('one that cannot be read is said', () => {
    expect(answer('150 / 17a')).toMatchObject({ field: 'reading' });
  });
});
