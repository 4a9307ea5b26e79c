import type { TraitSubject } from './traits.ts';

/** What somebody answered; null is "cannot tell". */
export type SeenTraits = Readonly<Record<string, string | null>>;

export type Question = Readonly<{
  trait: string;
  /** Each answer with the families that would be left after it, most first. */
  answers: ReadonlyArray<Readonly<{ value: string; left: readonly string[] }>>;
  /** Expected information of the answer, in bits. */
  bits: number;
}>;
export type Identified<S extends TraitSubject> = Readonly<{
  left: readonly S[];
  /** Null where nothing more can be told apart. */
  ask: Question | null;
}>;

type Split = Readonly<{
  trait: string;
  groups: ReadonlyMap<string, readonly TraitSubject[]>;
  open: readonly TraitSubject[];
}>;

function splitBy(left: readonly TraitSubject[], trait: string): Split {
  const groups = new Map<string, TraitSubject[]>();
  const open: TraitSubject[] = [];
  for (const subject of left) {
    const value = subject.traits.get(trait);
    if (value === undefined) {
      open.push(subject);
      continue;
    }
    const group = groups.get(value);
    if (group) group.push(subject);
    else groups.set(value, [subject]);
  }
  return { trait, groups, open };
}

/** Expected entropy taken away, in bits. Families whose trait is not known stay after any answer, and are spread over all. */
function bitsOf({ groups, open }: Split, all: number): number {
  if (groups.size < 2) return 0;
  let after = 0;
  for (const group of groups.values()) {
    const share = (group.length + open.length / groups.size) / all;
    after += share * Math.log2(group.length + open.length);
  }
  return Math.log2(all) - after;
}

/** Looks one question further where few are left: which pair of questions leaves least, not which one. */
function bitsWithNext(split: Split, left: readonly TraitSubject[], traits: readonly string[]): number {
  let further = 0;
  for (const group of split.groups.values()) {
    const rest = [...group, ...split.open];
    if (rest.length < 2) continue;
    let best = 0;
    for (const trait of traits)
      if (trait !== split.trait) best = Math.max(best, bitsOf(splitBy(rest, trait), rest.length));
    further += ((group.length + split.open.length / split.groups.size) / left.length) * best;
  }
  return bitsOf(split, left.length) + further;
}

const fewEnoughToLookFurther = 24;
/** More answers than these are not taken in at a glance; such a question comes only where no other splits. */
const mostAnswers = 5;
const crowd = (split: Split): number => (split.groups.size > mostAnswers ? 1 : 0);

/**
 * Narrows families by what was seen of them, and picks the one question that splits what is left best. A family whose
 * trait is not known is never ruled out by it; what nobody could tell is not asked again.
 */
export function identify<S extends TraitSubject>(subjects: readonly S[], seen: SeenTraits): Identified<S> {
  const told = Object.entries(seen).filter((e): e is [string, string] => e[1] !== null);
  const left = subjects.filter((s) =>
    told.every(([trait, value]) => {
      const own = s.traits.get(trait);
      return own === undefined || own === value;
    }),
  );
  const traits = [...new Set(left.flatMap((s) => [...s.traits.keys()]))].filter((t) => !(t in seen));
  const splits = traits
    .map((trait) => splitBy(left, trait))
    .map((split) => ({ split, bits: bitsOf(split, left.length) }))
    .filter(({ bits }) => bits > 1e-9)
    .sort(
      (a, b) =>
        crowd(a.split) - crowd(b.split) ||
        b.bits - a.bits ||
        a.split.groups.size - b.split.groups.size ||
        (a.split.trait < b.split.trait ? -1 : 1),
    );
  const few = left.length <= fewEnoughToLookFurther;
  const ranked = few
    ? splits
        .map((s) => ({
          ...s,
          worth: bitsWithNext(
            s.split,
            left,
            splits.map((x) => x.split.trait),
          ),
        }))
        .sort(
          (a, b) =>
            crowd(a.split) - crowd(b.split) ||
            (Math.abs(b.worth - a.worth) > 1e-9 ? b.worth - a.worth : b.bits - a.bits),
        )
    : splits;
  const [best] = ranked;
  const ask: Question | null = best
    ? {
        trait: best.split.trait,
        bits: best.bits,
        answers: [...best.split.groups]
          .map(([value, group]) => ({ value, left: [...group, ...best.split.open].map((s) => s.id) }))
          .sort((a, b) => b.left.length - a.left.length || (a.value < b.value ? -1 : 1)),
      }
    : null;
  return { left, ask };
}
