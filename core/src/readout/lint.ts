import type { Finding, Path } from '../base/finding.ts';
import type { Code } from '../code/model.ts';
import { expectedOf, splitCode } from './encode.ts';
import { lookAlikes } from './look-alikes.ts';
import type { Readout } from './model.ts';

type Placed = Readonly<{ code: Code; at: Path }>;

/** Findings of a readout against the codes it is said to show. */
export function lintReadout(readout: Readout, codes: readonly Placed[], at: Path): Finding[] {
  const byPattern = new Map<string, string[]>();
  const findings: Finding[] = [];
  for (const { code, at: where } of codes) {
    const patterns = patternsOf(readout, code.text);
    if (patterns.length === 0) {
      findings.push({
        code: 'code-without-pattern',
        severity: 'error',
        at: [...where, 'text'],
        text: code.text,
        readout: readout.name,
      });
      continue;
    }
    for (const pattern of patterns)
      byPattern.set(pattern, [...new Set([...(byPattern.get(pattern) ?? []), code.text])]);
  }
  const groups = new Map([...byPattern.values()].map((texts) => [texts.join(' '), texts]));
  for (const texts of groups.values())
    if (texts.length > 1)
      findings.push({ code: 'codes-share-pattern', severity: 'error', at, texts, readout: readout.name });
  return [...findings, ...dangerousLookAlikes(readout, codes)];
}

/** More ways than this to show one code are not told apart one by one. */
const mostPatterns = 256;

/** Every way a readout may show a code, as comparable text; none where it cannot. */
function patternsOf(readout: Readout, text: string): string[] {
  const parts = splitCode(readout, text);
  if (!parts) return [];
  return readout.stages.reduce<string[]>(
    (ways, stage) => {
      const part = parts.get(stage.id);
      const expected = part === undefined ? null : expectedOf(stage, part);
      if (!expected) return ways;
      const own =
        expected.kind === 'lamps' ? expected.patterns.map((p) => p.map(Number).join('')) : [JSON.stringify(expected)];
      return ways.flatMap((way) => own.map((o) => `${way} ${o}`)).slice(0, mostPatterns);
    },
    [''],
  );
}

/** Codes that a dead lamp turns into one that warns of less: the technician would prepare for the wrong danger. */
function dangerousLookAlikes(readout: Readout, codes: readonly Placed[]): Finding[] {
  const byText = new Map(codes.map((placed) => [placed.code.text, placed]));
  return lookAlikes(readout, [...byText.keys()]).flatMap(({ code, becomes, deadLamp }): Finding[] => {
    const from = byText.get(code);
    const to = byText.get(becomes);
    if (!from || !to) return [];
    const hazards = from.code.hazards.filter((h) => !to.code.hazards.includes(h));
    return hazards.length === 0
      ? []
      : [
          {
            code: 'look-alike-danger',
            severity: 'warning',
            at: [...from.at, 'text'],
            text: code,
            becomes,
            lamp: deadLamp,
            hazards,
          },
        ];
  });
}
