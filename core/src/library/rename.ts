import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import { occurrencesOf } from '../model/links.ts';
import { type Occurrence, putText } from '../model/occurrence.ts';
import { namesOf, type Thing } from './names.ts';

const isSame = (a: Thing, b: Thing): boolean => a.kind === b.kind && a.within === b.within && a.id === b.id;

/** Where a text mentions a role of its chart as `{id}`. */
const mentions = (found: Occurrence, named: Thing): boolean =>
  found.role === 'mentions' &&
  found.kinds[0] === named.kind &&
  found.within('chart') === named.within &&
  found.text.includes(`{${named.id}}`);

/** A place that names a thing: the entry by its index, and where in it. */
export type Use = Readonly<{ entry: number; found: Occurrence }>;

/** Every place in a bundle's entries that names a thing or mentions it in words, the one that defines it included. */
export function usesOf(entries: readonly Entry[], named: Thing): Use[] {
  const all = entries.map(occurrencesOf);
  const names = namesOf(all);
  return all.flatMap((list, entry) =>
    list.flatMap((found) => {
      if (found.role === 'mentions') return mentions(found, named) ? [{ entry, found }] : [];
      const resolved = names.resolve(found);
      return resolved.kind === 'thing' && isSame(resolved.named, named) ? [{ entry, found }] : [];
    }),
  );
}

/**
 * The bundle with a thing called otherwise, wherever it is named. Expected error: the name is taken. Broken invariant
 * (throws): there is no such thing.
 */
export function rename(bundle: Bundle, named: Thing, to: string): Bundle | 'taken' {
  const names = namesOf(bundle.entries.map(occurrencesOf));
  if (!names.has(named)) throw new Error(`nothing to rename: ${JSON.stringify(named)}`);
  if (names.has({ ...named, id: to })) return 'taken';
  const uses = usesOf(bundle.entries, named);
  // keys last: places within what they stand for are reached by the old name
  const ordered = [...uses].sort((a, b) => Number(a.found.isKey) - Number(b.found.isKey));
  const entries = [...bundle.entries];
  for (const { entry, found } of ordered) {
    const text =
      found.role === 'mentions'
        ? found.text.replaceAll(`{${named.id}}`, `{${to}}`)
        : found.role === 'names-entry'
          ? `${named.kind}:${to}`
          : to;
    entries[entry] = putText(entries[entry], found, text) as Entry;
  }
  const isFamily = named.kind === 'family' && named.id === bundle.family;
  return { ...bundle, entries, family: isFamily ? (to as Bundle['family']) : bundle.family };
}
