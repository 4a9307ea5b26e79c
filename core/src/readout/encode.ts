import type { SignId, StageId } from '../base/ids.ts';
import { fail, ok, type Result } from '../base/result.ts';
import type { Shown } from '../unit/signal.ts';
import type { Readout, Stage, ValueMap } from './model.ts';

type LampReads = Extract<Stage['reads'], { kind: 'lamps' }>;
type StageValue = Readonly<{ text: string; patterns: ReadonlyArray<readonly boolean[]>; count?: number }>;

/** The number behind each text a value map can give, or the table's own patterns. */
export function mapNumber(map: ValueMap, total: number): string | null {
  switch (map.kind) {
    case 'number':
      return total >= map.least && total <= map.most ? String(total).padStart(map.digits, '0') : null;
    case 'characters':
      return [...map.characters][total - map.first] ?? null;
    case 'table':
      return map.rows.find((row) => row.pattern === String(total))?.value ?? null;
  }
}

/** Whether a table row's pattern (`1`, `0`, `-`) fits these lamps. */
function fits(pattern: string, on: readonly boolean[]): boolean {
  return pattern.length === on.length && on.every((lit, i) => pattern[i] === '-' || (pattern[i] === '1') === lit);
}

/** Every text one pattern of lamps stands for: none, one, or several where a table's rows overlap. */
function textsOfLamps(reads: LampReads, on: readonly boolean[]): string[] {
  if (reads.to.kind === 'table') return reads.to.rows.filter((row) => fits(row.pattern, on)).map((row) => row.value);
  const total = reads.lamps.reduce((sum, lamp, i) => sum + (on[i] ? (lamp.weight ?? 0) : 0), 0);
  const text = mapNumber(reads.to, total);
  return text === null ? [] : [text];
}

/** The text one pattern of lamps stands for, or null where it stands for nothing. Weights are summed where lit. */
export function valueOfLamps(reads: LampReads, on: readonly boolean[]): string | null {
  return textsOfLamps(reads, on)[0] ?? null;
}

const cache = new WeakMap<Stage, readonly StageValue[]>();

/** Every text a stage can show, with the patterns that show it; made once for each stage. */
function valuesOf(stage: Stage): readonly StageValue[] {
  const known = cache.get(stage);
  if (known) return known;
  const byText = new Map<string, { text: string; patterns: boolean[][]; count?: number }>();
  const { reads } = stage;
  if (reads.kind === 'lamps') {
    const width = reads.lamps.length;
    for (let bits = 0; bits < 2 ** width; bits++) {
      const on = reads.lamps.map((_, i) => ((bits >> (width - 1 - i)) & 1) === 1);
      for (const text of textsOfLamps(reads, on)) {
        const value = byText.get(text) ?? { text, patterns: [] };
        value.patterns.push(on);
        byText.set(text, value);
      }
    }
  } else if (reads.kind === 'blinks') {
    for (let count = 1; count <= reads.most; count++) {
      const text = mapNumber(reads.to, count);
      if (text !== null && !byText.has(text)) byText.set(text, { text, patterns: [], count });
    }
  }
  const values = [...byText.values()];
  cache.set(stage, values);
  return values;
}

export type Parts = ReadonlyMap<StageId, string>;

/** Splits a code's text into what each stage shows; null when no split fits. The first fit from the left wins. */
export function splitCode(readout: Readout, text: string): Parts | null {
  const walk = (piece: number, rest: string, parts: Parts): Parts | null => {
    const next = readout.compose[piece];
    if (!next) return rest === '' ? parts : null;
    if (next.kind === 'literal')
      return rest.startsWith(next.text) ? walk(piece + 1, rest.slice(next.text.length), parts) : null;
    const stage = readout.stages.find((s) => s.id === next.stage);
    if (!stage) return null;
    const { reads } = stage;
    const texts =
      reads.kind === 'text'
        ? [rest.slice(0, reads.length)].filter(
            (t) => t.length === reads.length && [...t].every((c) => reads.characters.includes(c)),
          )
        : valuesOf(stage).map((value) => value.text);
    for (const candidate of texts) {
      if (candidate === '' || !rest.startsWith(candidate)) continue;
      const found = walk(piece + 1, rest.slice(candidate.length), new Map([...parts, [stage.id, candidate]]));
      if (found) return found;
    }
    return null;
  };
  return walk(0, text, new Map());
}

/** Puts a code's text together from what each stage shows; null while a stage is missing. */
export function joinCode(readout: Readout, parts: Parts): string | null {
  const pieces = readout.compose.map((piece) => (piece.kind === 'literal' ? piece.text : parts.get(piece.stage)));
  return pieces.every((piece) => piece !== undefined) ? pieces.join('') : null;
}

/** What a stage shows for one code: on or off by lamp, a count of blinks, or text. */
export type Expected =
  | Readonly<{ kind: 'lamps'; patterns: ReadonlyArray<readonly boolean[]> }>
  | Readonly<{ kind: 'blinks'; count: number }>
  | Readonly<{ kind: 'text'; text: string }>;

/** What a stage would show for one of its texts. */
export function expectedOf(stage: Stage, text: string): Expected | null {
  if (stage.reads.kind === 'text') return { kind: 'text', text };
  const value = valuesOf(stage).find((v) => v.text === text);
  if (!value) return null;
  return stage.reads.kind === 'lamps'
    ? { kind: 'lamps', patterns: value.patterns }
    : { kind: 'blinks', count: value.count ?? 0 };
}

export type StageShow = Readonly<{ stage: StageId; shown: readonly Shown[]; blinks: number | null }>;
export type EncodeError = Readonly<{ code: 'code-not-shown-here'; text: string }>;

/**
 * What the signs show, stage by stage, for one code. Where several patterns mean the same the first is shown.
 * Error `code-not-shown-here`: this readout cannot show such a text.
 */
export function encode(readout: Readout, text: string): Result<StageShow[], EncodeError> {
  const parts = splitCode(readout, text);
  if (!parts) return fail({ code: 'code-not-shown-here', text });
  return ok(
    readout.stages.filter((stage) => parts.has(stage.id)).map((stage) => showOf(stage, parts.get(stage.id) ?? '')),
  );
}

function showOf(stage: Stage, text: string): StageShow {
  const { reads } = stage;
  const expected = expectedOf(stage, text);
  const colour = stage.comes.kind === 'colour' ? stage.comes.colour : undefined;
  const lamp = (sign: SignId, state: 'dark' | 'lit' | 'slow' | 'fast'): Shown => ({
    kind: 'lamp',
    sign,
    state,
    ...(colour && { colour }),
  });
  if (reads.kind === 'lamps' && expected?.kind === 'lamps') {
    const pattern = expected.patterns[0] ?? [];
    return {
      stage: stage.id,
      blinks: null,
      shown: reads.lamps.map((l, i) => lamp(l.sign, pattern[i] ? reads.onIs : reads.offIs)),
    };
  }
  if (reads.kind === 'blinks' && expected?.kind === 'blinks')
    return { stage: stage.id, blinks: expected.count, shown: [lamp(reads.sign, 'slow')] };
  if (reads.kind === 'text')
    return { stage: stage.id, blinks: null, shown: [{ kind: 'text', sign: reads.sign, text }] };
  throw new Error(`stage ${stage.id} cannot show '${text}'`);
}
