import { entryAt } from '../library/accepted.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import type { Finding, FindingCode } from '../model/finding.ts';

/** One thing that can be done about a finding: what it does, in words, and the entries as they are then. */
export type Mend = Readonly<{ words: string; entries: readonly Entry[] }>;

/** What mends one kind of finding. */
export type Mender<C extends FindingCode> = (finding: Extract<Finding, { code: C }>, bundle: Bundle) => Mend[];
export type Menders = { readonly [C in FindingCode]?: Mender<C> };

/** The entry a finding is in; undefined where it is in none of this kind. */
export function entryOf<K extends Entry['kind']>(
  finding: Pick<Finding, 'at'>,
  bundle: Bundle,
  kind: K,
): Extract<Entry, { kind: K }> | undefined {
  const entry = entryAt(bundle, finding);
  return entry?.kind === kind ? (entry as Extract<Entry, { kind: K }>) : undefined;
}
