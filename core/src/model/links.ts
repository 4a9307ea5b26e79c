import type { Path } from '../base/path.ts';
import { type Entry, type EntryKind, entrySchemas } from './entry.ts';
import { type Occurrence, occurrencesIn } from './occurrence.ts';
import { type IdKind, idHomes } from './reference.ts';

/** One entry naming another, and where it does so (from the entry's root). */
export type Link = Readonly<{ to: Readonly<{ kind: EntryKind; id: string }>; at: Path }>;

/** Every id in an entry, and every text that may mention one, with its place in the entry. */
export const occurrencesOf = (entry: Entry): Occurrence[] => occurrencesIn(entrySchemas[entry.kind], entry);

export const isEntryKind = (kind: IdKind): kind is EntryKind & IdKind => idHomes[kind].includes('entries');

/** Every other entry that this one names, as its schema says. */
export function linksOf(entry: Entry): Link[] {
  return occurrencesOf(entry).flatMap(({ role, kinds, text, path, mayBeOther }): Link[] => {
    const [kind] = kinds;
    return role === 'names' && !mayBeOther && kind && isEntryKind(kind) ? [{ to: { kind, id: text }, at: path }] : [];
  });
}
