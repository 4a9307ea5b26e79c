import type { Path } from '../base/path.ts';
import { type Entry, type EntryKind, entrySchemas } from './entry.ts';
import { type Occurrence, occurrencesIn } from './occurrence.ts';
import { type IdKind, idHomes } from './reference.ts';

/** One entry naming another, and where it does so (from the entry's root). */
export type Link = Readonly<{ to: Readonly<{ kind: EntryKind; id: string }>; at: Path }>;

const looked = new WeakMap<Entry, readonly Occurrence[]>();

/**
 * Every id in an entry, and every text that may mention one, with its place in the entry. Entries are values: one that was
 * looked through is not looked through again.
 */
export function occurrencesOf(entry: Entry): readonly Occurrence[] {
  const known = looked.get(entry);
  if (known) return known;
  const found = occurrencesIn(entrySchemas[entry.kind], entry);
  looked.set(entry, found);
  return found;
}

export const isEntryKind = (kind: IdKind): kind is EntryKind & IdKind => idHomes[kind].includes('entries');

/** Every other entry that this one names, as its schema says. */
export function linksOf(entry: Entry): Link[] {
  return occurrencesOf(entry).flatMap(({ role, kinds, text, path, mayBeOther }): Link[] => {
    const [kind] = kinds;
    return role === 'names' && !mayBeOther && kind && isEntryKind(kind) ? [{ to: { kind, id: text }, at: path }] : [];
  });
}
