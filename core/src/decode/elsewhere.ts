import type { StageId } from '../base/ids.ts';
import type { Look } from '../model/look.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { isRhythmic, signsOfReads } from '../model/reads.ts';
import { joinCode } from '../readout/encode.ts';
import { matchPulses } from '../rhythm/match-pulses.ts';
import { type PulsePattern, patternsOf } from '../rhythm/pattern.ts';
import { partsSeen } from './evidence.ts';

/** What the same signs would mean on another readout of the unit: another mode's, another controller's. */
export type Elsewhere = Readonly<{ readout: Readout; reads: string; fitsBetter: boolean }>;

/** The kind of look a stage takes, so that a look can be carried over. */
const takes = (stage: Stage, look: Look): boolean => {
  const { reads } = stage;
  if (reads.kind === 'lamps') return look.kind === 'lamps';
  if (isRhythmic(reads)) return look.kind !== 'text' && look.kind !== 'lamps';
  return look.kind === 'text';
};

/** Looks carried over to the stages of another readout that show on the same signs, in their order. */
function carried(from: Readout, to: Readout, looks: readonly Look[]): Look[] {
  return looks.flatMap((look): Look[] => {
    const stage = from.stages.find((s) => s.id === look.stage);
    if (!stage) return [];
    const own = new Set(signsOfReads(stage.reads));
    const nth = from.stages.filter((s) => signsOfReads(s.reads).some((x) => own.has(x))).indexOf(stage);
    const other = to.stages.filter((s) => signsOfReads(s.reads).some((x) => own.has(x)) && takes(s, look))[nth];
    if (!other) return [];
    const { fits: _, ...bare } = { fits: undefined, ...look };
    return [{ ...bare, stage: other.id } as Look];
  });
}

const shareSign = (a: Readout, b: Readout): boolean => {
  const own = new Set(a.stages.flatMap((s) => signsOfReads(s.reads)));
  return b.stages.some((s) => signsOfReads(s.reads).some((x) => own.has(x)));
};

/** Whether taps fit the other readout's patterns better than this one's: such as a lead-in this one does not have. */
function fitsBetter(from: Readout, to: Readout, looks: readonly Look[]): boolean {
  const taps = looks.findLast((l) => l.kind === 'pulses');
  if (taps?.kind !== 'pulses') return false;
  const patternsFor = (r: Readout, id: StageId | undefined): readonly PulsePattern[] => {
    const stage = r.stages.find((s) => s.id === id);
    return stage && isRhythmic(stage.reads) ? patternsOf(r, stage) : [];
  };
  const [other] = carried(from, to, [taps]);
  const mine = patternsFor(from, taps.stage);
  const theirs = patternsFor(to, other?.stage);
  if (mine.length === 0 || theirs.length === 0) return false;
  const marked = theirs.map((p) => ({ ...p, parts: { ...p.parts, '': 'other' } }));
  const [best, ...rest] = matchPulses(taps.pulses, [...mine, ...marked], taps.by);
  const rival = rest.find((f) => '' in f.parts !== '' in (best?.parts ?? {}));
  return best !== undefined && '' in best.parts && (!rival || best.log - rival.log > 2);
}

/**
 * What was seen, read by the other readouts that use the same signs: the same blinks may be a fault in one mode and a
 * setting in another, or belong to the other controller. Readouts that make nothing of it are left out.
 */
export function readElsewhere(readouts: readonly Readout[], readout: Readout, looks: readonly Look[]): Elsewhere[] {
  return readouts.flatMap((other): Elsewhere[] => {
    if (other === readout || other.codesOf === readout.id || !shareSign(readout, other)) return [];
    const moved = carried(readout, other, looks);
    const reads = moved.length > 0 ? joinCode(other, partsSeen(other, moved)) : null;
    return reads === null ? [] : [{ readout: other, reads, fitsBetter: fitsBetter(readout, other, looks) }];
  });
}
