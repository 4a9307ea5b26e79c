import { describe, expect, it } from 'vitest';
import { lint } from '../library/lint.ts';
import { chartFixtures } from '../testing/chart-fixtures.ts';
import { findingWords } from '../words/finding.ts';

/** What is found of a measurement whose good range is 3.2 to 4.1 kΩ, under this title. */
const foundUnder = (title: string): string[] => {
  const bundle = chartFixtures['title-differs']?.();
  if (!bundle) throw new Error('no such fixture');
  const entries = bundle.entries.map((e) =>
    e.kind === 'chart'
      ? { ...e, nodes: e.nodes.map((n) => (n.kind === 'measure' && n.id === 'm' ? { ...n, title } : n)) }
      : e,
  );
  return lint({ ...bundle, entries }).flatMap((f) => (f.code === 'title-differs' ? [findingWords(f)] : []));
};

describe('a title that tells a span', () => {
  it.each<[string, string[]]>([
    ['Coil, 3.2 to 4.1 kΩ?', []],
    ['Coil, 3200 to 4100 Ω', []],
    ['Coil, 3.2–4.1 kΩ', []],
    ['Coil, 3.21 to 4.09 kΩ', []],
    ['Coil at steps 2 to 3', []],
    ['Coil', []],
    ['Coil, 3.0 to 4.1 kΩ', ['“Coil, 3.0 to 4.1 kΩ” tells 3.0 to 4.1 kΩ; its good range is 3.2 kΩ to 4.1 kΩ.']],
    ['Coil: 3200–4500 Ω', ['“Coil: 3200–4500 Ω” tells 3200–4500 Ω; its good range is 3.2 kΩ to 4.1 kΩ.']],
  ])('%s', (title, words) => expect(foundUnder(title)).toEqual(words));
});
