import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ParameterId, SettingId } from '../base/ids.ts';
import { readChartText } from '../index.ts';
import { type BandContext, bandOfText } from './text-bands.ts';

const context: BandContext = {
  parameters: [
    { id: 'heater' as ParameterId, quantity: 'power', values: [1800, 1500] },
    { id: 'mains' as ParameterId, quantity: 'voltage', values: [230, 115] },
  ],
  settings: [{ id: 'tank' as SettingId, quantity: 'pressure' }],
};
const lead = (text: string, title: string): Record<string, string | null> => {
  const { nodes } = readChartText(text).drawn;
  const titles = new Map(nodes.map((n) => [n.id as string, n.title]));
  const own = nodes.find((n) => n.title.startsWith(title));
  return Object.fromEntries(own?.answers.map((a) => [a.answer, a.next && (titles.get(a.next) ?? null)]) ?? []);
};

describe('a good reading as people write it', () => {
  it.each<[string, object]>([
    ['Measure the coil, 140 to 190 Ω.', { band: { kind: 'fixed', least: 140, most: 190 }, assumed: null }],
    ['The supply has to be at least 11.5 V', { band: { kind: 'fixed', least: 11.5, most: null }, assumed: null }],
    ['Pressure 1.5 bar ± 0.2', { quantity: 'pressure', assumed: null }],
    ['5 kΩ ± 10 %', { band: { kind: 'fixed', least: 4500, most: 5500 }, assumed: null }],
    [
      'the element, 2 kW at 230 V',
      { band: { kind: 'element', powerWatt: 2000, supplyVolt: 230, toleranceRatio: 0.1 }, assumed: 0.1 },
    ],
    [
      'the air sensor, 10 kΩ at 25 °C',
      { band: { kind: 'thermistor', r25Ohm: 10_000, betaK: 3950, toleranceRatio: 0.05 }, assumed: 0.05 },
    ],
    ['the winding, 10 Ω at 20 °C', { band: { kind: 'fixed', least: 9, most: 11 }, assumed: 0.1 }],
    ['about 32 ohms', { quantity: 'resistance', assumed: 0.1 }],
  ])('%s', (text, wanted) => expect(bandOfText(text)).toMatchObject(wanted));

  it('a rating that a variant has is the rating, not its number', () => {
    expect(bandOfText('1800 W at 115 V', null, context)?.band).toMatchObject({
      powerWatt: { parameter: 'heater' },
      supplyVolt: { parameter: 'mains' },
    });
    expect(bandOfText('900 W at 230 V', null, context)?.band).toMatchObject({ powerWatt: 900 });
  });
  it('about what is set, where one thing is set in such a unit; else nothing is made of it', () => {
    expect(bandOfText('within 2 psi of set', null, context)?.band).toMatchObject({
      kind: 'of-setting',
      setting: 'tank',
      by: 'amount',
      toldIn: 'psi',
    });
    expect(bandOfText('within 2 psi of set')).toBeNull();
    expect(bandOfText('within 3 °C of set', null, context)).toBeNull();
  });
  it('what is answered takes the place of what was assumed, and holds the number told', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9000 }), fc.constantFrom(0.01, 0.05, 0.1, 0.2), (ohm, share) => {
        const read = bandOfText(`about ${ohm} ohms`, share);
        expect(read?.assumed).toBeNull();
        if (read?.band.kind !== 'fixed') throw new Error('no range');
        expect(Number(read.band.least)).toBeCloseTo(ohm * (1 - share));
        expect(Number(read.band.most)).toBeCloseTo(ohm * (1 + share));
      }),
    );
  });
  it.each(['', 'Is the filter clean?', 'wait 5 min', 'Look at lamp 3'])('nothing of %j', (text) =>
    expect(bandOfText(text)).toBeNull(),
  );
});

describe('where a sentence leads', () => {
  it('out of range here, else there', () => {
    const text = '1. Measure the heater, 1800 W at 230 V. If out, replace the fan motor, else replace the board.';
    expect(lead(text, 'Measure')).toEqual({
      low: 'Replace the fan motor',
      high: 'Replace the fan motor',
      pass: 'Replace the board',
    });
    // every way is told: no end is added
    expect(readChartText(text).notes.filter((n) => n.code === 'end-added')).toEqual([]);
  });
  it.each([
    ['If good, go to 2, otherwise replace the pump.', { pass: 'Nothing found', low: 'Replace the pump' }],
    [
      'If low, replace the pump, else go to 2.',
      { low: 'Replace the pump', pass: 'Nothing found', high: 'Nothing found' },
    ],
    ['Out of range: replace the pump.', { low: 'Replace the pump', high: 'Replace the pump' }],
  ])('%s', (says, wanted) =>
    expect(lead(`1. Measure the coil, 140 to 190 Ω. ${says}\n2. Nothing found`, 'Measure')).toMatchObject(wanted),
  );
  it('yes here, else there, of a question', () => {
    expect(lead('1. Is it dirty? If yes, clean it, else replace the motor.', 'Is it dirty')).toEqual({
      yes: 'Clean it',
      no: 'Replace the motor',
    });
  });
});
