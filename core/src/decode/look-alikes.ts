import type { SignId, StageId } from '../base/ids.ts';
import type { LampState } from '../model/lamp.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { joinCode, shapesOf, splitCode } from '../readout/encode.ts';
import { looksLike, lostSegment, segmentsOf } from '../readout/segments.ts';
import { type Cell, cellsMeet, keyOfCell, type Parts, type Shape, stageValue, valuesOf } from '../readout/values.ts';

/** What goes wrong between the unit and the paper: one slip, of a lamp, a segment, an eye. */
export type Slip =
  /** Dead, or too dim to be seen. */
  | Readonly<{ kind: 'lamp-dark'; sign: SignId }>
  | Readonly<{ kind: 'rate'; sign: SignId; shows: LampState; seen: LampState }>
  | Readonly<{ kind: 'colour'; sign: SignId }>
  | Readonly<{ kind: 'blink-missed' | 'blink-added' }>
  | Readonly<{ kind: 'length'; position: number }>
  | Readonly<{ kind: 'segment-lost'; position: number; segment: number }>
  | Readonly<{ kind: 'character'; position: number }>;

/** One code read as another because of one slip. */
export type LookAlike = Readonly<{ code: string; becomes: string; stage: StageId; slip: Slip }>;

/** Reads shapes back into texts, remembering every answer: most codes share their shapes. */
function makeReader() {
  const kept = new Map<string, string | null>();
  return (stage: Stage, shape: Shape, earlier: Parts): string | null => {
    const context =
      'to' in stage.reads && stage.reads.to.kind === 'by-stage' ? (earlier.get(stage.reads.to.stage) ?? '') : '';
    const look =
      shape.kind === 'lamps'
        ? shape.cells.map(keyOfCell).join(' ')
        : shape.kind === 'pulses'
          ? shape.pattern
          : shape.text;
    const key = `${stage.id}|${context}|${shape.kind === 'pulses' ? shape.sign : ''}|${look}`;
    const known = kept.get(key);
    if (known !== undefined) return known;
    let text: string | null = null;
    for (const value of valuesOf(stage, earlier).values())
      if (text === null && value.shapes.some((s) => shows(s, shape))) text = value.text;
    kept.set(key, text);
    return text;
  };
}

function shows(a: Shape, b: Shape): boolean {
  if (a.kind === 'lamps' && b.kind === 'lamps')
    return a.cells.length === b.cells.length && a.cells.every((c, i) => cellsMeet(c, b.cells[i] ?? 'either'));
  if (a.kind === 'pulses' && b.kind === 'pulses') return a.sign === b.sign && a.pattern === b.pattern;
  return a.kind === 'text' && b.kind === 'text' && a.text === b.text;
}

const darkCell: Cell = { state: 'dark', colour: null };
/** What each state is taken for in one slip, beside a lamp that is dead. */
const takenFor: Readonly<Record<LampState, readonly LampState[]>> = {
  dark: [],
  lit: [],
  slow: ['fast', 'lit'],
  fast: ['slow', 'lit'],
};
const nearColours: Readonly<Record<string, readonly string[]>> = {
  amber: ['yellow', 'red'],
  yellow: ['amber', 'white'],
  red: ['amber'],
  white: ['yellow'],
  green: ['blue'],
  blue: ['green'],
};

type Slipped = Readonly<{ slip: Slip; parts: ReadonlyMap<StageId, string> }>;

/** Everything one slip can make of a code in one stage, except dead lamps, which reach across stages. */
function slipsIn(stage: Stage, shape: Shape, earlier: Parts, read: ReturnType<typeof makeReader>): Slipped[] {
  const found: Slipped[] = [];
  const add = (slip: Slip, next: Shape) => {
    const text = read(stage, next, earlier);
    if (text !== null) found.push({ slip, parts: new Map([[stage.id, text]]) });
  };
  const { reads } = stage;
  if (shape.kind === 'lamps' && reads.kind === 'lamps')
    shape.cells.forEach((cell, i) => {
      const sign = reads.lamps[i]?.sign;
      if (cell === 'either' || !sign) return;
      for (const seen of takenFor[cell.state])
        add(
          { kind: 'rate', sign, shows: cell.state, seen },
          { kind: 'lamps', cells: shape.cells.with(i, { ...cell, state: seen }) },
        );
      for (const colour of cell.colour ? (nearColours[cell.colour] ?? []) : [])
        add(
          { kind: 'colour', sign },
          { kind: 'lamps', cells: shape.cells.with(i, { ...cell, colour: colour as typeof cell.colour }) },
        );
    });
  if (shape.kind === 'pulses') {
    const { pattern, sign } = shape;
    const pulses = (next: string): Shape => ({ kind: 'pulses', sign, pattern: next });
    if (reads.kind === 'rhythm')
      [...pattern].forEach((c, position) => {
        add(
          { kind: 'length', position },
          pulses(pattern.slice(0, position) + (c === 's' ? 'l' : 's') + pattern.slice(position + 1)),
        );
        add({ kind: 'blink-missed' }, pulses(pattern.slice(0, position) + pattern.slice(position + 1)));
      });
    else {
      if (pattern.length > 1) add({ kind: 'blink-missed' }, pulses(pattern.slice(1)));
      add({ kind: 'blink-added' }, pulses(`${pattern}s`));
    }
  }
  return found;
}

/** What a lost segment or a swapped character makes of a text a display shows. */
function textSlips(stage: Stage, text: string): Slipped[] {
  const { reads } = stage;
  if (reads.kind !== 'text' && reads.kind !== 'pair') return [];
  const [alphabet, face] = reads.kind === 'text' ? [reads.characters, reads.face] : ['0123456789', 'text' as const];
  return [...text].flatMap((c, position) =>
    [...alphabet].flatMap((other): Slipped[] => {
      if (other === c) return [];
      const next = text.slice(0, position) + other + text.slice(position + 1);
      if (!stageValue(stage, next, new Map())) return [];
      const parts = new Map([[stage.id, next]]);
      const segment = face === 'segments' ? lostSegment(c, other) : null;
      if (segment !== null) return [{ slip: { kind: 'segment-lost', position, segment }, parts }];
      const same = face === 'segments' && segmentsOf(c) !== null && segmentsOf(c) === segmentsOf(other);
      return same || looksLike(c, other) ? [{ slip: { kind: 'character', position }, parts }] : [];
    }),
  );
}

/** What a dead lamp makes of a code: it is dark in every stage it belongs to. */
function deadLamp(
  readout: Readout,
  sign: SignId,
  shapes: ReadonlyMap<StageId, Shape>,
  parts: Parts,
  read: ReturnType<typeof makeReader>,
): Slipped | null {
  const changed = new Map<StageId, string>();
  for (const stage of readout.stages) {
    const shape = shapes.get(stage.id);
    const { reads } = stage;
    if (shape?.kind !== 'lamps' || reads.kind !== 'lamps') continue;
    const i = reads.lamps.findIndex((l) => l.sign === sign);
    const cell = shape.cells[i];
    if (i < 0 || cell === undefined || cell === 'either' || cell.state === 'dark') continue;
    const text = read(stage, { kind: 'lamps', cells: shape.cells.with(i, darkCell) }, new Map([...parts, ...changed]));
    if (text === null) return null;
    changed.set(stage.id, text);
  }
  return changed.size > 0 ? { slip: { kind: 'lamp-dark', sign }, parts: changed } : null;
}

/** Every listed code that one slip turns into another listed one, in the order of the codes. */
export function lookAlikes(readout: Readout, codes: readonly string[]): LookAlike[] {
  const listed = new Set(codes);
  const read = makeReader();
  const lamps = [
    ...new Set(readout.stages.flatMap((s) => (s.reads.kind === 'lamps' ? s.reads.lamps.map((l) => l.sign) : []))),
  ];
  return codes.flatMap((code) => {
    const parts = splitCode(readout, code);
    const values = parts && shapesOf(readout, parts);
    if (!parts || !values) return [];
    const shapes = new Map<StageId, Shape>();
    for (const [stage, { shapes: own }] of values) if (own[0]) shapes.set(stage, own[0]);
    const slipped = [
      ...lamps.flatMap((sign) => deadLamp(readout, sign, shapes, parts, read) ?? []),
      ...readout.stages.flatMap((stage) => {
        const shape = shapes.get(stage.id);
        if (!shape) return [];
        return shape.kind === 'text' ? textSlips(stage, parts.get(stage.id) ?? '') : slipsIn(stage, shape, parts, read);
      }),
    ];
    const seen = new Set<string>();
    return slipped.flatMap(({ slip, parts: changed }): LookAlike[] => {
      const becomes = joinCode(readout, new Map([...parts, ...changed]));
      const [stage] = changed.keys();
      const key = `${becomes} ${slip.kind}`;
      if (becomes === null || !stage || becomes === code || !listed.has(becomes) || seen.has(key)) return [];
      seen.add(key);
      return [{ code, becomes, stage, slip }];
    });
  });
}
