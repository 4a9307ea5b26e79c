import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  formatQuantity,
  parseDifference,
  parseReading,
  type Quantity,
  quantities,
  typedStep,
  unitNames,
  writeDifference,
} from '../index.ts';
import { readingsInLine } from './quantity.ts';

const value = (v: number, unit: string) => ({ ok: true, value: { kind: 'value', value: v, unit } });

describe('parseReading', () => {
  it.each<[string, Quantity, unknown]>([
    ['4k7', 'resistance', value(4700, 'kΩ')],
    ['2R2', 'resistance', value(2.2, 'Ω')],
    ['1M5', 'resistance', value(1.5e6, 'MΩ')],
    ['4.7 kΩ', 'resistance', value(4700, 'kΩ')],
    ['4,7k', 'resistance', value(4700, 'kΩ')],
    ['4700', 'resistance', value(4700, 'Ω')],
    ['17.6 ohm', 'resistance', value(17.6, 'Ω')],
    ['2 MΩ', 'resistance', value(2e6, 'MΩ')],
    ['OL', 'resistance', { ok: true, value: { kind: 'open' } }],
    ['32 °F', 'temperature', value(0, '°F')],
    ['18c', 'temperature', value(18, '°C')],
    ['-4', 'temperature', value(-4, '°C')],
    ['0,4 bar', 'pressure', value(0.4, 'bar')],
    ['9 min', 'duration', value(540, 'min')],
    ['8 min 40', 'duration', value(520, 's')],
    ['8 min 40 s', 'duration', value(520, 's')],
    ['1h10', 'duration', value(4200, 's')],
    ['1:30', 'duration', value(90, 's')],
    ['12 fl oz', 'volume', value(0.354882355, 'fl oz')],
    ['12 imp fl oz', 'volume', value(0.34095675, 'imp fl oz')],
    ['2 gal', 'volume', value(7.570823568, 'gal')],
    ['2 imp gal', 'volume', value(9.09218, 'imp gal')],
    ['3 cu ft', 'volume', value(84.950539776, 'ft³')],
    ['0.5 m3', 'volume', value(500, 'm³')],
    ['60 cfh', 'flow', value(28.316846592, 'ft³/h')],
    ['1.2 m³/h', 'flow', value(20, 'm³/h')],
    ['7 inWC', 'pressure', value(0.017436224, 'inWC')],
    ['-12 Pa', 'pressure', value(-0.00012, 'Pa')],
    ['72°', 'temperature', value(72, '°C')],
    ['72 degrees', 'temperature', value(72, '°C')],
    ['3.5°', 'angle', value(3.5, '°')],
    ['-2 deg', 'angle', value(-2, '°')],
    ['2 %', 'angle', value(1.145762838, '%')],
    ['10 mm/m', 'angle', value(0.572938698, 'mm/m')],
    ['45 %', 'share', value(45, '%')],
    ['', 'resistance', { ok: false, error: { code: 'reading-empty' } }],
    ['abc', 'resistance', { ok: false, error: { code: 'reading-not-a-number', typed: 'abc' } }],
    ['12,3.4', 'resistance', { ok: false, error: { code: 'reading-not-a-number', typed: '12,3.4' } }],
    ['—', 'resistance', { ok: false, error: { code: 'reading-not-a-number', typed: '—' } }],
    ['-5', 'resistance', { ok: false, error: { code: 'reading-negative', typed: '-5' } }],
    ['12 V', 'resistance', { ok: false, error: { code: 'reading-wrong-unit', unit: 'V', wanted: ['Ω', 'kΩ', 'MΩ'] } }],
    ['-300', 'temperature', { ok: false, error: { code: 'reading-below-absolute-zero', typed: '-300' } }],
    ['1e400', 'resistance', { ok: false, error: { code: 'reading-too-large', typed: '1e400' } }],
  ])('reads %j as %s', (typed, quantity, expected) => {
    const read = parseReading(typed, quantity);
    if (read.ok && read.value.kind === 'value')
      expect({ ...read, value: { ...read.value, value: Number(read.value.value.toFixed(9)) } }).toEqual(expected);
    else expect(read).toEqual(expected);
  });

  it('takes every listed unit of every quantity', () => {
    for (const quantity of quantities)
      for (const unit of unitNames(quantity)) expect(parseReading(`300 ${unit}`, quantity).ok).toBe(true);
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...quantities), (typed, quantity) => void parseReading(typed, quantity)),
    );
  });

  it('reads back what it writes, to the digits it shows', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 5e6, noNaN: true }), (ohm) => {
        const read = parseReading(formatQuantity(ohm, 'resistance'), 'resistance');
        expect(read.ok && read.value.kind === 'value' && Math.abs(read.value.value / ohm - 1)).toBeLessThan(0.06);
      }),
    );
  });
});

describe('a difference', () => {
  it.each<[string, Quantity, string | undefined, number]>([
    ['2 psi', 'pressure', undefined, 0.1378951458],
    ['±2', 'pressure', 'psi', 0.1378951458],
    ['5 °F', 'temperature', undefined, 5 / 1.8],
    ['9', 'temperature', '°F', 5],
    ['3 K', 'temperature', undefined, 3],
    ['-3 °C', 'temperature', undefined, -3],
    ['+ 0.2 bar', 'pressure', undefined, 0.2],
  ])('%j of a %s in %s', (typed, quantity, unit, base) => {
    const read = parseDifference(typed, quantity, unit);
    expect(read.ok && read.value).toBeCloseTo(base, 9);
  });
  it.each<[number, Quantity, string | undefined, string]>([
    [0.1378951458, 'pressure', 'psi', '2 psi'],
    [0.1378951458, 'pressure', undefined, '0.137895 bar'],
    [5, 'temperature', '°F', '9 °F'],
    [5, 'temperature', undefined, '5 K'],
    [0.2, 'pressure', 'no unit', '0.2 no unit'],
  ])('%d of a %s in %s is written %4$s', (base, quantity, unit, written) => {
    expect(writeDifference(base, quantity, unit)).toBe(written);
  });
  it('is read back as it is written, in every unit of every quantity', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...quantities),
        fc.nat(20),
        fc.double({ min: 0.01, max: 40, noNaN: true }),
        (quantity, n, base) => {
          const names = unitNames(quantity);
          const unit = names[n % names.length] as string;
          const read = parseDifference(writeDifference(base, quantity, unit), quantity);
          expect(read.ok && Math.abs(read.value / base - 1)).toBeLessThan(1e-3);
        },
      ),
    );
  });
});

describe('readings on one line', () => {
  it.each([
    ['230 / 229 / 231 V', ['230 V', '229 V', '231 V']],
    ['230/229', ['230', '229']],
    ['12 mA and 14', ['12 mA', '14']],
    ['18 ; OL', ['18', 'OL']],
    ['4 L/min', ['4 L/min']],
    ['3.5 m³/h', ['3.5 m³/h']],
    ['12.4', ['12.4']],
    ['', ['']],
  ])('%j', (typed, each) => expect(readingsInLine(typed)).toEqual(each));
});

describe('typedStep', () => {
  it.each<[string, Quantity, number | null]>([
    ['22', 'temperature', 1],
    ['22 °C', 'temperature', 1],
    ['22.4', 'temperature', 0.1],
    ['-4,25 °C', 'temperature', 0.01],
    ['9.9', 'temperature', 0.1],
    ['0.05 °C', 'temperature', 0.01],
    ['71.6 °F', 'temperature', 0.1 / 1.8],
    ['99 °F', 'temperature', 1 / 1.8],
    ['4k7', 'resistance', 100],
    ['4.70 kΩ', 'resistance', 10],
    ['17.6', 'resistance', 0.1],
    ['2R2', 'resistance', 0.1],
    ['OL', 'resistance', null],
    ['—', 'resistance', null],
    ['12,3.4', 'resistance', null],
    ['', 'temperature', null],
  ])('%s of %s: one more in its last digit is worth %s', (typed, quantity, worth) => {
    const step = typedStep(typed, quantity);
    if (worth === null) expect(step).toBeNull();
    else expect(step).toBeCloseTo(worth, 9);
  });
  it('a digit more is a tenth of it', () => {
    fc.assert(
      fc.property(fc.integer({ min: -2000, max: 9000 }), fc.integer({ min: 0, max: 4 }), (n, places) => {
        const typed = (n / 10 ** places).toFixed(places);
        const more = `${typed}${places === 0 ? '.' : ''}0`;
        expect(typedStep(more, 'temperature')).toBeCloseTo((typedStep(typed, 'temperature') ?? 0) / 10, 9);
      }),
    );
  });
});
