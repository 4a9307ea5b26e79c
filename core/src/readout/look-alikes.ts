import type { SignId, StageId } from '../base/ids.ts';
import { encode, joinCode, splitCode, valueOfLamps } from './encode.ts';
import type { Readout } from './model.ts';

/** One code read as another because one lamp that should be on is dead. */
export type LookAlike = Readonly<{ code: string; becomes: string; stage: StageId; deadLamp: SignId }>;

/** Every listed code that turns into another listed one when one lamp is dead, in the order of the codes. */
export function lookAlikes(readout: Readout, codes: readonly string[]): LookAlike[] {
  const listed = new Set(codes);
  return codes.flatMap((code) => {
    const parts = splitCode(readout, code);
    const shows = encode(readout, code);
    if (!parts || !shows.ok) return [];
    return readout.stages.flatMap((stage): LookAlike[] => {
      const { reads } = stage;
      if (reads.kind !== 'lamps') return [];
      const shown = shows.value.find((s) => s.stage === stage.id)?.shown ?? [];
      const on = reads.lamps.map((lamp) =>
        shown.some((s) => s.kind === 'lamp' && s.sign === lamp.sign && s.state === reads.onIs),
      );
      return reads.lamps.flatMap((lamp, i): LookAlike[] => {
        if (!on[i]) return [];
        const text = valueOfLamps(reads, on.with(i, false));
        const becomes = text === null ? null : joinCode(readout, new Map([...parts, [stage.id, text]]));
        return becomes && becomes !== code && listed.has(becomes)
          ? [{ code, becomes, stage: stage.id, deadLamp: lamp.sign }]
          : [];
      });
    });
  });
}
