import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import { keyText } from '../model/key.ts';
import { isEntryKind, occurrencesOf } from '../model/links.ts';
import { homesOf, type Occurrence } from '../model/occurrence.ts';
import type { IdKind } from '../model/reference.ts';

/** A thing that has an id: of what kind, within what it holds (empty for the unit and the library), and the id. */
export type Thing = Readonly<{ kind: IdKind; within: string; id: string }>;

/** What a name comes to: the thing; nothing of that name; or that it cannot be told, because what it holds within is not there. */
export type Resolved =
  | Readonly<{ kind: 'thing'; named: Thing }>
  | Readonly<{ kind: 'nothing' }>
  | Readonly<{ kind: 'cannot-tell' }>;

export type Names = Readonly<{
  /** Whether there is such a thing. */
  has: (named: Thing) => boolean;
  resolve: (found: Occurrence) => Resolved;
}>;

const cannotTell: Resolved = { kind: 'cannot-tell' };
const key = ({ kind, within, id }: Thing): string => `${kind} ${within} ${id}`;

/** Everything that has an id in a bundle, and what each name in it comes to. */
export function namesIn(bundle: Pick<Bundle, 'entries'>): Names {
  return namesOf(bundle.entries.map(occurrencesOf));
}

/** The same for entries that were looked through already. */
export function namesOf(entries: ReadonlyArray<readonly Occurrence[]>): Names {
  const known = new Set<string>();
  const byId = new Map<string, Thing>();
  for (const found of entries.flat()) {
    if (found.role !== 'defines') continue;
    const named = definedBy(found);
    if (!named) continue;
    known.add(key(named));
    // where it cannot be told within what, any will do
    byId.set(key({ ...named, within: '*' }), named);
  }
  /** Whether the thing that ids hold within is there: of `chart:fill` the chart; of the unit and the library, always. */
  const isThere = (within: string): boolean => {
    const [kind = '', id = ''] = within.split(/:(.*)/);
    return within === '' || id.includes('/') || byId.has(key({ kind: kind as IdKind, within: '*', id }));
  };
  const resolveAs = (found: Occurrence, kind: IdKind): Resolved => {
    let unsure = false;
    for (const within of homesOf(found, kind)) {
      if (within === null) {
        const any = found.by === null ? byId.get(key({ kind, within: '*', id: found.text })) : undefined;
        if (any) return { kind: 'thing', named: any };
        unsure ||= found.by !== null;
        continue;
      }
      const named: Thing = { kind, within, id: found.text };
      if (known.has(key(named))) return { kind: 'thing', named };
      unsure ||= !isThere(within);
    }
    return unsure ? cannotTell : { kind: 'nothing' };
  };
  const resolve = (found: Occurrence): Resolved => {
    if (found.role === 'names-entry') {
      const [kind = '', id = ''] = found.text.split(/:(.*)/);
      const named: Thing = { kind: kind as IdKind, within: '', id };
      return known.has(key(named)) ? { kind: 'thing', named } : { kind: 'nothing' };
    }
    if (found.role === 'defines') {
      const named = definedBy(found);
      return named ? { kind: 'thing', named } : cannotTell;
    }
    const all = found.kinds.map((kind) => resolveAs(found, kind));
    return (
      all.find((r) => r.kind === 'thing') ?? all.find((r) => r.kind === 'cannot-tell') ?? { kind: 'nothing' as const }
    );
  };
  return { has: (named) => known.has(key(named)), resolve };
}

/** The thing whose id this is; null where it cannot be told within what. */
export function definedBy(found: Occurrence): Thing | null {
  const [kind] = found.kinds;
  const [within] = kind ? homesOf(found, kind) : [];
  return kind && within !== undefined && within !== null ? { kind, within, id: found.text } : null;
}

/** Whether a thing is an entry of its own. */
export const isEntry = ({ kind }: Thing): boolean => isEntryKind(kind);

/** The key of the entry a thing is; null for what is part of one. */
export const entryKeyOf = (named: Thing): string | null =>
  isEntry(named) ? keyText({ kind: named.kind, id: named.id }) : null;

/** Ids that are used twice in one place where each has to be one thing's: entries of a bundle, steps of a chart. */
export function twice(
  entries: readonly Entry[],
  of: ReadonlyArray<readonly Occurrence[]>,
): Array<Readonly<{ entry: number; found: Occurrence }>> {
  const seen = new Set<string>();
  return entries.flatMap((_, i) =>
    (of[i] ?? []).flatMap((found) => {
      const named = found.role === 'defines' ? definedBy(found) : null;
      if (!named || !(isEntry(named) || named.kind === 'node')) return [];
      // a step of a second entry of the same id is not told again
      const at = key(named);
      const again = seen.has(at);
      seen.add(at);
      return again && (isEntry(named) || !isEntryTwice(entries, i)) ? [{ entry: i, found }] : [];
    }),
  );
}

const isEntryTwice = (entries: readonly Entry[], i: number): boolean => {
  const own = entries[i];
  return own !== undefined && entries.findIndex((e) => e.kind === own.kind && e.id === own.id) !== i;
};
