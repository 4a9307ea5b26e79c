import { describe, expect, it } from 'vitest';
import { tooCloseWords } from './measured.ts';

const taken = { quantity: 'resistance', verdict: 'too-close' } as never;
const warm = { kelvin: 0.5, doubt: 310, settledByKelvin: null, settledWithDigit: null };
const by = (share: number | null) => (share === null ? [] : [`one off by less than ${share}`]);

describe('a reading borderline says what would tell', () => {
  it.each<[string, object, RegExp, RegExp]>([
    [
      'a finer meter',
      { temperatureDoubt: null, settledByRatio: 0.004 },
      /less than 0.004 would tell. Zero the leads and/,
      /°C/,
    ],
    ['nothing', { temperatureDoubt: null, settledByRatio: null }, /reaches across the edge. Zero/, /would tell/],
    [
      'the temperature',
      { temperatureDoubt: { ...warm, settledByKelvin: 0.237 }, settledByRatio: null },
      /±0.5 °C of temperature is worth 310 Ω more.*known to ±0.2 °C would tell/,
      /digit/,
    ],
    [
      'a tenth of a degree, halved as computers do',
      { temperatureDoubt: { ...warm, kelvin: (22.1 - 22) / 2, doubt: 31 }, settledByRatio: null },
      /±0.05 °C of temperature/,
      /0000/,
    ],
    [
      'both together',
      { temperatureDoubt: { ...warm, settledWithDigit: 0.003 }, settledByRatio: null },
      /one digit more of the temperature, the one off by less than 0.003 would tell/,
      /known to/,
    ],
    [
      'neither',
      { temperatureDoubt: { ...warm, settledByKelvin: 0.02 }, settledByRatio: null },
      /temperature once more/,
      /tell/,
    ],
    [
      'a temperature that is exact',
      { temperatureDoubt: { ...warm, doubt: 0 }, settledByRatio: null },
      /off by 145 Ω;/,
      /worth/,
    ],
  ])('%s', (_, more, says, saysNot) => {
    const words = tooCloseWords({ taken, doubt: 145, ...more } as never, 'meter', by);
    expect(words).toMatch(says);
    expect(words).not.toMatch(saysNot);
  });
});
