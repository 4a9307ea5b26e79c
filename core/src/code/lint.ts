import type { Finding, Path } from '../base/finding.ts';
import { interlockWords } from '../gesture/lint.ts';
import type { Code, Symptom } from './model.ts';

/** Findings of one code or symptom on its own. */
export function lintCode(code: Code | Symptom, at: Path): Finding[] {
  const text = code.kind === 'code' ? code.text : code.title;
  const words = [code.saw, code.does, code.note ?? '', ...code.suspects.map((s) => s.reason)]
    .map(interlockWords)
    .find((w) => w !== null);
  return [
    ...(code.suspects.length === 0
      ? [{ code: 'code-without-suspect', severity: 'warning', at: [...at, 'suspects'], text } as const]
      : []),
    ...(code.chart === null
      ? [{ code: 'code-without-chart', severity: 'hint', at: [...at, 'chart'], text } as const]
      : []),
    ...(code.source === null && code.claims.length === 0
      ? [{ code: 'code-without-source', severity: 'hint', at: [...at, 'source'], text } as const]
      : []),
    ...(words ? [{ code: 'interlock-words', severity: 'warning', at, words } as const] : []),
  ];
}

/** Finds codes that stand twice for one controller, under one spelling once case, dashes and spaces are put aside. */
export function lintCodeTable(codes: ReadonlyArray<{ code: Code; at: Path }>): Finding[] {
  const seen = new Set<string>();
  return codes.flatMap(({ code, at }): Finding[] => {
    const key = `${code.controller} ${code.text.toUpperCase().replace(/[\s-]/g, '')}`;
    if (seen.has(key))
      return [
        {
          code: 'duplicate-code',
          severity: 'error',
          at: [...at, 'text'],
          text: code.text,
          controller: code.controller,
        },
      ];
    seen.add(key);
    return [];
  });
}
