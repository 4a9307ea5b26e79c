import type { FamilyId } from '../base/ids.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import type { Family } from '../model/family.ts';
import type { Finding } from '../model/finding.ts';
import { familyOf, titleOf } from '../model/key.ts';
import { familyEntry } from '../model/select.ts';
import type { Source } from '../model/source.ts';
import { rename } from './rename.ts';

/** What is sure of one unit is hearsay of another, wherever it stands in an entry. */
function asHearsay<T>(value: T): T {
  if (Array.isArray(value)) return value.map(asHearsay) as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, own]) => [
      key,
      key === 'standing' && own !== 'experimental' ? 'hearsay' : asHearsay(own),
    ]),
  ) as T;
}

/** A unit's own page without what only that unit is known by: its plates, its look, its pictures, what its parts are ordered by. */
export function otherwiseKnown(family: Family, name: string): Family {
  const { plate: _plate, softwareShown: _shown, sheetHidden: _sheet, generationOf: _of, ...rest } = family;
  return {
    ...rest,
    name,
    summary: '',
    recognisedBy: [],
    traits: {},
    pictures: [],
    variants: family.variants.map((v) => ({ ...v, models: [], serials: [] })),
    parts: family.parts.map(({ numbers: _numbers, price: _price, ...part }) => part),
  };
}

/**
 * A new unit begun from one that is like it: everything that is written of that one under a new name, each marked as carried
 * over until somebody has looked at it. Left behind is what holds for the other alone: its plates and how it is recognised,
 * tellings, what somebody let stand there. Sure is nothing of it yet. Gives the new unit's entries, its
 * own page first; null where the name is taken by another unit of the bundle.
 */
export function copyUnit(bundle: Bundle, as: Readonly<{ id: string; name: string }>): Entry[] | null {
  const from = familyEntry(bundle).name;
  const renamed = rename(bundle, { kind: 'family', id: bundle.family, within: '' }, as.id);
  if (renamed === 'taken') return null;
  const own = renamed.entries.filter((e) => familyOf(e) === (as.id as FamilyId) && isCarried(e));
  return own
    .map((entry): Entry => {
      const { accepted: _accepted, follows: _follows, ...bare } = asHearsay(entry);
      const carried = { ...bare, carriedFrom: from } as Entry;
      if (carried.kind === 'family') return otherwiseKnown(carried, as.name);
      if (carried.kind === 'source') return ofAnother(carried, from);
      return carried.kind === 'route' ? { ...carried, settled: [] } : carried;
    })
    .sort((a, b) => Number(b.kind === 'family') - Number(a.kind === 'family'));
}

/** What somebody told of a unit is of that one. */
const isCarried = (entry: Entry): boolean => entry.kind !== 'account';

/** A proof on the bench proves something of the unit on the bench; of another it is what somebody says. */
function ofAnother(source: Source, from: string): Source {
  if (source.sort !== 'bench') return source;
  const { kind, id, family, carriedFrom, title } = source;
  return { kind, id, family, carriedFrom, sort: 'person', title, role: `proved on “${from}”`.slice(0, 120) };
}

/** What was carried over from another unit and nobody has looked at on this one. */
export function lintCarried(bundle: Pick<Bundle, 'entries'>): Finding[] {
  return bundle.entries.flatMap((entry, i): Finding[] =>
    entry.carriedFrom === undefined
      ? []
      : [
          {
            code: 'carried-over',
            severity: 'warning',
            at: ['entries', i],
            title: titleOf(entry),
            from: entry.carriedFrom,
          },
        ],
  );
}

/** An entry that somebody has looked at on the unit it is of now. */
export function lookedAt<E extends Entry>(entry: E): E {
  const { carriedFrom: _from, ...rest } = entry;
  return rest as E;
}
