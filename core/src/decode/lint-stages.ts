import type { Path } from '../base/path.ts';
import type { Finding } from '../model/finding.ts';
import type { Sign } from '../model/panel.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { isRhythmic, type Reads, signsOfReads } from '../model/reads.ts';
import { rowsOfStages } from '../readout/schedule.ts';
import { cellOf, mapsOf } from '../readout/values.ts';

/** A pause must be so many times a gap to be told from it by eye. */
const leastPauseRatio = 1.8;

/** Findings of how a readout is made, whatever codes it shows. */
export function lintStages(readout: Readout, at: Path, signs: ReadonlyMap<string, Sign>): Finding[] {
  return [
    ...readout.stages.flatMap((stage, i) => {
      const here = [...at, 'stages', i];
      return [...tableFindings(stage, here), ...pauseFindings(stage, here), ...signFindings(stage, here, signs)];
    }),
    ...phaseFindings(readout, at),
  ];
}

function tableFindings({ label, reads }: Stage, at: Path): Finding[] {
  if (reads.kind === 'rhythm') return doubles(label, reads.rows, at, (r) => r.pattern);
  if (!('to' in reads)) return [];
  return mapsOf(reads.to).flatMap((map): Finding[] => {
    if (reads.kind === 'lamps' && map.kind !== 'table') return weightFindings(label, reads, at);
    if (map.kind !== 'table') return [];
    if (reads.kind !== 'lamps') return doubles(label, map.rows, at, (r) => r.pattern);
    const bad = map.rows.flatMap(({ pattern }): Finding[] =>
      pattern.length === reads.lamps.length && [...pattern].every((c) => cellOf(c, reads) !== null)
        ? []
        : [
            {
              code: 'row-unreadable',
              severity: 'error',
              at: [...at, 'reads', 'to'],
              stage: label,
              pattern,
              lamps: reads.lamps.length,
            },
          ],
    );
    return [...bad, ...doubles(label, map.rows, at, (r) => r.pattern)];
  });
}

type Row = Readonly<{ pattern: string; value: string }>;

function doubles(stage: string, rows: readonly Row[], at: Path, keyOf: (row: Row) => string): Finding[] {
  const byPattern = new Map<string, Set<string>>();
  for (const row of rows) byPattern.set(keyOf(row), new Set([...(byPattern.get(keyOf(row)) ?? []), row.value]));
  return [...byPattern].flatMap(([pattern, values]): Finding[] =>
    values.size > 1
      ? [{ code: 'rows-share-pattern', severity: 'error', at: [...at, 'reads'], stage, pattern, values: [...values] }]
      : [],
  );
}

/** The first sum that more than one way of lighting the lamps adds up to. */
function weightFindings(stage: string, { lamps }: Extract<Reads, { kind: 'lamps' }>, at: Path): Finding[] {
  const weights = lamps.flatMap((l) => l.weight ?? []);
  const ways = new Map<number, number>();
  for (let bits = 1; bits < 2 ** weights.length; bits++) {
    const sum = weights.reduce((total, w, i) => total + ((bits >> i) & 1) * w, 0);
    ways.set(sum, (ways.get(sum) ?? 0) + 1);
  }
  const [worst] = [...ways].filter(([, n]) => n > 1).sort((a, b) => b[1] - a[1] || a[0] - b[0]);
  return worst
    ? [
        {
          code: 'weights-collide',
          severity: 'warning',
          at: [...at, 'reads', 'lamps'],
          stage,
          sum: worst[0],
          ways: worst[1],
        },
      ]
    : [];
}

function pauseFindings({ label, reads }: Stage, at: Path): Finding[] {
  if (!isRhythmic(reads)) return [];
  const gapMs = reads.kind === 'rhythm' ? reads.gapMs : reads.offMs;
  return reads.pauseMs < leastPauseRatio * gapMs
    ? [
        {
          code: 'pause-not-told',
          severity: 'warning',
          at: [...at, 'reads', 'pauseMs'],
          stage: label,
          gapMs,
          pauseMs: reads.pauseMs,
        },
      ]
    : [];
}

/** The kinds of sign each kind of reading goes with. */
const goesWith: Readonly<Record<Reads['kind'], ReadonlyArray<Sign['kind']>>> = {
  lamps: ['lamp'],
  blinks: ['lamp', 'beeper', 'felt'],
  rhythm: ['lamp', 'beeper', 'felt'],
  which: ['lamp'],
  text: ['segments', 'text'],
  value: ['segments', 'text'],
  pair: ['segments', 'text'],
  bytes: ['segments', 'text'],
};

function signFindings({ reads }: Stage, at: Path, signs: ReadonlyMap<string, Sign>): Finding[] {
  return signsOfReads(reads).flatMap((id): Finding[] => {
    const sign = signs.get(id);
    if (!sign) return [];
    const heard = 'heard' in reads && reads.heard;
    const wrong =
      !goesWith[reads.kind].includes(sign.kind) ||
      (isRhythmic(reads) && heard === (sign.kind === 'lamp')) ||
      (reads.kind === 'text' && reads.face === 'segments' && sign.kind !== 'segments');
    return wrong
      ? [
          {
            code: 'sign-cannot-show',
            severity: 'error',
            at: [...at, 'reads'],
            sign: sign.label,
            is: sign.kind,
            wants: heard ? 'beeps' : reads.kind === 'text' ? reads.face : reads.kind,
          },
        ]
      : [];
  });
}

const gapOf = (reads: Reads): number => (reads.kind === 'rhythm' ? reads.gapMs : 'offMs' in reads ? reads.offMs : 0);

/** Stages on the same signs that nothing tells apart, and stages that show at once where only one can. */
function phaseFindings(readout: Readout, at: Path): Finding[] {
  return rowsOfStages(readout.stages).flatMap((row) =>
    row.flatMap((stage, i): Finding[] => {
      const own = signsOfReads(stage.reads);
      return row.slice(0, i).flatMap((before): Finding[] => {
        const shared = signsOfReads(before.reads).find((s) => own.includes(s));
        const here = [...at, 'stages', readout.stages.indexOf(stage), 'comes'];
        if (shared === undefined) return [];
        if (stage.comes.kind === 'at-once')
          return [
            { code: 'stages-at-once', severity: 'error', at: here, stages: [before.label, stage.label], sign: shared },
          ];
        if (stage.comes.kind !== 'alternates' || row.indexOf(before) !== i - 1) return [];
        const pair = [before.reads, stage.reads] as const;
        const lamps = pair.every((r) => r.kind === 'lamps');
        // runs of blinks are told by the pause between them, and the round by a longer one
        const [first, second] = pair;
        const runs = isRhythmic(first) && isRhythmic(second);
        const told = runs && second.pauseMs >= 1.5 * first.pauseMs && first.pauseMs >= leastPauseRatio * gapOf(first);
        return lamps || (runs && !told)
          ? [{ code: 'phase-not-told', severity: 'warning', at: here, stage: stage.label, from: before.label }]
          : [];
      });
    }),
  );
}
