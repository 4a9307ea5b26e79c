import { type FindingCode, type Severity, severities } from '../model/finding.ts';

type Said = Readonly<{ code: string; severity: Severity; words: string }>;

/** Findings of one kind, told once. */
export type FindingGroup<F extends Said> = Readonly<{
  code: string;
  severity: Severity;
  title: string;
  findings: readonly F[];
}>;

/** What several findings of a kind are called together; a kind without words of its own is told by its first one. */
const together: Readonly<Record<string, (n: number) => string>> = {
  'code-without-source': (n) => `${n} without a source`,
  'code-without-chart': (n) => `${n} without a test chart`,
  'code-without-suspect': (n) => `${n} without a suspect`,
  'code-without-pattern': (n) => `${n} codes no readout shows`,
  'hazards-missing': (n) => `${n} that do not say what can hurt`,
  'look-alike-danger': (n) => `${n} codes easily taken for a more dangerous one`,
  'suspect-untested': (n) => `${n} suspects no chart comes to`,
  'carried-over': (n) => `${n} that were carried over and nobody has looked at here`,
  'look-again': (n) => `${n} that lean on a source with a new edition`,
} satisfies Partial<Record<FindingCode, (n: number) => string>>;

/**
 * Findings by kind, the gravest first and of those the most frequent first; each in the order it came.
 */
export function groupFindings<F extends Said>(findings: readonly F[]): Array<FindingGroup<F>> {
  const groups = new Map<string, F[]>();
  for (const finding of findings) {
    const key = `${finding.severity}:${finding.code}`;
    groups.set(key, [...(groups.get(key) ?? []), finding]);
  }
  return [...groups.values()]
    .flatMap((of): Array<FindingGroup<F>> => {
      const [first] = of;
      if (!first) return [];
      const { code, severity, words } = first;
      const title =
        of.length === 1 ? words : (together[code]?.(of.length) ?? `${words} And ${of.length - 1} more like it.`);
      return [{ code, severity, title, findings: of }];
    })
    .sort(
      (a, b) =>
        severities.indexOf(a.severity) - severities.indexOf(b.severity) || b.findings.length - a.findings.length,
    );
}
