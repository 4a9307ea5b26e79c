import type { SignId, StageId } from '../base/ids.ts';
import type { LampState } from '../model/lamp.ts';
import type { Look, LookOf, SeenLamp } from '../model/look.ts';
import type { Readout } from '../model/readout.ts';
import { type Parts, stageValue } from '../readout/values.ts';
import type { TextSlip } from './align.ts';
import { fitsOfLook, textAligned } from './evidence.ts';
import type { Hypothesis, ShowRow, ShowTable } from './table.ts';

/** What must have been seen wrongly for a candidate to hold. */
export type Misread = Readonly<{ stage: StageId }> &
  (
    | Readonly<{ kind: 'lamp'; sign: SignId; seen: SeenLamp; shows: LampState }>
    | Readonly<{ kind: 'count'; seen: number; shows: number }>
    | Readonly<{ kind: 'pattern'; seen: string; shows: string }>
    | Readonly<{ kind: 'which-lamp'; seen: SignId; shows: SignId }>
    | TextSlip
  );

/** From so many slips on a guess is not offered as what it is. */
export const tooManySlips = 3;

/** The last look at each stage, and what it says of every lamp of the table. */
export type Last = Readonly<{ looks: readonly Look[]; lamps: ReadonlyArray<LampState | null> }>;

export function lastOf(table: ShowTable, looks: readonly Look[]): Last {
  const byStage = new Map<StageId, Look>();
  for (const look of looks) byStage.set(look.stage, look);
  const lamps = table.columns.map(({ stage, sign }): LampState | null => {
    const look = byStage.get(stage);
    const seen = look?.kind === 'lamps' ? look.lamps[sign] : undefined;
    return seen === undefined || seen === 'unsure' || seen === 'dim' ? null : seen;
  });
  return { looks: [...byStage.values()], lamps };
}

/** What must have been misread for a row to hold, given the looks as they are taken. */
export function misreadOf(readout: Readout, table: ShowTable, row: ShowRow, last: Last): Misread[] {
  const found: Misread[] = [];
  for (let i = 0; i < last.lamps.length; i++) {
    const seen = last.lamps[i];
    const cell = row.cells[i];
    const column = table.columns[i];
    if (!seen || !cell || cell === 'either' || seen === cell.state || !column) continue;
    found.push({ kind: 'lamp', stage: column.stage, sign: column.sign, seen, shows: cell.state });
  }
  for (const look of last.looks) if (look.kind !== 'lamps') found.push(...misreadIn(readout, table, row, look));
  return found;
}

function misreadIn(readout: Readout, table: ShowTable, row: ShowRow, look: Look): Misread[] {
  const stage = readout.stages.find((s) => s.id === look.stage);
  const shape = row.shapes.get(look.stage);
  if (!stage || !shape) return [];
  const at = { stage: look.stage };
  if (shape.kind === 'text')
    return look.kind === 'text'
      ? textAligned(stage, look.text, shape.text).slips.map((slip) => ({ ...at, ...slip }))
      : [];
  if (shape.kind !== 'pulses') return [];
  const { pattern } = shape;
  switch (look.kind) {
    case 'blinks': {
      const lamp: Misread[] =
        look.sign !== undefined && look.sign !== shape.sign
          ? [{ ...at, kind: 'which-lamp', seen: look.sign, shows: shape.sign }]
          : [];
      const counted = look.count === pattern.length || look.maybe?.includes(pattern.length);
      return counted ? lamp : [...lamp, { ...at, kind: 'count', seen: look.count, shows: pattern.length }];
    }
    case 'rhythm':
      return fitsPattern(look.pattern, pattern) ? [] : [{ ...at, kind: 'pattern', seen: look.pattern, shows: pattern }];
    case 'pulses':
    case 'trace':
      return misreadPulses(readout, table.hypotheses[row.of]?.parts ?? new Map(), look, pattern);
    case 'lamps':
    case 'text':
      return [];
  }
}

const fitsPattern = (seen: string, shows: string): boolean =>
  seen.length === shows.length && [...seen].every((c, i) => c === '?' || c === shows[i]);

/** Whether a look tells of a stage in which a sign that is no code does nothing of the kind. */
export const isBeside = (look: Look, { kind }: Hypothesis, row: ShowRow): boolean =>
  kind === 'special' && look.kind !== 'lamps' && !row.shapes.has(look.stage);

/** How many single slips a misreading is made of: a count that is two off is two. */
export function slipsIn(m: Misread): number {
  if (m.kind === 'count') return Math.abs(m.seen - m.shows);
  if (m.kind !== 'pattern') return 1;
  const longer = Math.abs(m.seen.length - m.shows.length);
  if (longer > 0) return longer;
  return [...m.seen].filter((c, i) => c !== '?' && c !== m.shows[i]).length;
}

/** Where taps or a trace fit something else best: how often, or how, they say it blinked. */
function misreadPulses(
  readout: Readout,
  parts: Parts,
  look: LookOf<'pulses'> | LookOf<'trace'>,
  shows: string,
): Misread[] {
  const stage = readout.stages.find((s) => s.id === look.stage);
  const best = stage && fitsOfLook(readout, stage, look)[0]?.parts[stage.id];
  if (!stage || best === undefined || parts.get(stage.id) === best) return [];
  const shape = stageValue(stage, best, parts)?.shapes[0];
  if (shape?.kind !== 'pulses') return [];
  const alike = /^s*$/.test(shape.pattern + shows);
  return [
    alike
      ? { kind: 'count', stage: stage.id, seen: shape.pattern.length, shows: shows.length }
      : { kind: 'pattern', stage: stage.id, seen: shape.pattern, shows },
  ];
}
