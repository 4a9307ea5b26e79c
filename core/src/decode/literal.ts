import type { StageId } from '../base/ids.ts';
import { assertNever } from '../base/result.ts';
import type { Look } from '../model/look.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { isRhythmic, type ReadsOf } from '../model/reads.ts';
import { pairOf, pairOfBytes, pairText, readBytesText } from '../readout/pair.ts';
import { isTwin, looksLike, segmentsOf } from '../readout/segments.ts';
import { type Cell, canShowText, freeTextsOf, type Parts, type Shape, valuesOf } from '../readout/values.ts';

/** What every stage says at its word, for those that say anything. */
export function literalParts(readout: Readout, looks: readonly Look[]): Map<StageId, string> {
  const parts = new Map<StageId, string>();
  for (const stage of readout.stages) {
    const text = literalOf(stage, looks, parts);
    if (text !== null) parts.set(stage.id, text);
  }
  return parts;
}

/** Typed characters a display cannot show, taken as the look-alike it can: where, what was typed, what it was taken as. */
export type TakenAs = Readonly<{ position: number; typed: string; as: string }>;

/** A typed text in the alphabet of its display; `unread` are places nothing can be made of. */
export function inAlphabet(
  typed: string,
  { characters, face, words }: Pick<ReadsOf<'text'>, 'characters' | 'face' | 'words'>,
): { text: string; taken: TakenAs[]; unread: number[] } {
  const word = words.find((w) => w.toUpperCase() === typed.trim().toUpperCase());
  if (word !== undefined) return { text: word, taken: [], unread: [] };
  const taken: TakenAs[] = [];
  const unread: number[] = [];
  const text = [...typed.trim()].map((c, position) => {
    if (c === '?' || characters.includes(c)) return c;
    const other = [c.toUpperCase(), c.toLowerCase()].find((x) => characters.includes(x));
    if (other) return other;
    const same = [...characters].filter(
      (x) => (face === 'segments' && segmentsOf(x) !== null && segmentsOf(x) === segmentsOf(c)) || looksLike(x, c),
    );
    const only = same.find((x) => isTwin(x, c)) ?? (same.length === 1 || face === 'segments' ? same[0] : undefined);
    if (only !== undefined) {
      taken.push({ position, typed: c, as: only });
      return only;
    }
    unread.push(position);
    return c;
  });
  return { text: text.join(''), taken, unread };
}

const cellFits = (cell: Cell, look: Extract<Look, { kind: 'lamps' }>, sign: string): boolean => {
  if (cell === 'either') return true;
  const seen = look.lamps[sign as keyof typeof look.lamps];
  const colour = look.colours?.[sign as keyof typeof look.colours];
  return seen === cell.state && (cell.colour === null || colour === undefined || colour === cell.colour);
};

function textOfShape(stage: Stage, earlier: Parts, fits: (shape: Shape) => boolean): string | null {
  for (const value of valuesOf(stage, earlier).values()) if (value.shapes.some(fits)) return value.text;
  return null;
}

/** What the last look at a stage says, taken at its word; null while in doubt. `earlier`: what the stages before said. */
export function literalOf(stage: Stage, looks: readonly Look[], earlier: Parts = new Map()): string | null {
  const look = looks.findLast((l) => l.stage === stage.id);
  const { reads } = stage;
  if (!look) return null;
  switch (look.kind) {
    case 'lamps':
      if (reads.kind !== 'lamps') return null;
      return textOfShape(
        stage,
        earlier,
        (shape) => shape.kind === 'lamps' && shape.cells.every((c, i) => cellFits(c, look, reads.lamps[i]?.sign ?? '')),
      );
    case 'blinks':
      if ((look.maybe?.length ?? 0) > 0 || !isRhythmic(reads)) return null;
      return textOfShape(
        stage,
        earlier,
        (shape) =>
          shape.kind === 'pulses' &&
          shape.pattern === 's'.repeat(look.count) &&
          (reads.kind !== 'which' || shape.sign === look.sign),
      );
    case 'rhythm':
      return textOfShape(stage, earlier, (shape) => shape.kind === 'pulses' && shape.pattern === look.pattern);
    case 'text':
      return literalText(stage, look.text);
    case 'pulses':
    case 'trace':
      return null;
  }
}

function literalText(stage: Stage, typed: string): string | null {
  const { reads } = stage;
  switch (reads.kind) {
    case 'text': {
      const { text, unread } = inAlphabet(typed, reads);
      return unread.length === 0 && !text.includes('?') && canShowText(reads, text) ? text : null;
    }
    case 'pair': {
      const pair = pairOf(typed);
      const text = pair && pairText(pair);
      return text !== null && freeTextsOf(stage, text).includes(text) ? text : null;
    }
    case 'bytes': {
      const bytes = readBytesText(typed);
      const pair = bytes.ok ? pairOfBytes(bytes.value) : null;
      return pair?.ok ? pairText(pair.value) : null;
    }
    case 'value':
      return /^-?\d+(?:[.,]\d+)?$/.test(typed.trim()) ? typed.trim().replace(',', '.') : null;
    case 'blinks':
    case 'lamps':
    case 'rhythm':
    case 'which':
      return null;
    default:
      return assertNever(reads);
  }
}

/** Every lamp, count and text of every stage of the code has been told without doubt. */
export function isComplete(readout: Readout, looks: readonly Look[]): boolean {
  const composed = new Set(readout.compose.flatMap((p) => (p.kind === 'stage' ? [p.stage] : [])));
  return readout.stages.every((stage) => {
    if (!composed.has(stage.id)) return true;
    const look = looks.findLast((l) => l.stage === stage.id);
    if (!look) return false;
    if (look.kind === 'blinks') return (look.maybe?.length ?? 0) === 0;
    if (look.kind === 'text' || look.kind === 'rhythm')
      return !('text' in look ? look.text : look.pattern).includes('?');
    if (look.kind !== 'lamps' || stage.reads.kind !== 'lamps') return true;
    const { lamps } = look;
    return stage.reads.lamps.every((lamp) => !['unsure', 'dim'].includes(lamps[lamp.sign] ?? 'unsure'));
  });
}
