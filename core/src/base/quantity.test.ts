import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatQuantity, parseReading, type Quantity, quantities, typedStep, unitNames } from '../index.ts';

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
