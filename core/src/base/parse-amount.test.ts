import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  baseUnits,
  formatQuantity,
  type OwnUnits,
  ownUnit,
  parseAmount,
  parseReading,
  type Quantity,
  quantities,
  storedAs,
  writeAmount,
} from '../index.ts';

const american: OwnUnits = { temperature: '°F', pressure: 'psi', volume: 'gal' };

describe('parseAmount', () => {
  it.each<[string, Quantity, number]>([
    ['8 min', 'duration', 480],
    ['8min', 'duration', 480],
    ['1h10', 'duration', 4200],
    ['1 h 10 min', 'duration', 4200],
    ['1h 10', 'duration', 4200],
    ['1.5 h', 'duration', 5400],
    ['2m30', 'duration', 150],
    ['2 min 30 s', 'duration', 150],
    ['1:30', 'duration', 90],
    ['90', 'duration', 90],
    ['250 ms', 'duration', 0.25],
    ['1800 W', 'power', 1800],
    ['1,800 W', 'power', 1800],
    ['1 800 W', 'power', 1800],
    ['1.8 kW', 'power', 1800],
    ['1,8 kW', 'power', 1800],
    ['12,345.5 W', 'power', 12_345.5],
    ['10k', 'power', 10_000],
    ['10k', 'resistance', 10_000],
    ['4k7', 'resistance', 4700],
    ['1,200,000', 'resistance', 1_200_000],
    ['0,400 bar', 'pressure', 0.4],
    ['0,4', 'pressure', 0.4],
    ['10k', 'count', 10_000],
    ['72 °F', 'temperature', (72 - 32) / 1.8],
    ['-18', 'temperature', -18],
  ])('%s is read', (typed, quantity, value) => {
    const read = parseAmount(typed, quantity);
    expect(read.ok && read.value).toBeCloseTo(value, 9);
  });
  it.each<[string, Quantity, string]>([
    ['', 'power', 'reading-empty'],
    ['soon', 'duration', 'reading-not-a-number'],
    ['10 min 1 h', 'duration', 'reading-wrong-unit'],
    ['8 W', 'duration', 'reading-wrong-unit'],
    ['OL', 'resistance', 'reading-not-a-number'],
    ['1,80,0 W', 'power', 'reading-not-a-number'],
    ['-5 W', 'power', 'reading-negative'],
  ])('%j of %s is not: %s', (typed, quantity, code) => {
    const read = parseAmount(typed, quantity);
    expect(!read.ok && read.error.code).toBe(code);
  });
  it('takes a bare number in the unit that was asked for', () => {
    expect(parseAmount('8', 'duration', 'min')).toEqual({ ok: true, value: 480 });
    expect(parseAmount('212', 'temperature', '°F')).toEqual({ ok: true, value: 100 });
  });
});

describe('own units', () => {
  it('what is written in them is read back, to what was written', () => {
    const quantities: Quantity[] = ['temperature', 'pressure', 'volume', 'flow', 'duration', 'power', 'resistance'];
    fc.assert(
      fc.property(
        fc.constantFrom(...quantities),
        fc.double({ min: 0.5, max: 5000, noNaN: true }),
        (quantity, value) => {
          for (const own of [baseUnits, american]) {
            const written = formatQuantity(value, quantity, own);
            const read = parseReading(written, quantity);
            expect(read.ok && read.value.kind === 'value' && Math.abs(read.value.value / value - 1)).toBeLessThan(0.06);
            expect(read.ok && read.value.kind === 'value' && formatQuantity(read.value.value, quantity, own)).toBe(
              written,
            );
          }
        },
      ),
    );
  });
  it.each<[Quantity, number, string, string]>([
    ['temperature', 100, '100 °C', '212 °F'],
    ['pressure', 2, '2 bar', '29 psi'],
    ['volume', 3.785411784, '3.79 L', '1 gal'],
    ['flow', 7.570823568, '7.57 L/min', '2 gal/min'],
    ['voltage', 230, '230 V', '230 V'],
  ])('%s', (quantity, value, base, own) => {
    expect(formatQuantity(value, quantity)).toBe(base);
    expect(formatQuantity(value, quantity, american)).toBe(own);
    expect(own.endsWith(ownUnit(quantity, american))).toBe(true);
  });
});

describe('writeAmount', () => {
  it.each<[number, Quantity, string]>([
    [480, 'duration', '8 min'],
    [5.8, 'duration', '5.8 s'],
    [90, 'duration', '1 min 30 s'],
    [4200, 'duration', '1 h 10 min'],
    [0, 'duration', '0 s'],
    [1800, 'power', '1.8 kW'],
    [230, 'voltage', '230 V'],
    [12_100, 'resistance', '12.1 kΩ'],
    [2.5, 'share', '2.5 %'],
  ])('%d of %s is %s', (value, quantity, words) => expect(writeAmount(value, quantity)).toBe(words));
  it('is read back to the very value', () => {
    fc.assert(
      fc.property(fc.constantFrom(...quantities), fc.double({ min: 0, max: 1e6, noNaN: true }), (quantity, value) => {
        const rounded = Number(value.toPrecision(8));
        const read = parseAmount(writeAmount(rounded, quantity), quantity);
        expect(read.ok && Math.abs(read.value - rounded)).toBeLessThan(1e-6);
      }),
    );
  });
});

it.each([
  ['afterMs', { quantity: 'duration', perBase: 1000, name: 'after' }],
  ['toleranceRatio', { quantity: 'share', perBase: 0.01, name: 'tolerance' }],
  ['leastS', { quantity: 'duration', perBase: 1, name: 'least' }],
  ['supplyVolt', { quantity: 'voltage', perBase: 1, name: 'supply' }],
  ['times', null],
  ['minutes', null],
  ['cells', null],
])('%s is stored as %j', (field, is) => expect(storedAs(field)).toEqual(is));
