import { describe, expect, it } from 'vitest';
import { asShown, besideOwn, withOwn } from './own-beside.ts';
import { baseUnits, type OwnUnits } from './quantity.ts';

const american: OwnUnits = { temperature: '°F', pressure: 'psi', volume: 'gal' };

describe('what a unit shows, with one’s own beside it', () => {
  it.each([
    ['set 140 °F', baseUnits, '60 °C'],
    ['140°F to 150 °F at 30 psi', baseUnits, '60 °C, 65.6 °C, 2.07 bar'],
    ['60 °C', baseUnits, null],
    ['60 °C', american, '140 °F'],
    ['-4 °F', baseUnits, '-20 °C'],
    ['1,5 bar', american, '21.8 psi'],
    ['300 mbar', baseUnits, null],
    ['2 gal/min', baseUnits, '7.57 L/min'],
    ['12 fl oz', baseUnits, '0.35 L'],
    ['3.2 L', american, '0.85 gal'],
    ['3.2 Lamps', american, null],
    ['5 A, 230 V', american, null],
    ['code F4', baseUnits, null],
    ['', baseUnits, null],
  ] as const)('%s', (text, own, beside) => expect(besideOwn(text, own)).toBe(beside));
  it('the whole of it, with the unit a bare number is in', () =>
    expect([
      withOwn('140', baseUnits, '°F'),
      withOwn('60', baseUnits, '°C'),
      withOwn('eco', baseUnits, '°F'),
      withOwn('140 °F', american),
    ]).toEqual(['140 °F (60 °C)', '60 °C', 'eco', '140 °F']));
  it('as it shows it', () =>
    expect([
      asShown(140, 'temperature', '°F'),
      asShown('60.5', 'temperature'),
      asShown(3, 'count'),
      asShown(3, null),
    ]).toEqual(['140 °F', '60.5 °C', '3', '3']));
});
