import { describe, expect, it } from 'vitest';
import { type Bundle, type Entry, familyEntry, lint } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { chart } from '../testing/charts.ts';

const family = 'brindlewick-g4';
const end = { id: 'end', kind: 'verdict', title: 'End', verdict: 'nothing-found' };
/** The glasswasher with a chart that the code K17 uses, and whatever else is changed. */
function withChart(nodes: readonly object[], code: object = {}, more: object = {}): Bundle {
  const made = chart(nodes, { id: 'made', family, ...more });
  const bundle = glasswasher();
  const entries = bundle.entries.map((e) =>
    e.kind === 'code' && e.id === 'k17' ? ({ ...e, chart: 'made', ...code } as Entry) : e,
  );
  return { ...bundle, entries: [...entries, made] };
}
const found = (bundle: Bundle, ...codes: string[]) =>
  lint(bundle).filter(
    (f) => codes.includes(f.code) && ('chart' in f ? f.chart === 'Made' : f.at[1] === bundle.entries.length - 1),
  );

describe('a split', () => {
  const split = (by: object, ...cases: string[]) =>
    found(
      withChart([{ id: 's', kind: 'split', title: 'S', by, cases: cases.map((is) => ({ is, next: 'end' })) }, end]),
      'answer-missing',
    ).length;
  const variants = ['single-early', 'single-late', 'three-phase'];
  const boards = familyEntry(glasswasher()).controllers.map((c) => c.id as string);
  it.each<[string, object, string[], number]>([
    ['every variant', { kind: 'variant' }, variants, 0],
    ['not every variant', { kind: 'variant' }, variants.slice(1), 1],
    ['every control board', { kind: 'controller' }, boards, 0],
    ['another board', { kind: 'controller' }, ['other'], 1],
    ['an option that no variant has', { kind: 'option', option: 'fuel' }, ['gas'], 1],
    ['a code', { kind: 'code' }, ['K17'], 1],
  ])('for %s', (_, by, cases, missing) => expect(split(by, ...cases)).toBe(missing));
  it('for the variants its chart holds for, and for every answer of a question', () => {
    const one = [
      { id: 's', kind: 'split', title: 'S', by: { kind: 'variant' }, cases: [{ is: 'three-phase', next: 'end' }] },
      end,
    ];
    expect(found(withChart(one, {}, { onlyVariants: ['three-phase'] }), 'answer-missing')).toEqual([]);
    expect(found(withChart(one), 'answer-missing')).toHaveLength(1);
    const asks = (...cases: string[]) => [
      {
        id: 'a',
        kind: 'ask',
        title: 'A?',
        answers: ['hot', 'cold'].map((answer) => ({ answer, next: 's' })),
        cannotTell: 'end',
      },
      {
        id: 's',
        kind: 'split',
        title: 'S',
        by: { kind: 'answer', node: 'a' },
        cases: cases.map((is) => ({ is, next: 'end' })),
      },
      end,
    ];
    expect(found(withChart(asks('hot', 'cold')), 'answer-missing')).toHaveLength(1);
    expect(found(withChart(asks('hot', 'cold', 'cannot tell')), 'answer-missing')).toEqual([]);
  });
});

describe('what a code suspects and its chart does not test', () => {
  const suspects = { suspects: [{ label: 'Drain pump', reason: '', part: 'drain-pump', weight: 1 }] };
  const hand = { id: 'hand', kind: 'verdict', title: 'Hand on', verdict: 'hand-on', handOnTo: 'the school' };
  const cause = { id: 'c', kind: 'verdict', title: 'C', verdict: 'cause-found', cause: 'fill-valve' };
  const ask = (yes: string) => ({
    id: 'a',
    kind: 'ask',
    title: 'A?',
    answers: ['yes', 'no'].map((answer) => ({ answer, next: yes })),
    cannotTell: yes,
  });
  it.each<[string, object[], number]>([
    ['where something is found', [ask('c'), cause], 1],
    ['not where it is only handed on', [ask('hand'), hand], 0],
    [
      'not where a remedy is done to it',
      [
        {
          id: 'r',
          kind: 'remedies',
          title: 'R',
          question: 'Again?',
          remedies: [{ do: 'Clean it', part: 'drain-pump' }],
          stopped: 'c',
          comesAgain: 'c',
        },
        cause,
      ],
      0,
    ],
  ])('is told %s', (_, nodes, times) => {
    expect(found(withChart(nodes, suspects), 'suspect-untested')).toHaveLength(times);
  });
});

describe('a result that is not kept', () => {
  const cause = { id: 'c', kind: 'verdict', title: 'C', verdict: 'cause-found', cause: 'fill-valve' };
  it.each([
    [{ stored: true }, 1],
    [{ stored: false }, 0],
  ])('%j wants a way to erase it: %d', (detection, times) => {
    const bundle = withChart([cause], {
      clear: null,
      detection: { notWatchedCycles: 0, inARow: 1, erasedAfterCleanCycles: null, cycle: 'cycle', ...detection },
    });
    const without = { ...bundle, entries: bundle.entries.filter((e) => e.kind !== 'route' || e.purpose !== 'clear') };
    expect(lint(without).filter((f) => f.code === 'chart-without-clear' && f.text === 'K17')).toHaveLength(times);
  });
});

describe('a code that is written down for some variants', () => {
  const only = (onlyVariants: string[]) => {
    const bundle = glasswasher();
    const suspects = [{ label: 'Fill valve', reason: '', part: 'fill-valve', weight: 1 }];
    return {
      ...bundle,
      entries: bundle.entries.map((e) => {
        if (e.kind === 'code' && e.id === 'k17')
          return { ...e, onlyVariants: ['three-phase'], suspects } as unknown as Entry;
        if (e.kind !== 'family') return e;
        return { ...e, parts: e.parts.map((p) => (p.id === 'fill-valve' ? { ...p, onlyVariants } : p)) } as Entry;
      }),
    };
  };
  const missing = (bundle: Bundle) =>
    lint(bundle).flatMap((f) => (f.code === 'variants-missing' && f.text === 'K17' ? f.variants.length : []));
  it.each<[string, string[], number[]]>([
    ['every variant has the part', [], [2]],
    ['only this one has it', ['three-phase'], []],
    ['one more has it', ['three-phase', 'single-late'], [1]],
  ])('misses those that can have it: %s', (_, variants, told) => expect(missing(only(variants))).toEqual(told));
});
