import { expect, it } from 'vitest';
import type { Found, Why } from '../index.ts';
import { whyWords } from './found.ts';

const found = (...why: Why[]): Found => ({
  kind: 'code',
  family: 'f',
  familyName: 'F',
  id: 'c07',
  text: 'C07',
  title: 'Cold',
  why,
  distance: 0,
});
const misread = (
  kind: 'look-alike' | 'neighbour' | 'wrong' | 'swapped' | 'missing' | 'extra',
  typed: string,
  listed: string,
): Why => ({
  kind: 'misread',
  typed: 'x',
  differences: [{ kind, at: 0, typed, listed }],
});

it.each<[string, Why[], string]>([
  ['as it stands', [{ kind: 'same' }], ''],
  ['spelled otherwise', [{ kind: 'spelling', typed: 'c-7' }], 'same code, spelled otherwise'],
  ['half typed', [{ kind: 'beginning', typed: 'C0' }], 'begins so'],
  ['a look-alike', [misread('look-alike', 'O', '0')], 'O looks like 0'],
  ['the key beside it', [misread('neighbour', 'V', 'C')], 'C lies beside V'],
  ['a wrong sign', [misread('wrong', 'K', 'C')], 'C in place of K'],
  ['the other way round', [misread('swapped', '70', '07')], '70 the other way round'],
  ['left out', [misread('missing', '', '7')], '7 was left out'],
  ['too much', [misread('extra', '7', '')], '7 is too much'],
  ['a word', [{ kind: 'word', word: 'pump', typed: 'Pump', in: 'suspect' }], 'suspect: pump'],
  [
    'a word with a slip',
    [{ kind: 'word', word: 'thermostat', typed: 'termostat', in: 'title' }],
    'title: thermostat for “termostat”',
  ],
  [
    'a unit told in part',
    [{ kind: 'family', word: 'brindlewick', typed: 'brind' }, misread('look-alike', 'l', '1')],
    'unit: brindlewick · l looks like 1',
  ],
  ['a unit told whole', [{ kind: 'family', word: 'corrant', typed: 'Corrant' }], ''],
])('%s', (_, why, expected) => expect(whyWords(found(...why))).toBe(expected));
