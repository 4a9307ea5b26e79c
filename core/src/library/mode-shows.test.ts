import { describe, expect, it } from 'vitest';
import { entriesOf, familyEntry, type Mode, type NumberedTest } from '../index.ts';
import { demoBundles } from '../testing/bundles.ts';
import { boardBundle, PlayedBoard } from '../testing/unit.ts';
import { isVariableUsed, variableIdOf, variableWords } from './mode-about.ts';
import { readoutSources, showingWords, withoutShowing, withShowing } from './mode-shows.ts';
import { expectedWords, testBegun, testWords, withoutTest, withTest } from './mode-tests.ts';

const board = boardBundle([]);
const [idle] = entriesOf(board, 'mode') as [Mode];
const [sign] = [...board.entries.flatMap((e) => (e.kind === 'panel' ? e.faces.flatMap((f) => f.signs) : []))].filter(
  (s) => s.kind === 'lamp',
);
if (!sign) throw new Error('no lamp');
const lit = { kind: 'lamp' as const, sign: sign.id as never, state: 'fast' as const };
const test = (number: string, more: Partial<NumberedTest> = {}): NumberedTest => ({
  ...testBegun({ ...idle, tests: [] }),
  number: number as never,
  name: `Test ${number}`,
  ...more,
});

describe('what a mode shows', () => {
  it.each(demoBundles())('%s: each thing is told as a sentence, and written back as it was', (_, bundle) => {
    for (const mode of entriesOf(bundle, 'mode'))
      mode.shows.forEach((s, i) => {
        expect(showingWords(s, mode, bundle)).not.toMatch(/undefined|^$/);
        expect(withShowing(mode, s, i)).toEqual(mode);
        expect(withoutShowing(mode, i).shows).toHaveLength(mode.shows.length - 1);
        // what it is of is among what can be chosen
        if (s.kind === 'readout') expect(readoutSources(mode, bundle).map(([of]) => of)).toContainEqual(s.of);
      });
  });
  it('what is added shows when the unit is played, and only where it should', () => {
    const mode = withShowing({ ...idle, shows: [] }, { kind: 'fixed', signs: [lit] }, null);
    const unit = { ...board, entries: board.entries.map((e) => (e === idle ? mode : e)) };
    expect(new PlayedBoard(unit).sees(sign.id)).toContain('fast');
    expect(showingWords({ kind: 'fixed', signs: [] }, mode, board)).toBe('nothing');
    expect(
      showingWords({ kind: 'fixed', signs: [lit], when: { kind: 'code-stands', codes: [] } }, mode, board),
    ).toMatch(/, while a code stands$/);
  });
  it('a readout can be of all there is: what is stored, what is remembered, what is measured', () => {
    const mode: Mode = {
      ...idle,
      variables: [{ kind: 'cursor', id: 'slot' as never, from: 1, to: 4, start: 1, wraps: true }],
    };
    const words = readoutSources(mode, board).map(([, w]) => w);
    expect(words.slice(0, 3)).toEqual([
      'the newest stored code',
      'the stored code at slot',
      'slot, the entry it stands at',
    ]);
    expect(words).toHaveLength(3 + familyEntry(board).inputs.length);
  });
});

describe('numbered tests', () => {
  it.each(demoBundles())('%s: each is told, and written back as it was', (_, bundle) => {
    for (const mode of entriesOf(bundle, 'mode'))
      mode.tests.forEach((t, i) => {
        expect(testWords(t, bundle).join(' ')).not.toMatch(/undefined|null/);
        expect(withTest(mode, t, i)).toEqual(mode);
      });
  });
  it('one more has the next number', () => {
    expect(testBegun({ ...idle, tests: [test('1'), test('7'), test('b')] }).number).toBe('8');
    expect(testBegun({ ...idle, tests: [] }).number).toBe('1');
  });
  it('called otherwise, what needs it or is followed by it goes along; taken away, it is named no more', () => {
    const tests = [test('1', { followedBy: '2' as never }), test('2'), test('3', { needsFirst: '2' as never })];
    const other = withTest({ ...idle, tests }, { ...test('2'), number: '20' as never }, 1);
    expect(other.tests.map((t) => [t.number, t.followedBy, t.needsFirst ?? null])).toEqual([
      ['1', '20', null],
      ['20', null, null],
      ['3', null, '20'],
    ]);
    const less = withoutTest(other, 1);
    expect(less.tests.map((t) => [t.number, t.followedBy, t.needsFirst ?? null])).toEqual([
      ['1', null, null],
      ['3', null, null],
    ]);
  });
  it.each([
    [{ least: 30, most: 60 }, '30 Ω to 60 Ω'],
    [{ least: 30, most: null }, '30 Ω or more'],
    [{ least: null, most: 60 }, '60 Ω or less'],
    [{ least: null, most: null }, 'any reading'],
  ])('a reading from least to most: %j', (range, words) => {
    expect(expectedWords({ kind: 'reading', quantity: 'resistance', ...range }, board)).toBe(words);
  });
  it('all of it is told', () => {
    const steps = [{ kind: 'press' as const, control: 'a' as never, times: 2 }];
    const all = test('4', {
      gesture: steps,
      skipBy: steps,
      againBy: steps,
      expects: { kind: 'signs', signs: [lit] },
      takes: { leastMs: 4000, usualMs: 5000, mostMs: 6000 },
      coldOnly: true,
      needsFirst: '2' as never,
      followedBy: '5' as never,
    });
    expect(testWords(all, board).map((s) => s.replace(sign.label, 'it'))).toEqual([
      'Begun by this: press a 2 times.',
      'Should show it blinking fast.',
      'Takes 5 s.',
      'Passed over by this: press a 2 times.',
      'Begun anew by this: press a 2 times.',
      'Only when cold.',
      'Only after test 2.',
      'Test 5 follows by itself.',
    ]);
  });
});

describe('what a mode remembers', () => {
  const flag = { kind: 'flag' as const, id: 'door-open' as never, start: false };
  it.each([
    [flag, 'door open: whether it is so, at first not so'],
    [
      { kind: 'cursor' as const, id: 'slot' as never, from: 1, to: 4, start: 2, wraps: true },
      'slot: an entry from 1 to 4, at first 2, and again from 1 behind the last',
    ],
    [
      { kind: 'characters' as const, id: 'pin' as never, alphabet: ['0', '1'], length: 3, start: '', wraps: false },
      'pin: 3 characters of 0 1, at first none',
    ],
  ])('is told: %j', (variable, words) => {
    expect(variableWords(variable)).toBe(words);
  });
  it('is filed under its name, and under no other’s', () => {
    expect(variableIdOf('Door open', [])).toBe('door-open');
    expect(variableIdOf('Door open', [flag])).toBe('door-open-2');
    expect(variableIdOf('…', [])).toBe('it');
  });
  it('is used where a way or what is shown goes by it', () => {
    const when = { kind: 'variable' as const, variable: 'door-open' as never, is: true };
    const mode: Mode = { ...idle, shows: [{ kind: 'fixed', signs: [], when }], transitions: [] };
    expect(isVariableUsed(mode, 'door-open' as never)).toBe(true);
    expect(isVariableUsed({ ...mode, shows: [] }, 'door-open' as never)).toBe(false);
  });
});
