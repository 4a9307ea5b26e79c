import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  asTold,
  type Bundle,
  type Code,
  circlesOfConsequence,
  compareReadings,
  confirmAt,
  entriesOf,
  type Folded,
  foldConsequences,
  type Look,
  type Readout,
  readByAccounts,
  runVectors,
  sweepPlan,
} from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';
import { lampsStage, readoutOf } from '../testing/readouts.ts';

const [pattern] = entriesOf(glasswasher(), 'code');
const code = (id: string, follows: readonly string[] = []): Code => ({
  ...(pattern as Code),
  id: id as Code['id'],
  text: id.toUpperCase(),
  seeAlso: follows.map((f) => ({ code: f as Code['id'], why: `${f} follows`, followsFromIt: true })),
});
const tree = (folded: readonly Folded[]): string =>
  folded.map((f) => f.code.id + (f.under.length > 0 ? `(${tree(f.under)})` : '')).join(' ');

describe('codes that are mere consequences', () => {
  it.each([
    ['stand under the one that explains them', [code('a'), code('b', ['a'])], 'b(a)'],
    ['in a chain', [code('c'), code('b', ['c']), code('a', ['b'])], 'a(b(c))'],
    ['once only, under the first that explains them', [code('a', ['c']), code('b', ['c']), code('c')], 'a(c) b'],
    ['and not at all where their cause was not read', [code('c'), code('x')], 'c x'],
    ['a circle is cut at its first code', [code('a', ['b']), code('b', ['a'])], 'a(b)'],
  ])('%s', (_, codes, expected) => expect(tree(foldConsequences(codes))).toBe(expected));

  it('circles are found', () => {
    const codes = [code('a', ['b']), code('b', ['c']), code('c', ['a']), code('d', ['a'])];
    expect(circlesOfConsequence(codes).map((c) => c.map((x) => x.id))).toEqual([['a', 'b', 'c']]);
  });

  it('every code stands exactly once, whatever is said to follow from what', () => {
    const ids = ['a', 'b', 'c', 'd', 'e'];
    const count = (f: readonly Folded[]): string[] => f.flatMap((x) => [x.code.id, ...count(x.under)]);
    fc.assert(
      fc.property(fc.tuple(...ids.map(() => fc.subarray(ids))), (follows) => {
        const codes = ids.map((id, i) => code(id, follows[i] ?? []));
        expect(count(foldConsequences(codes)).sort()).toEqual(ids);
      }),
    );
  });
});

describe('sweeping the controllers', () => {
  const withStation = (confirm: boolean): Bundle => {
    const bundle = glasswasher();
    return {
      ...bundle,
      entries: bundle.entries.map((e) =>
        e.kind === 'readout'
          ? {
              ...e,
              confirmAtLead: confirm,
              alsoFor: [{ controller: 'hood-board' as never, how: 'while the hood is up' }],
            }
          : e,
      ),
    };
  };
  it('goes through those that can be asked, in the order of the family', () => {
    expect(sweepPlan(glasswasher(), []).map((i) => i.controller.id)).toEqual(['main']);
    expect(sweepPlan(withStation(true), []).map((i) => [i.controller.id, i.how, i.slots])).toEqual([
      ['main', 'Sits behind the lower front cover; drives the lamps.', 6],
      ['hood-board', 'while the hood is up', 6],
    ]);
  });
  it.each([
    ['at the main controller itself', true, 0, null],
    ['at another, where the readout asks for it', true, 1, 'main'],
    ['at another, where it does not', false, 1, null],
  ])('a code read %s is to be confirmed at %s', (_, confirm, at, expected) => {
    const bundle = withStation(confirm as boolean);
    const plan = sweepPlan(bundle, []);
    const item = plan[at as number];
    expect(item && confirmAt(bundle, plan, item)).toBe(expected);
  });
});

describe('two accounts of one readout', () => {
  const lamps = (signs: readonly string[]) =>
    lampsStage(
      'n',
      signs.map((sign, i) => ({ sign, weight: 2 ** i })),
      { kind: 'number', least: 1, most: 15, digits: 2 },
    );
  const readout = readoutOf([lamps(['a', 'b', 'c', 'd'])]);
  const listed = ['01', '06', '09', '10', '15'].map((text) => ({ text, frequency: 1 }));
  it('which end counts as 1: the codes on which they differ, and what the other reads', () => {
    const other = asTold(readout, {
      id: 'x' as never,
      label: 'from the right',
      source: null,
      standing: 'hearsay',
      stages: readoutOf([lamps(['d', 'c', 'b', 'a'])]).stages,
    });
    expect(compareReadings(readout, other, listed).map((d) => [d.code, d.otherReads])).toEqual([
      ['01', '08'],
      ['10', '05'],
    ]);
  });
  it('what was told by another account’s way of reading is recognised as such', () => {
    const account = {
      id: 'x' as never,
      label: 'from the right',
      source: null,
      standing: 'hearsay' as const,
      stages: readoutOf([lamps(['d', 'c', 'b', 'a'])]).stages,
    };
    const told = { ...readout, accounts: [account] };
    const look = (lit: string): Look => ({
      kind: 'lamps',
      stage: 'n' as never,
      lamps: Object.fromEntries([...'abcd'].map((l) => [l, lit.includes(l) ? 'lit' : 'dark'])) as never,
    });
    // 08 is not listed: read from the right it is 01, which is
    const [odd] = readByAccounts(told, listed, [look('d')]);
    expect([odd?.reads, (odd?.share ?? 0) > 0.5]).toEqual(['01', true]);
    // 01 is listed itself: from the right it would be nothing listed
    expect(readByAccounts(told, listed, [look('a')])).toEqual([]);
    // the same either way says nothing
    expect(readByAccounts(told, listed, [look('bc')])).toEqual([]);
    expect(readByAccounts(readout, listed, [look('d')])).toEqual([]);
  });
  it('a reading does not differ from itself', () => {
    for (const bundle of [glasswasher(), dryer()])
      for (const r of entriesOf(bundle, 'readout'))
        expect(
          compareReadings(
            r,
            r,
            entriesOf(bundle, 'code').map((c) => ({ text: c.text, frequency: 1 })),
          ),
        ).toEqual([]);
  });
});

describe('test vectors', () => {
  const arc = entriesOf(glasswasher(), 'readout')[0] as Readout;
  const listed = entriesOf(glasswasher(), 'code').map((c) => ({ text: c.text, frequency: c.frequency }));
  const look = (stage: string, lit: string) => ({
    kind: 'lamps' as const,
    stage: stage as never,
    lamps: Object.fromEntries([...'abcde'].map((l) => [`lamp-${l}`, lit.includes(l) ? 'lit' : 'dark'])) as never,
  });
  it.each([
    ['K19', 'bde', 'ade', true],
    ['K17', 'bde', 'ade', false],
    [null, '', '', true],
  ])('%s holds or not', (expected, letter, number, holds) => {
    const vectors = [{ name: 'bench', looks: [look('letter', letter), look('number', number)], expect: expected }];
    expect(runVectors({ ...arc, vectors }, listed)[0]?.holds).toBe(holds);
  });
});
