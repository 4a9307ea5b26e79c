import type { Bundle } from './bundle.ts';
import type { EntryKind, EntryOf } from './entry.ts';

/** The entries of one kind, in the bundle's order. */
export function entriesOf<K extends EntryKind>(bundle: Pick<Bundle, 'entries'>, kind: K): EntryOf<K>[] {
  return bundle.entries.filter((entry): entry is EntryOf<K> => entry.kind === kind);
}

/** One entry by kind and id; undefined where there is none. */
export function entryOf<K extends EntryKind>(
  bundle: Pick<Bundle, 'entries'>,
  kind: K,
  id: string | null | undefined,
): EntryOf<K> | undefined {
  return bundle.entries.find((entry): entry is EntryOf<K> => entry.kind === kind && entry.id === id);
}

/** The family a bundle is about. A bundle that was read always has it. */
export function familyEntry(bundle: Bundle): EntryOf<'family'> {
  const family = entryOf(bundle, 'family', bundle.family);
  if (!family) throw new Error(`bundle of ${bundle.family} holds no such family`);
  return family;
}
