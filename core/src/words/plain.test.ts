import { describe, expect, it } from 'vitest';
import { type Face, parseReading, type Quantity, type Reason } from '../index.ts';
import { coverWords } from './cover.ts';
import { readingErrorWords } from './measured.ts';
import { reasonWords } from './reason.ts';

describe('words beside a reading', () => {
  it.each<[string, Quantity, RegExp]>([
    ['', 'resistance', /Type what the meter shows/],
    ['abc', 'resistance', /“abc” is not a number/],
    ['-1', 'resistance', /cannot be negative/],
    ['5 V', 'resistance', /“V” is not a unit for this. It takes Ω, kΩ, MΩ/],
    ['-400', 'temperature', /as cold as that/],
    ['1e300', 'voltage', /more than any meter shows/],
  ])('%j as %s', (typed, quantity, words) => {
    const read = parseReading(typed, quantity);
    expect(!read.ok && readingErrorWords(read.error)).toMatch(words);
  });
});

describe('why a variant', () => {
  it.each<[Reason, string]>([
    [{ kind: 'model', pattern: 'G4-2*' }, 'model number fits G4-2*'],
    [{ kind: 'serial', from: '1', to: '9' }, 'serial number from 1 to 9'],
    [{ kind: 'software', from: '2.4', below: null }, 'software 2.4 and up'],
    [{ kind: 'software', from: null, below: '2.4' }, 'software below 2.4'],
    [{ kind: 'software', from: '2.4', below: '3.0' }, 'software 2.4 and up, below 3.0'],
    [{ kind: 'only-one' }, 'there is only this one'],
  ])('%j', (reason, words) => expect(reasonWords(reason)).toBe(words));
});

it('a cover says whether to isolate first', () => {
  const face = (cover?: object) => ({ cover }) as unknown as Face;
  expect([
    coverWords(face()),
    coverWords(face({ label: 'lid', isolateFirst: false })),
    coverWords(face({ label: 'lid', isolateFirst: true })),
  ]).toEqual([null, 'lid', 'lid: isolate first']);
});
