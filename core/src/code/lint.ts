import type { VariantId } from '../base/ids.ts';
import type { Path } from '../base/path.ts';
import { interlockWords } from '../gesture/lint.ts';
import type { Code, Setting, Symptom } from '../model/code.ts';
import type { Family } from '../model/family.ts';
import type { Finding } from '../model/finding.ts';
import { circlesOfConsequence } from './consequences.ts';
import { lintDetection } from './lint-detection.ts';

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
    ...lintDetection(code, at),
  ];
}

type Placed = Readonly<{ code: Code; at: Path }>;
const spelled = ({ code }: Placed): string => `${code.controller} ${code.text.toUpperCase().replace(/[\s\-_.]/g, '')}`;
const mayMeet = (a: Code, b: Code): boolean =>
  a.onlyVariants.length === 0 || b.onlyVariants.length === 0 || a.onlyVariants.some((v) => b.onlyVariants.includes(v));

/**
 * Findings of a table as a whole: codes that stand twice for one controller and variant under one spelling, once case,
 * dashes and spaces are put aside; and codes written down for some variants and not for the others.
 */
export function lintCodeTable(
  codes: readonly Placed[],
  family: Pick<Family, 'variants' | 'controllers' | 'parts'> | undefined,
): Finding[] {
  const { variants = [], controllers = [], parts = [] } = family ?? {};
  const bySpelling = new Map<string, Placed[]>();
  for (const placed of codes) bySpelling.set(spelled(placed), [...(bySpelling.get(spelled(placed)) ?? []), placed]);
  return [...bySpelling.values()].flatMap((group): Finding[] => {
    const twice = group.flatMap(({ code, at }, i): Finding[] =>
      group.slice(0, i).some((other) => mayMeet(other.code, code))
        ? [
            {
              code: 'duplicate-code',
              severity: 'error',
              at: [...at, 'text'],
              text: code.text,
              controller: controllers.find((c) => c.id === code.controller)?.name ?? code.controller,
            },
          ]
        : [],
    );
    const [first] = group;
    if (!first || group.some(({ code }) => code.onlyVariants.length === 0)) return twice;
    const suspects = group.flatMap(({ code }) => code.suspects.flatMap((s) => s.part ?? []));
    const named = parts.filter((p) => suspects.includes(p.id));
    // a variant that has none of the parts behind it cannot have the code
    const canHave = (v: VariantId): boolean =>
      named.length === 0 || named.some((p) => p.onlyVariants.length === 0 || p.onlyVariants.includes(v));
    const missing = variants.filter(
      (v) => canHave(v.id) && !group.some(({ code }) => code.onlyVariants.some((own) => own === v.id)),
    );
    if (missing.length === 0) return twice;
    return [
      ...twice,
      {
        code: 'variants-missing',
        severity: 'hint',
        at: [...first.at, 'onlyVariants'],
        text: first.code.text,
        variants: missing.map((v) => v.name),
      },
    ];
  });
}

/** Codes that are said to follow from one another in a circle. */
export function lintCircles(codes: readonly Placed[]): Finding[] {
  return circlesOfConsequence(codes.map((p) => p.code)).map(
    (circle): Finding => ({
      code: 'consequence-circle',
      severity: 'error',
      at: [...(codes.find((p) => p.code === circle[0])?.at ?? []), 'seeAlso'],
      texts: circle.map((c) => c.text),
    }),
  );
}

/** A value said to be right that the setting does not allow. */
export function lintSetting(setting: Setting, at: Path): Finding[] {
  return setting.right.flatMap(({ value }, i): Finding[] =>
    setting.allowed.includes(value)
      ? []
      : [
          {
            code: 'setting-not-allowed',
            severity: 'error',
            at: [...at, 'right', i, 'value'],
            setting: setting.name,
            value,
          },
        ],
  );
}
