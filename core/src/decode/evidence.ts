import type { SignId, StageId } from '../base/ids.ts';
import type { LampState } from '../model/lamp.ts';
import type { Fit, Look, LookOf, Seen, SeenLamp } from '../model/look.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { pairOf, pairOfBytes, pairText, readBytesText } from '../readout/pair.ts';
import type { Cell, Shape } from '../readout/values.ts';
import { matchPulses } from '../rhythm/match-pulses.ts';
import { matchTrace } from '../rhythm/match-trace.ts';
import { patternsOf } from '../rhythm/pattern.ts';
import { type Aligned, alignTexts } from './align.ts';
import { colourLikelihood, countLikelihood, deadShare, oneLook, patternLikelihood } from './likelihood.ts';
import { inAlphabet, literalParts } from './literal.ts';
import type { ShowRow, ShowTable } from './table.ts';

/** What was told of one lamp in one stage, with the colours that were named. */
type ColumnSeen = Readonly<{ told: readonly SeenLamp[]; colours: ReadonlyArray<LookOf<'lamps'>['colours']> }>;

/** Everything seen, sorted out once, so that every row of the table is only a product of look-ups. */
export type Evidence = Readonly<{
  columns: readonly ColumnSeen[];
  /** By lamp: how likely everything told of it is if it is dead. */
  ifDead: readonly number[];
  /** By lamp: odds beforehand that it is dead. */
  dead: readonly number[];
  /** Looks that are not of lamps, by stage. */
  others: ReadonlyArray<Readonly<{ stage: Stage; look: Look; fits: readonly Fit[] | null }>>;
}>;

const fitCache = new WeakMap<Look, readonly Fit[]>();

/** What a row of taps or a trace fits, worked out once for each look; what it brought along counts first. */
export function fitsOfLook(readout: Readout, stage: Stage, look: LookOf<'pulses'> | LookOf<'trace'>): readonly Fit[] {
  if (look.kind === 'trace' && look.fits) return look.fits;
  const known = fitCache.get(look);
  if (known) return known;
  const patterns = patternsOf(readout, stage).filter((p) => look.sign === undefined || p.sign === look.sign);
  let fits: readonly Fit[];
  if (look.kind === 'pulses') fits = matchPulses(look.pulses, patterns, look.by);
  else {
    const levels = Float64Array.from(look.levels, (v) => (v < 0 ? Number.NaN : v));
    const match = matchTrace({ stepMs: look.stepMs, levels }, patterns);
    fits = match.ok ? match.value.fits : [];
  }
  fitCache.set(look, fits);
  return fits;
}

/** By how much the best fit must lead to be taken at its word, in natural logarithms. */
const leastLead = 3;

/** What every stage says at its word: what was told, and what taps and traces say beyond doubt. */
export function partsSeen(readout: Readout, looks: readonly Look[]): Map<StageId, string> {
  const parts = literalParts(readout, looks);
  for (const look of looks) {
    const stage = readout.stages.find((s) => s.id === look.stage);
    if (!stage || (look.kind !== 'pulses' && look.kind !== 'trace')) continue;
    const [best, next] = [...fitsOfLook(readout, stage, look)].sort((a, b) => b.log - a.log);
    if (!best || (next && best.log - next.log < leastLead)) continue;
    for (const [id, text] of Object.entries(best.parts)) if (!text.startsWith('!')) parts.set(id as StageId, text);
  }
  return parts;
}

export function evidenceOf(readout: Readout, table: ShowTable, seen: Pick<Seen, 'looks' | 'alive'>): Evidence {
  const columns = table.columns.map(({ stage, sign }): ColumnSeen => {
    const mine = seen.looks.flatMap((l) => (l.kind === 'lamps' && l.stage === stage && l.lamps[sign] ? [l] : []));
    return { told: mine.flatMap((l) => l.lamps[sign] ?? []), colours: mine.map((l) => l.colours) };
  });
  const alive = new Set<SignId>(seen.alive ?? []);
  return {
    columns,
    ifDead: table.signs.map(({ columns: own }) =>
      own.reduce((p, i) => (columns[i]?.told ?? []).reduce((q, told) => q * oneLook(told, 'dark'), p), 1),
    ),
    dead: table.signs.map(({ sign }) => (alive.has(sign) ? 0 : deadShare)),
    others: seen.looks.flatMap((look) => {
      const stage = readout.stages.find((s) => s.id === look.stage);
      if (!stage || look.kind === 'lamps') return [];
      const timed = look.kind === 'pulses' || look.kind === 'trace';
      return [{ stage, look, fits: timed ? fitsOfLook(readout, stage, look) : null }];
    }),
  };
}

/** How likely everything told of one lamp in one stage is, if the lamp lives and shows this. */
function ifAlive(column: ColumnSeen, sign: SignId, cell: Cell): number {
  if (column.told.length === 0) return 1;
  if (cell === 'either') return 0.5 * (product(column.told, 'lit') + product(column.told, 'dark'));
  const coloured = column.colours.reduce((p, c) => {
    const told = c?.[sign];
    return told && cell.state !== 'dark' ? p * colourLikelihood(told, cell.colour) : p;
  }, 1);
  return coloured * product(column.told, cell.state);
}
const product = (told: readonly SeenLamp[], is: LampState): number => told.reduce((p, t) => p * oneLook(t, is), 1);

/** What a look says of a special or a code it cannot be. */
const impossible = 1e-6;
/** A row of taps or a trace may be wrong as a whole. */
const worstFit = Math.exp(-9);

function ofLook({ stage, look, fits }: Evidence['others'][number], row: ShowRow, table: ShowTable): number {
  const hypothesis = table.hypotheses[row.of];
  if (fits) {
    if (fits.length === 0) return 1;
    const fit = fits.find(({ parts }) =>
      Object.entries(parts).every(([id, text]) =>
        hypothesis?.kind === 'special' ? text === `!${hypothesis.code}` : hypothesis?.parts.get(id as StageId) === text,
      ),
    );
    return Math.max(worstFit, fit ? Math.exp(fit.log) : 0);
  }
  const shape = row.shapes.get(stage.id);
  if (!shape) return hypothesis?.kind === 'special' ? impossible : 1;
  return ofShape(stage, look, shape);
}

/** What somebody says of a steady light before the blinks, beside what shows. */
const leadSeen = (said: boolean | undefined, shows: boolean): number =>
  said === undefined ? 1 : said ? (shows ? 0.9 : 0.02) : shows ? 0.1 : 0.98;

/** How likely a look that is not of lamps is told so where a stage shows this. */
export function ofShape(stage: Stage, look: Look, shape: Shape): number {
  const { reads } = stage;
  if (look.kind === 'blinks') {
    if (shape.kind !== 'pulses') return impossible;
    const wrongLamp = look.sign !== undefined && look.sign !== shape.sign ? 0.02 : 1;
    const short = shape.pattern.includes('l') ? 0.01 : 1;
    const counts = [look.count, ...(look.maybe ?? [])];
    const best = counts.reduce((p, count) => Math.max(p, countLikelihood(count, shape.pattern.length)), 0);
    const lead = leadSeen(look.lead, reads.kind !== 'which' && 'leadIn' in reads && reads.leadIn !== undefined);
    return best * wrongLamp * short * lead;
  }
  if (look.kind === 'rhythm')
    return shape.kind === 'pulses' ? patternLikelihood(look.pattern, shape.pattern) : impossible;
  if (look.kind !== 'text' || shape.kind !== 'text') return impossible;
  if (reads.kind === 'bytes') {
    const [x, y] = [look.text, shape.text].map((text) => {
      const bytes = readBytesText(text);
      const pair = bytes.ok ? pairOfBytes(bytes.value) : null;
      return pair?.ok ? pairText(pair.value) : null;
    });
    return x !== null && x === y ? 0.93 : 0.0005;
  }
  return textAligned(stage, look.text, shape.text).likelihood;
}

/** A typed text beside one that shows: in the alphabet of the display, a number pair however its two numbers are told apart. */
export function textAligned({ reads }: Stage, typed: string, shows: string): Aligned {
  if (reads.kind !== 'pair')
    return alignTexts(
      reads.kind === 'text' ? inAlphabet(typed, reads).text : typed.trim(),
      shows.trim(),
      reads.kind === 'text' ? reads.face : 'text',
    );
  const pair = pairOf(typed);
  return alignTexts(pair ? pairText(pair) : typed.trim(), shows.replace(/[\s\-./]+/g, '-'), 'text');
}

/** By hypothesis: how likely everything seen is under it, and the row of the table that fits best (-1 for none). */
export type Weighed = Readonly<{ likelihood: Float64Array; row: Int32Array }>;

/** A lamp that was looked at: its columns, and by column what was told as a likelihood of every cell there is. */
type Looked = Readonly<{ columns: readonly number[]; said: readonly Float64Array[]; alive: number; ifDead: number }>;

function lookedAt(table: ShowTable, evidence: Evidence): Looked[] {
  return table.signs.flatMap(({ sign, columns }, s): Looked[] => {
    const own = columns.filter((i) => (evidence.columns[i]?.told.length ?? 0) > 0);
    if (own.length === 0) return [];
    const dead = evidence.dead[s] ?? 0;
    const said = own.map((i) => {
      const seen = evidence.columns[i];
      return Float64Array.from(table.cells, (cell) => (seen ? ifAlive(seen, sign, cell) : 1));
    });
    return [{ columns: own, said, alive: 1 - dead, ifDead: dead * (evidence.ifDead[s] ?? 1) }];
  });
}

/**
 * How likely everything seen is under each hypothesis, by the row of it that fits best. A slip of the eye is new in each
 * look; a dead lamp is dead in all of them, so looking twice settles a slip and not a dead lamp, and a lamp that was
 * seen to light in one stage is not the dead one of the next.
 */
export function weigh(table: ShowTable, evidence: Evidence): Weighed {
  const likelihood = new Float64Array(table.hypotheses.length);
  const best = new Int32Array(table.hypotheses.length).fill(-1);
  const lamps = lookedAt(table, evidence);
  const single = lamps.filter((l) => l.columns.length === 1);
  const several = lamps.filter((l) => l.columns.length > 1);
  // a lamp of one stage says one number for each cell it may show
  const columnOf = Int32Array.from(single, (l) => l.columns[0] ?? 0);
  const tables = single.map((l) => (l.said[0] as Float64Array).map((p) => l.alive * p + l.ifDead));
  const { cellIds, ofRow } = table;
  const width = table.columns.length;
  for (let r = 0; r < ofRow.length; r++) {
    const at = r * width;
    let product = 1;
    for (let k = 0; k < columnOf.length; k++)
      product *= (tables[k] as Float64Array)[cellIds[at + (columnOf[k] as number)] as number] as number;
    for (const { columns, said, alive, ifDead } of several) {
      let lives = alive;
      for (let k = 0; k < columns.length; k++)
        lives *= (said[k] as Float64Array)[cellIds[at + (columns[k] as number)] as number] as number;
      product *= lives + ifDead;
    }
    for (const other of evidence.others) product *= ofLook(other, table.rows[r] as ShowRow, table);
    const of = ofRow[r] as number;
    if ((best[of] as number) < 0 || product > (likelihood[of] as number)) {
      likelihood[of] = product;
      best[of] = r;
    }
  }
  return { likelihood, row: best };
}

/** How likely a lamp is dead, given what was told of it, if the row is what shows. */
export function deadOdds(table: ShowTable, evidence: Evidence, row: ShowRow, sign: SignId): number {
  const s = table.signs.findIndex((x) => x.sign === sign);
  const columns = table.signs[s]?.columns ?? [];
  const alive = columns.reduce((p, i) => {
    const seen = evidence.columns[i];
    return seen ? p * ifAlive(seen, sign, row.cells[i] ?? 'either') : p;
  }, 1);
  const dead = (evidence.dead[s] ?? 0) * (evidence.ifDead[s] ?? 1);
  const total = (1 - (evidence.dead[s] ?? 0)) * alive + dead;
  return total > 0 ? dead / total : 0;
}
