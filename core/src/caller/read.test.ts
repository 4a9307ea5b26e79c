import { describe, expect, it } from 'vitest';
import { entriesOf, type Readout, readCaller } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { lampsStage, readoutOf, stageOf } from '../testing/readouts.ts';
import type { Labels } from './read.ts';

const arc = entriesOf(glasswasher(), 'readout')[0] as Readout;
const labelled = (pairs: ReadonlyArray<readonly [string, string]>, at = new Map()): Labels => ({
  names: new Map(pairs.map(([sign, label]) => [sign, [label]] as const)),
  at,
});
const letters = labelled([...'abcde'].map((l) => [`lamp-${l}`, l] as const));
/** Four lamps with their weights printed beside them, 8 on the left. */
const printed = readoutOf([
  lampsStage(
    'n',
    [8, 4, 2, 1].map((weight) => ({ sign: `w${weight}`, weight })),
    { kind: 'number', least: 0, most: 15 },
  ),
]);
const weightNames = labelled([8, 4, 2, 1].map((w) => [`w${w}`, String(w)] as const));
const blank = labelled([8, 4, 2, 1].map((w) => [`w${w}`, '•'] as const));
const which = readoutOf([
  stageOf('w', {
    kind: 'which',
    lamps: ['a', 'b', 'c'].map((l) => ({ sign: `lamp-${l}`, value: l.toUpperCase() })),
    most: 6,
  }),
]);
const blinks = readoutOf([
  stageOf('tens', { kind: 'blinks', sign: 'x', most: 9, to: { kind: 'number', least: 1, most: 9 } }),
  stageOf(
    'ones',
    { kind: 'blinks', sign: 'x', most: 9, pauseMs: 4000, to: { kind: 'number', least: 1, most: 9 } },
    { kind: 'alternates', everyMs: 3000 },
  ),
]);
const rhythm = readoutOf([
  stageOf('r', {
    kind: 'rhythm',
    sign: 'x',
    rows: [
      { pattern: 'ssl', value: 'A' },
      { pattern: 'lls', value: 'B' },
    ],
  }),
]);
const display = readoutOf([stageOf('t', { kind: 'text', sign: 'd', length: 3, characters: '0123456789EH' })]);
const pairs = readoutOf([stageOf('p', { kind: 'pair', sign: 'd' })]);
const none = labelled([]);

describe('what a caller says', () => {
  it.each<[string, Readout, Labels, string, readonly (string | null)[]]>([
    ['lamps by name', arc, letters, 'b, d and e, then a d e', ['K19']],
    [
      'lamps by position or counted from the other end',
      arc,
      letters,
      'two four five, then one four five',
      ['K19', 'Z25'],
    ],
    ['which end, said at once', arc, letters, 'from the right: one two four, then one two five', ['K19']],
    ['ordinals', arc, letters, 'the second, the fourth and the fifth are lit; the first, fourth and fifth', ['K19']],
    ['all but one', printed, blank, 'all except the first', ['7']],
    ['none', printed, blank, 'nothing', ['0']],
    ['numbers that are printed beside the lamps', printed, weightNames, 'eight and one', ['9']],
    ['numbers that may be names or positions', printed, weightNames, 'one two', ['12', '3']],
    ['which one blinks, and how often', which, letters, 'the second one blinks twice', ['B2']],
    ['which one by name', which, letters, 'c blinks 3 times', ['C3']],
    ['two counts in one breath', blinks, none, 'three four', ['34']],
    ['two counts, one after the other', blinks, none, 'it blinks three times, then four', ['34']],
    ['long and short', rhythm, none, 'two short and one long', ['A']],
    ['long and short, one by one', rhythm, none, 'long long short', ['B']],
    ['a display', display, none, 'E zero five', ['E05']],
    ['a display, typed', display, none, 'e05', ['E05']],
    ['a doubled figure', display, none, 'E double 4', ['E44']],
    ['a number pair', pairs, none, '412 dash 7', ['412-7']],
  ])('%s', (_, readout, names, said, literals) => {
    const heard = readCaller(readout, said, names);
    expect(heard.readings.map((r) => r.literal).sort()).toEqual([...literals].sort());
    expect(heard.ask).toBe(literals.length > 1);
  });

  it('a count in doubt keeps both', () => {
    const [reading] = readCaller(blinks, 'three or four', none).readings;
    expect(reading?.looks).toEqual([{ kind: 'blinks', stage: 'tens', count: 3, maybe: [4] }]);
  });

  it('a lamp that cannot be told is kept as such', () => {
    const [reading] = readCaller(arc, 'b d lit, e can’t tell', letters).readings;
    expect(reading?.looks[0]).toMatchObject({ lamps: { 'lamp-b': 'lit', 'lamp-e': 'unsure', 'lamp-a': 'dark' } });
  });

  it.each([
    ['', []],
    ['good morning', ['good', 'morning']],
    ['seventy', ['seventy']],
  ])('nothing is made of “%s”, and what was not understood is given back', (said, unread) => {
    const heard = readCaller(arc, said, letters);
    expect([heard.readings, heard.unread]).toEqual([[], unread]);
  });

  it('positions are counted as one sees them, not as the table lists them', () => {
    const turned = readoutOf([
      lampsStage(
        'n',
        [1, 2, 4, 8].map((weight) => ({ sign: `w${weight}`, weight })),
        { kind: 'number', least: 0, most: 15 },
      ),
    ]);
    const at = new Map([8, 4, 2, 1].map((w, i) => [`w${w}`, { x: 4 + 6 * i, y: 3 + (i % 2) * 4 }] as const));
    expect(readCaller(turned, 'the first', { ...blank, at }).readings[0]?.literal).toBe('8');
    const rows = new Map(
      [8, 4, 2, 1].map((w, i) => [`w${w}`, { x: 4 + 6 * (i % 2), y: 3 + 8 * Math.floor(i / 2) }] as const),
    );
    expect(readCaller(turned, 'the third', { ...blank, at: rows }).readings[0]?.literal).toBe('2');
  });

  it('a position beyond the lamps is no reading', () => {
    expect(readCaller(printed, 'one seven', blank).readings).toEqual([]);
  });
});
