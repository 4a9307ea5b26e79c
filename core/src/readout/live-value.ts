import type { StageId } from '../base/ids.ts';
import type { Quantity } from '../base/quantity.ts';
import type { Look } from '../model/look.ts';
import type { Readout, Stage } from '../model/readout.ts';
import type { ReadsOf } from '../model/reads.ts';
import type { Parts } from './values.ts';

/** What a stage of live values says it is, and how far it can run. */
export type ValueField = ReadsOf<'value'>['fields'][number];

/** A live value as it was told. */
export type LiveValue = Readonly<{
  stage: StageId;
  name: string;
  /** Null where it is a bare number. */
  quantity: Quantity | null;
  /** What it is shown in; left out for the usual unit of its quantity. */
  unit?: string;
  /** As the unit shows it, in the unit of its quantity. */
  shown: number;
  least: number;
  most: number;
  /** Whether the unit can show it at all. */
  canShow: boolean;
  /** What it may be where the point was not told: 125 for 12.5. */
  withPoint: number | null;
}>;

/** The value a stage shows once the stage it goes by has said which; null where that is open or names none. */
export function valueFieldOf(reads: ReadsOf<'value'>, parts: Parts): ValueField | null {
  const which = reads.after === undefined ? null : (parts.get(reads.after) ?? null);
  return (
    reads.fields.find((f) => f.when !== null && f.when === which) ?? reads.fields.find((f) => f.when === null) ?? null
  );
}

/** A number as people type it from a display; null where it is none. */
export function shownNumber(text: string): number | null {
  const plain = text.trim().replace(/^[−–]/, '-').replace(',', '.');
  return /^-?(?:\d+(?:\.\d*)?|\.\d+)$/.test(plain) ? Number(plain) : null;
}

function liveValueOf(stage: Stage, reads: ReadsOf<'value'>, typed: string, parts: Parts): LiveValue | null {
  const field = valueFieldOf(reads, parts);
  const shown = shownNumber(typed);
  if (!field || shown === null) return null;
  const within = (x: number) => x >= field.least && x <= field.most;
  const pointed = shown / 10 ** field.decimals;
  const missed = field.decimals > 0 && Number.isInteger(shown) && !within(shown) && within(pointed);
  return {
    stage: stage.id,
    name: field.name,
    quantity: field.quantity,
    ...(field.unit === undefined ? {} : { unit: field.unit }),
    shown,
    least: field.least,
    most: field.most,
    canShow: within(shown),
    withPoint: missed ? pointed : null,
  };
}

/** The live values that were told, by the last look at each stage that shows one. */
export function liveValues(readout: Readout, looks: readonly Look[], parts: Parts): LiveValue[] {
  return readout.stages.flatMap((stage): LiveValue[] => {
    const look = looks.findLast((l) => l.stage === stage.id);
    if (stage.reads.kind !== 'value' || look?.kind !== 'text') return [];
    const value = liveValueOf(stage, stage.reads, look.text, parts);
    return value ? [value] : [];
  });
}
