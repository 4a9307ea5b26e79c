import type { Look } from '../model/look.ts';
import type { Readout, Stage } from '../model/readout.ts';
import { isRhythmic, signsOfReads } from '../model/reads.ts';
import { canShowText } from '../readout/values.ts';

/** What people do with a whole look, as against one lamp or one figure of it. */
export const confusionKinds = [
  /** The second half told as the first, and the other way round. */
  'halves-swapped',
  /** A row of lamps counted from its other end. */
  'other-end',
  /** The lamp that says which half it is, counted as the first of the row. */
  'phase-lamp-counted',
  /** The steady light before the blinks, counted as one of them. */
  'lead-in-counted',
  /** Two rounds, or two showings, taken for one. */
  'told-twice',
] as const;
export type ConfusionKind = (typeof confusionKinds)[number];

/** What was seen, set right as if somebody had done this with it; and how often people do. */
export type Confusion = Readonly<{ kind: ConfusionKind; looks: readonly Look[]; odds: number }>;

/** How often each is done where it can be done. A model, not a measurement. */
const odds: Readonly<Record<ConfusionKind, number>> = {
  'halves-swapped': 0.02,
  'other-end': 0.015,
  'phase-lamp-counted': 0.01,
  'lead-in-counted': 0.06,
  'told-twice': 0.006,
};

/** Two stages whose looks may be taken for one another: told alike, from the same signs. */
function areHalves(a: Stage, b: Stage): boolean {
  const own = new Set<string>(signsOfReads(a.reads));
  const same = signsOfReads(b.reads);
  return (
    a !== b &&
    (a.reads.kind === b.reads.kind || (isRhythmic(a.reads) && isRhythmic(b.reads))) &&
    same.length === own.size &&
    same.every((s) => own.has(s))
  );
}

function swapped(readout: Readout, looks: readonly Look[]): Look[] | null {
  const composed = readout.stages.filter((s) => readout.compose.some((p) => p.kind === 'stage' && p.stage === s.id));
  const [first, second] = composed;
  if (!first || !second || composed.length !== 2 || !areHalves(first, second)) return null;
  if (looks.some((l) => l.kind === 'pulses' || l.kind === 'trace')) return null;
  return looks.map((look) =>
    look.stage === first.id
      ? { ...look, stage: second.id }
      : look.stage === second.id
        ? { ...look, stage: first.id }
        : look,
  );
}

/** Every look of lamps with what was told of each lamp moved to another one of its row. */
function moved(
  readout: Readout,
  looks: readonly Look[],
  inStage: (stage: Stage) => boolean,
  from: (i: number, n: number) => number,
): Look[] | null {
  let changed = false;
  const made = looks.map((look): Look => {
    const stage = readout.stages.find((s) => s.id === look.stage);
    if (look.kind !== 'lamps' || stage?.reads.kind !== 'lamps' || !inStage(stage)) return look;
    const { lamps: row, offIs } = stage.reads;
    const at = (i: number) => row[from(i, row.length)]?.sign;
    const lamps: Record<string, (typeof look.lamps)[keyof typeof look.lamps]> = {};
    const colours: Record<string, NonNullable<typeof look.colours>[keyof typeof look.colours]> = {};
    row.forEach(({ sign }, i) => {
      const source = at(i);
      const told = source === undefined ? offIs : look.lamps[source];
      if (told !== undefined) lamps[sign] = told;
      const colour = source && look.colours?.[source];
      if (colour) colours[sign] = colour;
      if (told !== look.lamps[sign]) changed = true;
    });
    return { ...look, lamps, ...(look.colours && { colours }) };
  });
  return changed ? made : null;
}

const half = (n: number): number | null => (n > 0 && n % 2 === 0 ? n / 2 : null);

function once(readout: Readout, looks: readonly Look[]): Look[] | null {
  let changed = false;
  const made = looks.map((look): Look => {
    const stage = readout.stages.find((s) => s.id === look.stage);
    if (look.kind === 'blinks') {
      const count = half(look.count);
      if (count === null || look.maybe?.length) return look;
      changed = true;
      return { ...look, count };
    }
    if (look.kind === 'rhythm') {
      const length = half(look.pattern.length);
      if (length === null || look.pattern.slice(0, length) !== look.pattern.slice(length)) return look;
      changed = true;
      return { ...look, pattern: look.pattern.slice(0, length) };
    }
    if (look.kind === 'text' && stage?.reads.kind === 'text') {
      const [a, b] = [look.text.slice(0, look.text.length / 2), look.text.slice(look.text.length / 2)];
      if (a.trim() === '' || a.trim() !== b.trim() || canShowText(stage.reads, look.text.toUpperCase())) return look;
      changed = true;
      return { ...look, text: a.trim() };
    }
    return look;
  });
  return changed ? made : null;
}

function withoutLead(readout: Readout, looks: readonly Look[]): Look[] | null {
  let changed = false;
  const made = looks.map((look): Look => {
    const reads = readout.stages.find((s) => s.id === look.stage)?.reads;
    const leads = (reads?.kind === 'blinks' || reads?.kind === 'rhythm') && reads.leadIn !== undefined;
    // whoever told the steady light did not count it
    if (!leads || look.kind !== 'blinks' || look.lead === true || look.count < 2) return look;
    changed = true;
    return { ...look, count: look.count - 1, lead: true };
  });
  return changed ? made : null;
}

/** The usual ways a whole look is confused that this readout leaves room for, each with the look set right. */
export function confusionsOf(readout: Readout, looks: readonly Look[]): Confusion[] {
  const found: Confusion[] = [];
  const add = (kind: ConfusionKind, made: readonly Look[] | null) => {
    if (made) found.push({ kind, looks: made, odds: odds[kind] });
  };
  add('halves-swapped', swapped(readout, looks));
  add(
    'other-end',
    moved(
      readout,
      looks,
      ({ reads }) => reads.kind === 'lamps' && reads.lamps.length > 2,
      (i, n) => n - 1 - i,
    ),
  );
  add(
    'phase-lamp-counted',
    moved(
      readout,
      looks,
      ({ comes }) => comes.kind === 'sign' && comes.shown.kind === 'lamp',
      (i) => i + 1,
    ),
  );
  add('lead-in-counted', withoutLead(readout, looks));
  add('told-twice', once(readout, looks));
  return found;
}
