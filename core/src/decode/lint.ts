import type { Path } from '../base/path.ts';
import { assertNever } from '../base/result.ts';
import type { Code } from '../model/code.ts';
import type { Finding, NamedSlip } from '../model/finding.ts';
import type { Sign } from '../model/panel.ts';
import type { Readout } from '../model/readout.ts';
import { joinCode, shapesOf, splitCode } from '../readout/encode.ts';
import { segmentNames } from '../readout/segments.ts';
import { cellsMeet, keyOfCell, type Parts, valuesOf } from '../readout/values.ts';
import { asTold, compareReadings } from './compare.ts';
import { lintStages } from './lint-stages.ts';
import { lookAlikes, type Slip } from './look-alikes.ts';
import { type Listed, type ShowRow, showTable } from './table.ts';
import { runVectors } from './vectors.ts';

type Placed = Readonly<{ code: Code; at: Path }>;

/** Findings of a readout against the panel it is read from and the codes it is said to show. */
export function lintReadout(
  readout: Readout,
  codes: readonly Placed[],
  at: Path,
  signs: ReadonlyMap<string, Sign> = new Map(),
  /** What the hazards are called; one that is not named is said by its id. */
  hazardNames: ReadonlyMap<string, string> = new Map(),
): Finding[] {
  const findings: Finding[] = [...lintStages(readout, at, signs)];
  for (const { code, at: where } of codes)
    if (!canShow(readout, code.text))
      findings.push({
        code: 'code-without-pattern',
        severity: 'error',
        at: [...where, 'text'],
        text: code.text,
        readout: readout.name,
      });
  const texts = [...new Set(codes.map((c) => c.code.text))];
  const listed = texts.map((text) => ({ text, frequency: 1 }));
  return [
    ...findings,
    ...sharedPatterns(readout, listed, at),
    ...patternsWithoutCode(readout, texts, at),
    ...dangerousLookAlikes(readout, codes, { signs, hazardNames }),
    ...runVectors(readout, listed).flatMap(({ vector, reads, holds }, i): Finding[] =>
      holds
        ? []
        : [
            {
              code: 'vector-fails',
              severity: 'error',
              at: [...at, 'vectors', i],
              vector: vector.name,
              wanted: vector.expect ?? 'no code',
              reads: reads ?? 'as nothing',
            },
          ],
    ),
    ...readout.accounts.flatMap((account, i): Finding[] => {
      const differ = compareReadings(readout, asTold(readout, account), listed);
      return differ.length === 0
        ? []
        : [
            {
              code: 'readings-differ',
              severity: 'hint',
              at: [...at, 'accounts', i],
              readout: readout.name,
              account: account.label,
              texts: differ
                .map((d) => d.code)
                .sort()
                .slice(0, 6),
            },
          ];
    }),
  ];
}

/** Whether a readout has a pattern for a code. */
export function canShow(readout: Readout, text: string): boolean {
  const parts = splitCode(readout, text);
  return parts !== null && shapesOf(readout, parts) !== null;
}

/** What is not told by lamps alone. */
const timed = (row: ShowRow) => new Map([...row.shapes].filter(([, shape]) => shape.kind !== 'lamps'));

/** Whether two rows with the same fixed part may look the same: every lamp of every stage fits. */
const rowsMeet = (a: ShowRow, b: ShowRow): boolean =>
  a.cells.every((cell, i) => cellsMeet(cell, b.cells[i] ?? 'either'));

/** Two rows can only meet where what is fixed in both is the same: rows are sorted by the fixed part, then compared. */
function meetings(
  rows: readonly ShowRow[],
  hypotheses: ReadonlyArray<{ kind: string; code: string }>,
): Array<[string, string, boolean]> {
  const loose = rows.some((r) => r.cells.includes('either'));
  const buckets = new Map<string, ShowRow[]>();
  for (const row of rows) {
    const cells = loose ? '' : row.cells.map(keyOfCell).join(' ');
    const others = [...timed(row)].map(([s, shape]) => `${s}:${JSON.stringify(shape)}`).join(' ');
    const key = `${cells}|${others}`;
    buckets.set(key, [...(buckets.get(key) ?? []), row]);
  }
  const found: Array<[string, string, boolean]> = [];
  for (const bucket of buckets.values())
    bucket.forEach((a, i) => {
      for (const b of bucket.slice(0, i)) {
        const [x, y] = [hypotheses[b.of], hypotheses[a.of]];
        if (x && y && a.of !== b.of && x.code !== y.code && rowsMeet(a, b))
          found.push([x.code, y.code, x.kind === 'special' || y.kind === 'special']);
      }
    });
  return found;
}

/** Codes, or a code and a sign that is no code, that look the same. */
function sharedPatterns(readout: Readout, listed: readonly Listed[], at: Path): Finding[] {
  const { rows, hypotheses } = showTable(readout, listed);
  const texts = new Set(listed.map((l) => l.text));
  const groups = new Map<string, Set<string>>();
  const findings: Finding[] = [];
  const seen = new Set<string>();
  for (const [a, b, special] of meetings(rows, hypotheses)) {
    const key = `${a} ${b}`;
    if (seen.has(key)) continue;
    seen.add(key);
    if (!special) {
      const group = groups.get(a) ?? new Set([a]);
      group.add(b);
      groups.set(a, group);
      continue;
    }
    const index = readout.specials.findIndex((s) => s.id === a || s.id === b);
    const other = readout.specials[index]?.id === a ? b : a;
    if (index >= 0 && texts.has(other))
      findings.push({
        code: 'special-like-code',
        severity: 'error',
        at: [...at, 'specials', index],
        special: readout.specials[index]?.label ?? '',
        text: other,
      });
  }
  return [
    ...[...groups.values()].map(
      (group): Finding => ({
        code: 'codes-share-pattern',
        severity: 'error',
        at,
        texts: [...group],
        readout: readout.name,
      }),
    ),
    ...findings,
  ];
}

/** More combinations than this are not gone through one by one. */
const mostCombinations = 5000;

/** What the stages can say together that no code stands for. Nothing for displays that show any text. */
function patternsWithoutCode(readout: Readout, texts: readonly string[], at: Path): Finding[] {
  if (texts.length === 0) return [];
  const listed = new Set(texts);
  let all: Parts[] = [new Map()];
  for (const piece of readout.compose) {
    if (piece.kind !== 'stage') continue;
    const stage = readout.stages.find((s) => s.id === piece.stage);
    if (!stage) return [];
    all = all.flatMap((parts) => [...valuesOf(stage, parts).keys()].map((t) => new Map([...parts, [stage.id, t]])));
    if (all.length === 0 || all.length > mostCombinations) return [];
  }
  const missing = all.flatMap((parts) => {
    const text = joinCode(readout, parts);
    return text === null || listed.has(text) ? [] : [text];
  });
  return missing.length === 0
    ? []
    : [
        {
          code: 'pattern-without-code',
          severity: 'hint',
          at,
          readout: readout.name,
          count: missing.length,
          examples: missing.slice(0, 3),
        },
      ];
}

/** A slip as its kind and what it happens to, as the panel calls it. */
function slipFacts(slip: Slip, signs: ReadonlyMap<string, Sign>): NamedSlip {
  switch (slip.kind) {
    case 'lamp-dark':
    case 'rate':
    case 'colour':
      return { kind: slip.kind, of: `lamp ${signs.get(slip.sign)?.label ?? slip.sign}` };
    case 'segment-lost':
      return { kind: slip.kind, of: `${segmentNames[slip.segment] ?? ''} of place ${slip.position + 1}` };
    case 'length':
    case 'character':
      return { kind: slip.kind, of: String(slip.position + 1) };
    case 'blink-added':
    case 'blink-missed':
      return { kind: slip.kind, of: '' };
    default:
      return assertNever(slip);
  }
}

/** Codes that one slip turns into one that warns of less: the technician would prepare for the wrong danger. */
function dangerousLookAlikes(
  readout: Readout,
  codes: readonly Placed[],
  { signs, hazardNames }: Readonly<{ signs: ReadonlyMap<string, Sign>; hazardNames: ReadonlyMap<string, string> }>,
): Finding[] {
  const byText = new Map(codes.map((placed) => [placed.code.text, placed]));
  return lookAlikes(readout, [...byText.keys()]).flatMap(({ code, becomes, slip }): Finding[] => {
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
            slip: slipFacts(slip, signs),
            hazards: hazards.map((h) => hazardNames.get(h) ?? h),
          },
        ];
  });
}
