import type { StageId } from '../base/ids.ts';
import { mapNumber, valueOfLamps } from './encode.ts';
import type { Look, Readout, Stage } from './model.ts';

/** What every stage says at its word, for those that say anything. */
export function literalParts(readout: Readout, looks: readonly Look[]): Map<StageId, string> {
  const parts = new Map<StageId, string>();
  for (const stage of readout.stages) {
    const text = literalOf(stage, looks);
    if (text !== null) parts.set(stage.id, text);
  }
  return parts;
}

/** What the last look at a stage says, taken at its word; null while in doubt. */
export function literalOf(stage: Stage, looks: readonly Look[]): string | null {
  const look = looks.findLast((l) => l.stage === stage.id && l.kind === stage.reads.kind);
  const { reads } = stage;
  if (!look) return null;
  if (look.kind === 'lamps' && reads.kind === 'lamps') {
    const on = reads.lamps.map((lamp) => {
      const seen = look.lamps[lamp.sign];
      return seen === reads.onIs ? true : seen === reads.offIs ? false : null;
    });
    return on.every((v) => v !== null) ? valueOfLamps(reads, on) : null;
  }
  if (look.kind === 'blinks' && reads.kind === 'blinks') return mapNumber(reads.to, look.count);
  if (look.kind === 'text' && reads.kind === 'text') {
    const text = look.text.trim().toUpperCase();
    return text.length === reads.length ? text : null;
  }
  return null;
}

/** Every lamp, count and text of every stage has been told without doubt. */
export function isComplete(readout: Readout, looks: readonly Look[]): boolean {
  return readout.stages.every((stage) => {
    const look = looks.findLast((l) => l.stage === stage.id && l.kind === stage.reads.kind);
    if (!look) return false;
    if (look.kind !== 'lamps' || stage.reads.kind !== 'lamps') return true;
    return stage.reads.lamps.every((lamp) => (look.lamps[lamp.sign] ?? 'unsure') !== 'unsure');
  });
}
