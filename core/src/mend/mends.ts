import { entryAt, factsOfFinding } from '../library/accepted.ts';
import { lint } from '../library/lint.ts';
import type { Bundle } from '../model/bundle.ts';
import { type Entry, entrySchemas } from '../model/entry.ts';
import type { Finding } from '../model/finding.ts';
import { chartMenders } from './chart.ts';
import { entryMenders } from './entry.ts';
import type { Mend } from './mend.ts';
import { stepMenders } from './steps.ts';

const menders = { ...stepMenders, ...chartMenders, ...entryMenders };

/**
 * What can be done about a finding in one go, each in words with the entries as they are then; empty where only somebody who
 * knows the unit can say. Where several are given, one of them is right: which is for that person to pick.
 */
export function mendsOf(finding: Finding, bundle: Bundle): Mend[] {
  // what is kept under a code takes findings of that code
  const mender = menders[finding.code] as ((f: Finding, bundle: Bundle) => Mend[]) | undefined;
  if (!mender) return [];
  return mender(finding, bundle).flatMap((mend) => {
    const entries = mend.entries.map((e) => entrySchemas[e.kind].safeParse(e));
    return entries.every((e) => e.success) ? [{ ...mend, entries: entries.map((e) => e.data as Entry) }] : [];
  });
}

/** A bundle with entries as they are after a mend; those it has not yet are added. */
export function withMend(bundle: Bundle, { entries }: Mend): Bundle {
  const isOf = (e: Entry) => (own: Entry) => own.kind === e.kind && own.id === e.id;
  const kept = bundle.entries.map((e) => entries.find(isOf(e)) ?? e);
  return { ...bundle, entries: [...kept, ...entries.filter((e) => !bundle.entries.some(isOf(e)))] };
}

/** One finding is another where what was found, and in which entry, is the same. */
const sameAs = (f: Finding, bundle: Bundle): string => {
  const entry = entryAt(bundle, f);
  return `${f.code} ${entry?.kind} ${entry?.id} ${factsOfFinding(f)}`;
};

/** What became of a mend: whether the finding is gone, and what is found that was not before. */
export type Tried = Readonly<{ isGone: boolean; brings: readonly Finding[] }>;

/** Looks at a bundle again as it is after a mend. */
export function tryMend(finding: Finding, bundle: Bundle, mend: Mend): Tried {
  const after = withMend(bundle, mend);
  const left = new Map<string, number>();
  for (const f of lint(bundle)) {
    const same = sameAs(f, bundle);
    left.set(same, (left.get(same) ?? 0) + 1);
  }
  // the same thing found once more than before is brought as well
  const own = sameAs(finding, bundle);
  const before = left.get(own) ?? 0;
  const brings: Finding[] = [];
  let again = 0;
  for (const f of lint(after)) {
    const same = sameAs(f, after);
    if (same === own) again += 1;
    const n = left.get(same) ?? 0;
    if (n === 0) brings.push(f);
    left.set(same, Math.max(0, n - 1));
  }
  return { isGone: again < before, brings };
}
