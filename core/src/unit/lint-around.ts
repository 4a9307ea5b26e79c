import { groupBy } from '../base/group.ts';
import type { Path } from '../base/path.ts';
import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import type { Family, Part } from '../model/family.ts';
import type { Finding } from '../model/finding.ts';
import { familyEntry } from '../model/select.ts';
import type { Hazard } from '../model/source.ts';
import { fallsShort, reachOf } from './reach.ts';

/** Somebody to ring, and nothing says when. */
export const lintContacts = (family: Family, at: Path): Finding[] =>
  (family.contacts ?? []).flatMap((contact, i): Finding[] =>
    contact.hours?.trim()
      ? []
      : [{ code: 'contact-without-hours', severity: 'warning', at: [...at, 'contacts', i], contact: contact.name }],
  );

/** One unit is priced in one currency: a sum over two is none. */
export function lintPrices(family: Family, at: Path): Finding[] {
  const currencies = [...new Set(family.parts.flatMap((p) => p.price?.currency ?? []))];
  const odd = family.parts.findIndex((p) => p.price !== undefined && p.price.currency !== currencies[0]);
  return odd < 0
    ? []
    : [{ code: 'two-currencies', severity: 'warning', at: [...at, 'parts', odd, 'price'], currencies }];
}

/** A hazard whose trade nobody is asked for. */
export const lintTrade = ({ title, trade, scope }: Hazard, at: Path): Finding[] =>
  trade && scope === 'operator' ? [{ code: 'trade-for-nobody', severity: 'warning', at, hazard: title, trade }] : [];

/** A proof that says less than its entry claims. */
export function lintReach(bundle: Bundle, entry: Entry, at: Path): Finding[] {
  if (entry.kind !== 'route' && entry.kind !== 'code' && entry.kind !== 'symptom' && entry.kind !== 'chart') return [];
  const reach = reachOf(bundle, entry);
  if (!reach || !fallsShort(reach)) return [];
  const { variants } = familyEntry(bundle);
  return [
    {
      code: 'proof-falls-short',
      severity: 'warning',
      at,
      title: entry.kind === 'route' ? entry.name : entry.title,
      proof: reach.title,
      notFor: (reach.notFor ?? []).map((id) => variants.find((v) => v.id === id)?.name ?? id),
      steps: reach.notSeen.length,
    },
  ];
}

const allNumbers = (part: Part): readonly string[] =>
  (part.numbers ?? []).flatMap(({ number, supersedes }) => [number, ...supersedes]);

/**
 * Parts of one name that are ordered by quite other numbers in two families: what was replaced by a later number is the same
 * part. Told once for each name and pair.
 */
export function lintParts(families: readonly Family[]): Finding[] {
  const named = groupBy(
    families.flatMap((family) =>
      family.parts.flatMap((part) => ((part.numbers ?? []).length > 0 ? [{ family, part }] : [])),
    ),
    ({ part }) => part.name.trim().toLowerCase(),
  );
  return [...named.values()].flatMap((all) =>
    all.flatMap((b, k) =>
      all.slice(0, k).flatMap((a): Finding[] => {
        const others = new Set(allNumbers(b.part));
        if (a.family.id === b.family.id || allNumbers(a.part).some((n) => others.has(n))) return [];
        const current = (part: Part): string[] => (part.numbers ?? []).map((n) => n.number);
        return [
          {
            code: 'part-two-numbers',
            severity: 'warning',
            at: [],
            part: a.part.name,
            families: [a.family.name, b.family.name],
            numbers: [current(a.part), current(b.part)],
          },
        ];
      }),
    ),
  );
}
