import { describe, expect, it } from 'vitest';
import { type Code, entriesOf, foldWalk, openRoots, possibleRun, provesOf, rootsOf, type WalkEvent } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

const [pattern] = entriesOf(glasswasher(), 'code');
const code = (id: string, follows: readonly string[] = [], more: object = {}): Code => ({
  ...(pattern as Code),
  id: id as Code['id'],
  text: id.toUpperCase(),
  seeAlso: follows.map((f) => ({ code: f as Code['id'], why: '', followsFromIt: true })),
  ...more,
});
const bundle = {
  entries: [
    code('a', ['c'], { detection: { ...pattern?.detection, notWatchedCycles: 0, inARow: 1 } }),
    code('b', [], { detection: { ...pattern?.detection, notWatchedCycles: 1, inARow: 2 } }),
    code('c'),
    code('d'),
  ],
};

/** A walk that read some codes, with what happened after that. */
function walked(read: readonly string[], ...then: object[]) {
  const stamp = (n: number) => ({ id: `e${n}`, walk: 'w', seq: n, at: `2026-01-01T00:00:${10 + n}.000Z` });
  const events = [
    { kind: 'started', family: 'brindlewick-g4', bundle: 'x', from: { kind: 'panel' } },
    ...read.map((id, i) => ({ kind: 'code-taken', code: id, slot: i + 1, more: true })),
    { kind: 'read-done', code: read[0] },
    ...then,
  ].map((e, n) => ({ ...stamp(n), ...e }) as unknown as WalkEvent);
  const walk = foldWalk(events);
  if (!walk) throw new Error('no walk');
  return walk;
}
const states = (walk: ReturnType<typeof walked>): string =>
  rootsOf(bundle, walk)
    .map((r) => `${r.code.id} ${r.is}${r.under.length > 0 ? `(${r.under.map((u) => u.code.id)})` : ''}`)
    .join(', ');
const ended = { kind: 'chart-ended', chart: 'x', node: null, verdict: null, cause: null };

describe('several codes on one unit', () => {
  it.each<[string, readonly string[], object[], string, readonly string[], boolean]>([
    ['one alone is at hand', ['a'], [], 'a now', [], false],
    ['a consequence stands under what explains it', ['c', 'a'], [], 'a now(c)', [], false],
    ['two that explain nothing of one another', ['a', 'b'], [], 'a now, b open', ['b'], false],
    ['the first tested: the other is open', ['a', 'b'], [{ ...ended, more: true }], 'a tested, b open', ['b'], false],
    [
      'the other left for later: testing is done',
      ['a', 'b'],
      [
        { ...ended, more: true },
        { kind: 'code-settled', code: 'b', as: 'deferred', why: 'no part', next: null },
      ],
      'a tested, b deferred',
      [],
      true,
    ],
    [
      'going on with the other',
      ['a', 'b', 'd'],
      [
        { ...ended, more: true },
        { kind: 'code-settled', code: 'a', as: 'tested', why: '', next: 'b', more: true },
      ],
      'a tested, b now, d open',
      ['d'],
      false,
    ],
    [
      'all of them tested',
      ['a', 'b'],
      [
        { ...ended, more: true },
        { kind: 'code-settled', code: 'a', as: 'tested', why: '', next: 'b', more: true },
        ended,
      ],
      'a tested, b tested',
      [],
      true,
    ],
  ])('%s', (_, read, then, expected, open, done) => {
    const walk = walked(read, ...then);
    expect([states(walk), openRoots(rootsOf(bundle, walk)).map((c) => c.id), walk.done.has('test')]).toEqual([
      expected,
      open,
      done,
    ]);
  });
  it('keeps why one is left, and what was found of each', () => {
    const walk = walked(
      ['a', 'b'],
      { ...ended, cause: 'pump', more: true },
      { kind: 'code-settled', code: 'a', as: 'tested', why: '', next: 'b', more: true },
      { kind: 'code-settled', code: 'b', as: 'deferred', why: 'on Monday', next: null },
    );
    expect(walk.settled.get('a' as never)?.found).toMatchObject({ cause: 'pump' });
    expect(walk.found).toBeNull();
    expect(rootsOf(bundle, walk).find((r) => r.code.id === 'b')?.why).toBe('on Monday');
  });
  it('the longest run proves them all; what was left is not proved', () => {
    const walk = walked(['a', 'b', 'd'], { kind: 'code-settled', code: 'd', as: 'deferred', why: 'x', next: 'b' });
    expect(provesOf(rootsOf(bundle, walk)).map(({ code: { id }, run }) => [id, run.cycles])).toEqual([['b', 3]]);
    const both = walked(
      ['a', 'b'],
      { ...ended, more: true },
      { kind: 'code-settled', code: 'a', as: 'tested', why: '', next: 'b', more: true },
    );
    expect(provesOf(rootsOf(bundle, both)).map((p) => p.code.id)).toEqual(['b', 'a']);
  });
});

describe('a code that stands for several variants', () => {
  const on = (id: string, inARow: number, more: object = {}) =>
    code(id, [], { text: 'A', detection: { ...pattern?.detection, notWatchedCycles: 0, inARow }, ...more });
  it('wants the longest of the runs that are possible, whichever stands first', () => {
    const [early, late] = [on('a', 2), on('a-late', 5)];
    expect([possibleRun(early, []).cycles, possibleRun(late, []).cycles]).toEqual([2, 5]);
    for (const possible of [
      [early, late],
      [late, early],
    ])
      expect([possibleRun(early, possible).cycles, possibleRun(late, possible).cycles]).toEqual([5, 5]);
    // another code, and the same one of another control board, are others
    expect(possibleRun(early, [on('b', 9, { text: 'B' }), on('c', 9, { controller: 'other' })]).cycles).toBe(2);
    const walk = walked(['a']);
    expect(provesOf(rootsOf({ entries: [early, late] }, walk), [late]).map((p) => p.run.cycles)).toEqual([5]);
  });
});
