import type { SignId, StageId } from '../base/ids.ts';
import type { LampState } from '../model/lamp.ts';
import type { Readout, Special, Stage } from '../model/readout.ts';
import { isRhythmic, signsOfReads } from '../model/reads.ts';
import { shapesOf, splitCode } from '../readout/encode.ts';
import { type Cell, keyOfCell, type Parts, type Shape } from '../readout/values.ts';
import { type Usual, usualOf } from './usual.ts';

/** A code the table lists, with how often it comes (any positive scale). */
export type Listed = Readonly<{ text: string; frequency: number }>;

/** A lamp in one stage. */
export type LampColumn = Readonly<{ stage: StageId; sign: SignId; weight: number | null }>;

/** One way one thing shows: what every column shows, and what the stages that are told otherwise say. */
export type ShowRow = Readonly<{
  /** Index of the hypothesis it belongs to. */
  of: number;
  cells: readonly Cell[];
  shapes: ReadonlyMap<StageId, Shape>;
}>;

/** One thing the readout may be showing: a listed code, the literal pattern, or a sign that is no code. */
export type Hypothesis = Readonly<{
  kind: 'listed' | 'unlisted' | 'special';
  code: string;
  prior: number;
  /** By stage what it says; empty for specials. */
  parts: Parts;
}>;

/** Something a readout can show that no table lists and that goes with what was seen. */
export type Unlisted = Readonly<{ code: string; parts: Parts; usual: number }>;

export type ShowTable = Readonly<{
  columns: readonly LampColumn[];
  /** Which columns each lamp has: a dead lamp is dead in all of them. */
  signs: ReadonlyArray<Readonly<{ sign: SignId; columns: readonly number[] }>>;
  hypotheses: readonly Hypothesis[];
  /** What each is worth beforehand, in the order of `hypotheses`. */
  priors: Float64Array;
  /** The codes a table lists. */
  listed: ReadonlySet<string>;
  /** How usual a text is in a stage, of codes no table lists; and what all of them together are worth, taken by that. */
  usual: Usual;
  unlistedShare: number;
  rows: readonly ShowRow[];
  /** Every cell there is in the table, once. */
  cells: readonly Cell[];
  /** Row by row what every column shows, as an index into `cells`; and by row the hypothesis it belongs to. */
  cellIds: Uint16Array;
  ofRow: Int32Array;
}>;

/** Share of what technicians read that no table lists, that is a sign but no code, and that is nothing this readout shows. */
const unlistedShare = 0.04;
/** Of number pairs, which have thousands in use, tables list a few. */
const unlistedPairs = 0.3;
const specialShare = 0.08;
export const strangeShare = 0.01;
/** More ways than this to show one code are not told apart one by one. */
const mostWays = 64;

/** Every lamp of every stage; lamps that keep time are columns as well, so that a steady light can be told. */
export function columnsOf(readout: Readout): LampColumn[] {
  return readout.stages.flatMap((stage): LampColumn[] => {
    const { reads } = stage;
    if (reads.kind === 'lamps')
      return reads.lamps.map((l) => ({ stage: stage.id, sign: l.sign, weight: l.weight ?? null }));
    if (!isRhythmic(reads) || ('heard' in reads && reads.heard)) return [];
    return signsOfReads(reads).map((sign) => ({ stage: stage.id, sign, weight: null }));
  });
}

const cellOfState = (state: LampState): Cell => ({ state, colour: null });

function cellIn(stage: Stage | undefined, sign: SignId, shape: Shape | undefined): Cell {
  if (!stage || !shape) return 'either';
  if (shape.kind === 'lamps' && stage.reads.kind === 'lamps') {
    const { lamps } = stage.reads;
    return shape.cells[lamps.findIndex((l) => l.sign === sign)] ?? 'either';
  }
  return shape.kind === 'pulses' ? cellOfState(shape.sign === sign ? 'slow' : 'dark') : 'either';
}

/** Every way a code may show: one row for each combination of patterns that mean the same. */
function rowsOf(readout: Readout, columns: readonly LampColumn[], parts: Parts, of: number): ShowRow[] {
  const values = shapesOf(readout, parts);
  if (!values) return [];
  const stages = new Map(readout.stages.map((s) => [s.id, s] as const));
  let ways: Array<Map<StageId, Shape>> = [new Map()];
  for (const [stage, value] of values)
    ways = ways.flatMap((way) => value.shapes.map((shape) => new Map([...way, [stage, shape]]))).slice(0, mostWays);
  return ways.map((shapes) => ({
    of,
    shapes,
    cells: columns.map(({ stage, sign }) => cellIn(stages.get(stage), sign, shapes.get(stage))),
  }));
}

function specialRow(readout: Readout, columns: readonly LampColumn[], special: Special, of: number): ShowRow {
  const { rhythm } = special;
  const reads = readout.stages.find((s) => s.id === rhythm?.stage)?.reads;
  const shapes = new Map<StageId, Shape>(
    special.signs.flatMap((s) =>
      s.kind === 'text'
        ? readout.stages.flatMap((stage) =>
            'sign' in stage.reads && stage.reads.sign === s.sign
              ? [[stage.id, { kind: 'text', text: s.text }] as const]
              : [],
          )
        : [],
    ),
  );
  if (rhythm && reads && 'sign' in reads)
    shapes.set(rhythm.stage, { kind: 'pulses', sign: reads.sign, pattern: rhythm.pattern });
  return {
    of,
    shapes,
    cells: columns.map(({ sign, stage }) => {
      if (rhythm?.stage === stage) return cellOfState('slow');
      const shown = special.signs.find((s) => s.sign === sign);
      return shown?.kind === 'lamp' ? { state: shown.state, colour: shown.colour ?? null } : cellOfState('dark');
    }),
  };
}

type Numbered = Pick<ShowTable, 'rows' | 'cells' | 'cellIds' | 'ofRow'>;

/** Rows with their cells numbered. */
function numbered(rows: readonly ShowRow[]): Numbered {
  const cells: Cell[] = [];
  const ids = new Map<string, number>();
  const idOf = (cell: Cell): number => {
    const key = keyOfCell(cell);
    const id = ids.get(key);
    if (id !== undefined) return id;
    ids.set(key, cells.length);
    cells.push(cell);
    return cells.length - 1;
  };
  const width = rows[0]?.cells.length ?? 0;
  const cellIds = new Uint16Array(rows.length * width);
  rows.forEach((row, r) => {
    row.cells.forEach((cell, i) => {
      cellIds[r * width + i] = idOf(cell);
    });
  });
  return { rows, cells, cellIds, ofRow: Int32Array.from(rows, (r) => r.of) };
}

/** How usual a whole code is, of those no table lists. */
export function usualOfCode(readout: Readout, usual: Usual, parts: Parts): number {
  const stages = new Map(readout.stages.map((s) => [s.id, s] as const));
  let product = 1;
  for (const piece of readout.compose) {
    const stage = piece.kind === 'stage' ? stages.get(piece.stage) : undefined;
    const text = stage && parts.get(stage.id);
    if (stage && text !== undefined) product *= usual(stage, text, parts);
  }
  return product;
}

const cache = new WeakMap<Readout, WeakMap<readonly Listed[], ShowTable>>();

/** Everything a readout may be showing, with how it shows; made once for each readout and list of codes. */
export function showTable(readout: Readout, listed: readonly Listed[]): ShowTable {
  const known = cache.get(readout) ?? new WeakMap<readonly Listed[], ShowTable>();
  cache.set(readout, known);
  const before = known.get(listed);
  if (before) return before;
  const columns = columnsOf(readout);
  const pairs = readout.stages.some(({ reads }) => reads.kind === 'pair' || reads.kind === 'bytes');
  const unlisted = pairs ? unlistedPairs : unlistedShare;
  const total = listed.reduce((sum, code) => sum + code.frequency, 0) || 1;
  const hypotheses: Hypothesis[] = [];
  const rows: ShowRow[] = [];
  for (const { text, frequency } of listed) {
    const parts = splitCode(readout, text);
    const own = parts ? rowsOf(readout, columns, parts, hypotheses.length) : [];
    if (!parts || own.length === 0) continue;
    rows.push(...own);
    const prior = (1 - unlisted - specialShare - strangeShare) * (frequency / total);
    hypotheses.push({ kind: 'listed', code: text, prior, parts });
  }
  for (const special of readout.specials) {
    rows.push(specialRow(readout, columns, special, hypotheses.length));
    const prior = specialShare / readout.specials.length;
    hypotheses.push({ kind: 'special', code: special.id, prior, parts: new Map() });
  }
  const codes = hypotheses.filter((h) => h.kind === 'listed');
  const usual = usualOf(
    readout,
    codes.map((h) => h.parts),
  );
  // what is usual counts the listed ones too: the others share what is left
  const left = Math.max(0.1, 1 - codes.reduce((sum, h) => sum + usualOfCode(readout, usual, h.parts), 0));
  const share = codes.length > 0 ? unlisted : 1 - specialShare - strangeShare;
  const made: ShowTable = {
    columns,
    listed: new Set(codes.map((h) => h.code)),
    usual,
    unlistedShare: share / left,
    signs: [...new Set(columns.map((s) => s.sign))].map((sign) => ({
      sign,
      columns: columns.flatMap((s, i) => (s.sign === sign ? [i] : [])),
    })),
    hypotheses,
    priors: Float64Array.from(hypotheses, (h) => h.prior),
    ...numbered(rows),
  };
  known.set(listed, made);
  return made;
}

/** A table of what can show, was seen and stands in no table, beside that of what does. */
export function unlistedTable(readout: Readout, table: ShowTable, more: readonly Unlisted[]): ShowTable {
  const hypotheses: Hypothesis[] = [];
  const rows: ShowRow[] = [];
  const added = new Set<string>();
  for (const { code, parts, usual } of more) {
    if (table.listed.has(code) || added.has(code)) continue;
    added.add(code);
    rows.push(...rowsOf(readout, table.columns, parts, hypotheses.length));
    hypotheses.push({ kind: 'unlisted', code, prior: table.unlistedShare * usual, parts });
  }
  return { ...table, hypotheses, priors: Float64Array.from(hypotheses, (h) => h.prior), ...numbered(rows) };
}
