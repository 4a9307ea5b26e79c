import type { FamilyId } from '../base/ids.ts';
import { sameJson } from '../base/json.ts';
import { type Bundle, bundleFormat, bundleVersion } from '../model/bundle.ts';
import type { Change } from '../model/change.ts';
import type { Entry, EntryKey } from '../model/entry.ts';
import type { Family } from '../model/family.ts';
import { familyOf, keyOf, keyText, titleOf } from '../model/key.ts';
import { copyUnit, lookedAt, otherwiseKnown } from './copy-unit.ts';
import { diff } from './diff.ts';
import { type Clash, merge } from './merge.ts';

/** An entry of the older unit as somebody has it, with its number; `published` is null where nothing of it is. */
export type OlderEntry = Readonly<{ body: Entry; number: number; published: number | null }>;
/** The older unit as the new generation sees it: its entries, and others of their revisions by key and number. */
export type Older = Readonly<{
  family: FamilyId;
  entries: readonly OlderEntry[];
  /** Revisions that were asked for, by `revisionKey`. */
  revisions: ReadonlyMap<string, Entry>;
}>;
type Named = Readonly<{ id: string; name: string }>;

export const revisionKey = (key: Pick<EntryKey, 'kind' | 'id'>, number: number): string => `${keyText(key)}@${number}`;

/** The older unit's entries under the new generation's name, by key. */
function under(older: FamilyId, bodies: readonly Entry[], as: Named): Map<string, Entry> | null {
  const copy = copyUnit({ format: bundleFormat, version: bundleVersion, family: older, entries: [...bodies] }, as);
  return copy && new Map(copy.map((entry) => [keyText(entry), lookedAt(entry)]));
}

/**
 * A new generation of a unit: everything of the older one under the new name, each entry with the revision it is as of, so
 * that only what differs has to be written and what changes there later can be taken over. Its own page first; sure is
 * nothing of it yet, and its plates are its own. Null where the name is taken by another unit of the bundle.
 */
export function beginGeneration(bundle: Bundle, as: Named, numbers: ReadonlyMap<string, number>): Entry[] | null {
  const copy = copyUnit(bundle, as);
  return (
    copy?.map((carried): Entry => {
      const entry = lookedAt(carried);
      const number = numbers.get(
        entry.kind === 'family' ? keyText({ kind: 'family', id: bundle.family }) : keyText(entry),
      );
      const follows = number === undefined ? {} : { follows: number };
      if (entry.kind !== 'family') return { ...entry, ...follows };
      return { ...entry, ...follows, generationOf: { family: bundle.family, name: carried.carriedFrom ?? '' } };
    }) ?? null
  );
}

/** What is compared: without what is of each alone. */
function bare(entry: Entry): Entry {
  const { accepted: _accepted, follows: _follows, ...rest } = lookedAt(entry);
  const own = rest as Entry;
  // its plates, its look, its name are its own; the rest of its page is as the older one's
  return own.kind === 'family' ? otherwiseKnown(own, '') : own;
}

/** How an entry of a new generation stands to the older unit's. */
export type Stands = Readonly<{ key: EntryKey; title: string }> &
  (
    | Readonly<{ is: 'as-there' }>
    | Readonly<{ is: 'differs'; changes: readonly Change[] }>
    | Readonly<{ is: 'only-here' }>
    /** `body` is how it would stand here. */
    | Readonly<{ is: 'left-out'; body: Entry }>
    /** It changed there since; `taken` is this entry with that taken over, `clashes` what stays as it is here. */
    | Readonly<{ is: 'behind'; changes: readonly Change[]; taken: Entry; clashes: readonly Clash[]; hasOwn: boolean }>
  );

/** The published number an entry of the older unit is at, where that is later than what is followed; null where it is not. */
const laterOf = ({ published }: OlderEntry, follows: number | undefined): number | null =>
  published !== null && follows !== undefined && published > follows ? published : null;

const olderKey = (entry: Entry, older: FamilyId): string =>
  entry.kind === 'family' ? keyText({ kind: 'family', id: older }) : keyText(entry);

/** Revisions of the older unit's entries that have to be read before it can be told how a new generation stands to it. */
export function revisionsWanted(
  own: readonly Entry[],
  older: Pick<Older, 'family' | 'entries'>,
): Array<Readonly<{ key: EntryKey; number: number }>> {
  const there = new Map(older.entries.map((o) => [keyText(o.body), o]));
  return own.flatMap((entry) => {
    const other = there.get(olderKey(entry, older.family));
    if (!other || entry.follows === undefined) return [];
    const later = laterOf(other, entry.follows);
    return [...new Set([entry.follows, later ?? entry.follows])]
      .filter((number) => number !== other.number)
      .map((number) => ({ key: keyOf(other.body), number }));
  });
}

/**
 * How every entry of a new generation stands to the older unit: as there, different, only here, left out, or behind what
 * changed there since. Compared is what is published there, or what it was begun from. Shared entries are of both.
 */
export function generationStands(own: readonly Entry[], family: Family, older: Older): Stands[] {
  const as = { id: family.id, name: family.name };
  const there = new Map(older.entries.map((o) => [keyText(o.body), o]));
  const at = (other: OlderEntry, number: number): Entry =>
    number === other.number ? other.body : (older.revisions.get(revisionKey(other.body, number)) ?? other.body);
  const mine = own.filter((e) => familyOf(e) === family.id && e.kind !== 'account');
  const numberFor = new Map(mine.map((e) => [olderKey(e, older.family), e.follows]));
  const begun = older.entries.map((o) => at(o, numberFor.get(keyText(o.body)) ?? o.number));
  const laters = older.entries.map((o) => laterOf(o, numberFor.get(keyText(o.body))));
  const before = under(older.family, begun, as);
  // where nothing changed there since, it is as it was
  const since = laters.every((later) => later === null)
    ? before
    : under(
        older.family,
        older.entries.map((o, i) => at(o, laters[i] ?? numberFor.get(keyText(o.body)) ?? o.number)),
        as,
      );
  if (!before || !since) return [];
  const stands = mine.map((entry): Stands => {
    const named = { key: keyOf(entry), title: titleOf(entry) };
    const was = before.get(keyText(entry));
    const is = since.get(keyText(entry));
    const other = there.get(olderKey(entry, older.family));
    if (!was || !is || !other || entry.follows === undefined) return { ...named, is: 'only-here' };
    const [mineNow, then, now] = [bare(entry), bare(was), bare(is)];
    if (sameJson(now, mineNow)) return { ...named, is: 'as-there' };
    const later = laterOf(other, entry.follows);
    const hasOwn = !sameJson(then, mineNow);
    const changes = later === null ? [] : diff(then, now);
    if (later !== null && changes.length > 0)
      return { ...named, is: 'behind', changes, hasOwn, ...taken(entry, then, now, later) };
    return hasOwn ? { ...named, is: 'differs', changes: diff(then, mineNow) } : { ...named, is: 'as-there' };
  });
  const has = new Set(mine.map((e) => olderKey(e, older.family)));
  const leftOut = [...since.values()].flatMap((entry): Stands[] => {
    const other = there.get(olderKey(entry, older.family));
    if (!other || has.has(olderKey(entry, older.family))) return [];
    const body = { ...entry, follows: other.number } as Entry;
    return [{ key: keyOf(entry), title: titleOf(entry), is: 'left-out', body }];
  });
  return [...stands, ...leftOut];
}

/** The entry with what changed in the older unit taken over; what was changed on both sides stays as it is here. */
function taken(
  entry: Entry,
  was: Entry,
  is: Entry,
  later: number,
): Readonly<{ taken: Entry; clashes: readonly Clash[] }> {
  // what neither of the others has, as a name or a plate, is only here, and stays
  const { value, clashes } = merge(was, lookedAt(entry), is);
  return { taken: { ...(value as Entry), follows: later } as Entry, clashes };
}
