import type { SignId, StageId } from '../base/ids.ts';
import { fail, ok, type Result } from '../base/result.ts';
import type { LampColour, LampState } from '../model/lamp.ts';
import type { Readout, Stage } from '../model/readout.ts';
import type { Shown } from '../model/shown.ts';
import { freeTextsOf, type Parts, type Shape, type StageValue, stageValue, valuesOf } from './values.ts';

export type { Parts } from './values.ts';

const isFree = ({ reads }: Stage): boolean =>
  reads.kind === 'text' || reads.kind === 'pair' || reads.kind === 'bytes' || reads.kind === 'value';

/** Splits a code's text into what each stage shows; null when no split fits. The first fit from the left wins. */
export function splitCode(readout: Readout, text: string): Parts | null {
  const walk = (piece: number, rest: string, parts: Parts): Parts | null => {
    const next = readout.compose[piece];
    if (!next) return rest === '' ? parts : null;
    if (next.kind === 'literal')
      return rest.startsWith(next.text) ? walk(piece + 1, rest.slice(next.text.length), parts) : null;
    const stage = readout.stages.find((s) => s.id === next.stage);
    if (!stage) return null;
    const texts = isFree(stage) ? freeTextsOf(stage, rest) : [...valuesOf(stage, parts).keys()];
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

/** What every stage of a code looks like, in the order of the stages; null where the readout cannot show it. */
export function shapesOf(readout: Readout, parts: Parts): ReadonlyMap<StageId, StageValue> | null {
  const values = new Map<StageId, StageValue>();
  for (const stage of readout.stages) {
    const text = parts.get(stage.id);
    if (text === undefined) continue;
    const value = stageValue(stage, text, parts);
    if (!value) return null;
    values.set(stage.id, value);
  }
  return values;
}

/** What the signs show in one stage. `pattern` is what blinks or beeps in time, `blinks` how often where all are short. */
export type StageShow = Readonly<{
  stage: StageId;
  shown: readonly Shown[];
  blinks: number | null;
  pattern: string | null;
}>;
export type EncodeError = Readonly<{ code: 'code-not-shown-here'; text: string }>;

/**
 * What the signs show, stage by stage, for one code. Where several patterns mean the same the first is shown. `beside`
 * says what stages show that are no part of the code: a sub code, a live value.
 * Error `code-not-shown-here`: this readout cannot show such a text.
 */
export function encode(readout: Readout, text: string, beside: Parts = new Map()): Result<StageShow[], EncodeError> {
  const split = splitCode(readout, text);
  const parts = split && new Map([...split, ...beside]);
  const values = parts && shapesOf(readout, parts);
  if (!parts || !values) return fail({ code: 'code-not-shown-here', text });
  return ok(
    readout.stages.flatMap((stage) => {
      const shape = values.get(stage.id)?.shapes[0];
      return shape ? [showOf(stage, shape)] : [];
    }),
  );
}

/** What a stage's signs show for a shape. */
export function showOf(stage: Stage, shape: Shape): StageShow {
  const { reads } = stage;
  const own = stage.comes.kind === 'colour' ? stage.comes.colour : null;
  const phase = stage.comes.kind === 'sign' ? [stage.comes.shown] : [];
  const lamp = (sign: SignId, state: LampState, colour: LampColour | null = null): Shown => {
    const lit = colour ?? own;
    return { kind: 'lamp', sign, state, ...(lit && { colour: lit }) };
  };
  const show = (shown: readonly Shown[], pattern: string | null = null): StageShow => ({
    stage: stage.id,
    shown: [...phase, ...shown],
    blinks: pattern === null || pattern.includes('l') ? null : pattern.length,
    pattern,
  });
  switch (shape.kind) {
    case 'lamps':
      if (reads.kind !== 'lamps') break;
      return show(
        reads.lamps.map(({ sign }, i) => {
          const cell = shape.cells[i] ?? 'either';
          return cell === 'either' ? lamp(sign, reads.offIs) : lamp(sign, cell.state, cell.colour);
        }),
      );
    case 'pulses':
      if (reads.kind === 'which')
        return show(
          reads.lamps.map(({ sign }) => lamp(sign, sign === shape.sign ? 'slow' : 'dark')),
          shape.pattern,
        );
      if ((reads.kind === 'blinks' || reads.kind === 'rhythm') && reads.heard)
        return show([{ kind: 'sound', sign: shape.sign, state: 'on', times: shape.pattern.length }], shape.pattern);
      return show([lamp(shape.sign, 'slow')], shape.pattern);
    case 'text':
      if ('sign' in reads) return show([{ kind: 'text', sign: reads.sign, text: shape.text }]);
  }
  throw new Error(`stage ${stage.id} cannot show ${JSON.stringify(shape)}`);
}
