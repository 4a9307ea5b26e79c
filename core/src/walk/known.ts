import type { ChartId, NodeId, SettingId, VariantId } from '../base/ids.ts';
import { parseReading, quantities } from '../base/quantity.ts';
import type { ChartKnown } from '../chart/walk.ts';
import { partsSeen } from '../decode/evidence.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Code, Symptom } from '../model/code.ts';
import { entryOf, familyEntry } from '../model/select.ts';
import { partNamesOf, variantCases } from '../model/values.ts';
import type { WalkEvent } from '../model/walk.ts';
import { subPlace } from '../readout/sub-code.ts';
import type { GivenAnswer, Walk } from './state.ts';

/** A setting's value as a number in base units, where it is one: `80 %`, `2.5 bar`, `3`; a bare one in the unit it is keyed in. */
export function settingNumber(typed: string, unit?: string): number | null {
  const text = unit !== undefined && /^[+-]?\d+(?:[.,]\d+)?$/.test(typed.trim()) ? `${typed.trim()} ${unit}` : typed;
  for (const quantity of quantities) {
    const read = parseReading(text, quantity);
    if (read.ok && read.value.kind === 'value') return read.value.value;
  }
  return null;
}

/** What a walk has found out that its chart may go by: the code and where it sits, the variant, what settings stand at. */
export function chartKnown(input: {
  bundle: Bundle;
  walk: Walk;
  subject: Code | Symptom | null;
  /** Those that are still possible. */
  variants: readonly VariantId[];
}): ChartKnown & Required<Pick<ChartKnown, 'cases'>> {
  const { bundle, walk, subject, variants } = input;
  const taken = walk.taken.find((t) => t.code === walk.code);
  const look = walk.seen.findLast((s) => (taken ? s.readout === taken.readout && s.slot === taken.slot : true));
  const readout = entryOf(bundle, 'readout', look?.readout);
  const settings = new Map<SettingId, number>(
    [...walk.settings].flatMap(([id, s]) => {
      const value = settingNumber((s.putBack ? s.old : (s.set ?? s.old)) ?? '', entryOf(bundle, 'setting', id)?.unit);
      return value === null ? [] : [[id, value] as const];
    }),
  );
  return {
    code: subject?.kind === 'code' ? subject.text : null,
    subCode: readout && look ? (subPlace(readout, partsSeen(readout, look.seen.looks))?.value ?? null) : null,
    variants,
    controller: taken?.controller ?? (subject?.kind === 'code' ? subject.controller : null),
    options: walk.unit?.options ?? {},
    cases: variantCases(familyEntry(bundle), variants),
    settings,
    charts: (id: ChartId) => entryOf(bundle, 'chart', id),
    partNames: partNamesOf(familyEntry(bundle)),
  };
}

/** What was last entered at a step, also when it was taken back since: going back keeps it. */
export function enteredBefore(
  events: readonly WalkEvent[],
  chart: ChartId,
  node: NodeId,
): Omit<GivenAnswer, 'at'> | null {
  const last = events.findLast((e) => e.kind === 'answered' && e.chart === chart && e.node === node);
  if (last?.kind !== 'answered') return null;
  return { chart, node, answer: last.answer, reading: last.reading, skipped: last.skipped ?? null };
}
