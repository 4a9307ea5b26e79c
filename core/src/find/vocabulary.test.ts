import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeVocabulary, matchWord, wordsOf } from './vocabulary.ts';

const vocabulary = makeVocabulary(
  new Map([
    ['thermostat', [1, 4]],
    ['thermistor', [2]],
    ['pump', [3]],
    ['heater', [1]],
  ]),
);
const found = (typed: string) => matchWord(vocabulary, typed).map((m) => `${m.word} ${m.how}`);

describe('matchWord', () => {
  it.each<[string, string[]]>([
    ['pump', ['pump whole']],
    ['therm', ['thermistor beginning', 'thermostat beginning']],
    ['termostat', ['thermostat slip']],
    ['thermosatt', ['thermostat slip']],
    ['thermosxyt', []],
    ['thermosatat', ['thermostat slip']],
    ['thermotsat', ['thermostat slip']],
    ['heatar', ['heater slip']],
    ['pu', []],
    ['pumq', []],
  ])('%s: %j', (typed, expected) => expect(found(typed)).toEqual(expected));

  const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c'), minLength: 5, maxLength: 8 });
  it('a word with one letter left out, changed or swapped with the next is found again', () => {
    fc.assert(
      fc.property(word, fc.nat(7), fc.constantFrom('out', 'change', 'swap'), (listed, where, how) => {
        const at = where % (listed.length - 1);
        const typed =
          how === 'out'
            ? listed.slice(0, at) + listed.slice(at + 1)
            : how === 'change'
              ? `${listed.slice(0, at)}z${listed.slice(at + 1)}`
              : listed.slice(0, at) + (listed[at + 1] ?? '') + (listed[at] ?? '') + listed.slice(at + 2);
        const own = makeVocabulary(new Map([[listed, [0]]]));
        expect(matchWord(own, typed).map((m) => m.word)).toEqual([listed]);
      }),
    );
  });
});

it.each<[string, string[]]>([
  ['Rinse-aid low (°C)', ['rinse', 'aid', 'low', 'c']],
  ['Élan réel', ['elan', 'reel']],
  ['שלום 7', ['שלום', '7']],
  ['', []],
])('wordsOf %j', (text, expected) => expect(wordsOf(text)).toEqual(expected));
