import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groupFindings } from '../index.ts';
import { severities } from '../model/finding.ts';

const finding = (code: string, severity: (typeof severities)[number], words: string) => ({ code, severity, words });

describe('findings by kind', () => {
  it('many of one kind are one line, the gravest kind first, then the most frequent', () => {
    const groups = groupFindings([
      finding('code-without-source', 'hint', 'K1 names no source.'),
      finding('window-tight', 'warning', 'Slack 17 %.'),
      finding('code-without-source', 'hint', 'K2 names no source.'),
      finding('branch-open', 'error', '“A”: the answer “no” leads nowhere.'),
      finding('code-without-chart', 'hint', 'K1 has no chart.'),
    ]);
    expect(groups.map((g) => g.title)).toEqual([
      '“A”: the answer “no” leads nowhere.',
      'Slack 17 %.',
      '2 without a source',
      'K1 has no chart.',
    ]);
  });

  it('none is lost or told twice, whatever they are', () => {
    const any = fc.array(
      fc.record({
        code: fc.constantFrom('code-without-source', 'branch-open', 'window-tight', 'something-new'),
        severity: fc.constantFrom(...severities),
        words: fc.string(),
      }),
    );
    fc.assert(
      fc.property(any, (findings) => {
        const groups = groupFindings(findings);
        expect(groups.flatMap((g) => g.findings)).toHaveLength(findings.length);
        expect(new Set(groups.flatMap((g) => g.findings))).toEqual(new Set(findings));
        const ranks = groups.map((g) => severities.indexOf(g.severity));
        expect(ranks).toEqual(ranks.toSorted((a, b) => a - b));
      }),
    );
  });
});
