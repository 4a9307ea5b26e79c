import type { StageId } from '../base/ids.ts';
import type { Look } from '../model/look.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { isRhythmic, signsOfReads } from '../model/reads.ts';
import { joinCode } from '../readout/encode.ts';
import { matchPulses } from '../rhythm/match-pulses.ts';
import { type PulsePattern, patternsOf } from '../rhythm/pattern.ts';
import { type Decoded, decode, isTold } from './decode.ts';
import { partsSeen } from './evidence.ts';
import type { Listed } from './table.ts';

/** What tells two readouts of the same signs apart: whether a steady light comes first, which mode it is, whom one asks. */
export type TellsApart = 'lead-in' | 'mode' | 'controller';

/** What the same signs would mean on another readout of the unit: another mode's, another controller's. */
export type Elsewhere = Readonly<{
  readout: Readout;
  /** The code, or what shows there; of a sign that is no code its id. */
  reads: string;
  /** What was told, as told of it. */
  looks: readonly Look[];
  /** How likely it is the other readout that shows, of these two, given what was told. */
  share: number;
  fitsBetter: boolean;
  /** What to ask where neither is clear; null where nothing tells them apart or nothing is in doubt. */
  ask: TellsApart | null;
}>;

/** What was told on a readout is mostly of that readout. */
const ownShare = 0.8;
/** From where to where the share of the other is a doubt worth a question. */
const doubt = [0.12, 0.88] as const;

const none: readonly Listed[] = [];

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

const leadsIn = (readout: Readout): boolean =>
  readout.stages.some(({ reads }) => 'leadIn' in reads && reads.leadIn !== undefined);

function tellsApart(a: Readout, b: Readout): TellsApart | null {
  if (leadsIn(a) !== leadsIn(b)) return 'lead-in';
  if (!a.modes.some((m) => b.modes.includes(m))) return 'mode';
  return a.controller === b.controller ? null : 'controller';
}

/** The code a readout reads as: taken at its word, else what stands out. */
function readsAs(readout: Readout, looks: readonly Look[], decoded: Decoded): string | null {
  const literal = joinCode(readout, partsSeen(readout, looks));
  if (literal !== null) return literal;
  const [first] = decoded.candidates;
  return first?.kind === 'special' && isTold(decoded) && first.slips === 0 ? first.code : null;
}

/**
 * What was seen, read by the other readouts that use the same signs: the same blinks may be a fault in one mode and a
 * setting in another, or belong to the other controller. Each is weighed against this one by how well it goes with what
 * was told and whether what it reads is listed there. Readouts that make nothing of it are left out.
 */
export function readElsewhere(
  readouts: readonly Readout[],
  readout: Readout,
  looks: readonly Look[],
  listedOn: (readout: Readout) => readonly Listed[] = () => none,
): Elsewhere[] {
  const others = readouts.filter((r) => r !== readout && r.codesOf !== readout.id && shareSign(readout, r));
  if (looks.length === 0 || others.length === 0) return [];
  const own = decode(readout, listedOn(readout), { slot: 1, looks: [...looks] });
  return others.flatMap((other): Elsewhere[] => {
    const moved = carried(readout, other, looks);
    if (moved.length === 0) return [];
    const theirs = decode(other, listedOn(other), { slot: 1, looks: moved });
    const reads = readsAs(other, moved, theirs);
    if (reads === null) return [];
    const odds = ((1 - ownShare) / ownShare) * Math.exp(theirs.evidence - own.evidence);
    const share = odds / (1 + odds);
    const apart = tellsApart(readout, other);
    const isOpen = share > doubt[0] && share < doubt[1];
    const better = fitsBetter(readout, other, looks) || share >= doubt[1];
    return [{ readout: other, reads, looks: moved, share, fitsBetter: better, ask: isOpen && !better ? apart : null }];
  });
}
