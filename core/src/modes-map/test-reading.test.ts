import { describe, expect, it } from 'vitest';
import { NumberedTest } from '../model/mode.ts';
import { testReadingWords } from '../words/measured.ts';
import { judgeTestReading, testConditions } from './test-reading.ts';

const test = (expects?: object) =>
  NumberedTest.parse({
    number: '1',
    name: 'T',
    starts: 'By itself.',
    expected: 'As it should.',
    ...(expects && { expects }),
  });
const reads = (quantity: string, least: number | null, most: number | null) =>
  test({ kind: 'reading', quantity, least, most });
const said = (of: NumberedTest, typed: string) => {
  const judged = judgeTestReading(of, typed);
  return judged?.ok ? [judged.value.taken.verdict, testReadingWords(judged.value), judged.value.taken.value] : judged;
};

describe('the reading of a numbered test', () => {
  const [coil, leak, amps] = [reads('resistance', 100, 200), reads('resistance', 1e6, null), reads('current', 8, 14)];
  it.each<[string, NumberedTest, string, unknown[]]>([
    ['within', coil, ' 0.15 k ', ['pass', 'within its bounds', 150]],
    ['below', amps, '7,5 A', ['low', 'too low', 7.5]],
    ['above', amps, '16', ['high', 'too high', 16]],
    ['nothing connected, where that is too much', coil, 'OL', ['high', 'open', null]],
    ['nothing connected, where nothing bounds it above', leak, 'OL', ['pass', 'within its bounds', null]],
    ['over range of anything else', amps, 'OL', ['high', 'too high', null]],
    ['nothing in between', coil, '0.3', ['low', 'short', 0.3]],
    ['the bound itself', amps, '14', ['too-close', 'at its very bound: borderline', 14]],
  ])('%s', (_, of, typed, expected) => expect(said(of, typed)).toEqual(expected));
  it('is kept as it was typed, beside the bounds it was held against', () => {
    expect(judgeTestReading(coil, ' 0.15 k ')).toMatchObject({
      value: { taken: { typed: '0.15 k', least: 100, most: 200 } },
    });
  });
  it('says what cannot be read, and nothing where none is expected', () => {
    expect(said(coil, 'twelve')).toMatchObject({ ok: false, error: { code: 'reading-not-a-number' } });
    expect(said(coil, '12 bar')).toMatchObject({ error: { code: 'reading-wrong-unit' } });
    expect(said(test(), '12')).toBeNull();
  });
});

describe('what a mode says of a numbered test', () => {
  it('is said before it is run from a chart as well', () => {
    const first = NumberedTest.parse({ number: '2', name: 'Zero', starts: '', expected: '' });
    const of = (more: object) => NumberedTest.parse({ number: '3', name: 'Span', starts: '', expected: '', ...more });
    const said = (more: object) => testConditions({ tests: [first, of(more)] }, of(more));
    expect(said({})).toEqual([]);
    expect(said({ coldOnly: true, needsFirst: '2', repeatWhen: 'it shows 99.' })).toEqual([
      'Only on a cold unit: a warm one gives a wrong result.',
      'Test 2 (Zero) has to be run first.',
      'It does not count, and is run again: it shows 99.',
    ]);
    expect(said({ needsFirst: '9' })).toEqual(['Test 9 has to be run first.']);
  });
});
