import { describe, expect, it } from 'vitest';
import { probePoints } from './probes.ts';

const picture = {
  marks: ['S7 pin 1', 'S7 pin 2', 'M3 pin 1', 'S7 PIN 2'].map((label, i) => ({ number: i + 1, x: 0.1, y: 0.1, label })),
};

describe('the points of a picture probes go to', () => {
  it.each<[string[], number[]]>([
    [['S7 pin 1'], [1]],
    [['s7  pin 2 '], [2, 4]],
    [
      ['M3 pin 1', 'S7 pin 1'],
      [1, 3],
    ],
    [['S7'], []],
    [[], []],
  ])('%j', (probes, numbers) => expect(probePoints(picture, probes)).toEqual(numbers));
});
