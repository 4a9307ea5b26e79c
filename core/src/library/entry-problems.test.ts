import { describe, expect, it } from 'vitest';
import type { Entry } from '../model/entry.ts';
import { glasswasher } from '../testing/bundles.ts';
import { problemsIn } from './entry-problems.ts';

describe('what is wrong with an entry as it is written', () => {
  const { entries } = glasswasher();
  const code = entries.find((e) => e.kind === 'code' && e.id === 'k19') as Entry;
  it('is nothing for one that is whole', () => expect([...problemsIn(code, entries)]).toEqual([]));
  it.each<[string, Partial<Record<string, unknown>>, string, RegExp]>([
    ['a title left out', { title: '' }, 'title', /\w/],
    ['a name of what is not there', { chart: 'nowhere' }, 'chart', /Names the chart “nowhere”, which does not exist/],
    ['a suspect without words', { suspects: [{ label: '', reason: '', weight: 1 }] }, 'suspects.0.label', /\w/],
  ])('%s is told at its place', (_, change, at, words) => {
    expect(problemsIn({ ...code, ...change } as Entry, entries).get(at)).toMatch(words);
  });
});
