import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import { occurrencesOf } from '../model/links.ts';
import { withoutItems } from '../model/occurrence.ts';
import { entriesOf } from '../model/select.ts';
import type { Source } from '../model/source.ts';

/** What was left out of a bundle that leaves the school: a picture, or somebody else's words. */
export type Withheld = Readonly<{ what: 'picture' | 'quote' | 'words'; of: string; from: string }>;

const others: ReadonlySet<Source['sort']> = new Set(['document', 'bulletin', 'clip', 'chat']);

/** Whether the words of a source may be passed on: one's own may, somebody else's only where it says so. */
export const mayBeCopied = (source: Source): boolean => source.mayBeCopied ?? !others.has(source.sort);

/** The sources of a bundle whose words stay here, by id. */
const keptSources = (bundle: Bundle): ReadonlyMap<string, Source> =>
  new Map(entriesOf(bundle, 'source').flatMap((s) => (mayBeCopied(s) ? [] : [[s.id as string, s] as const])));

/** An entry without the words of sources that may not be passed on, and what went. */
function withoutWords(entry: Entry, kept: ReadonlyMap<string, Source>): readonly [Entry, Withheld[]] {
  if (entry.kind === 'account') {
    const source = kept.get(entry.source ?? '');
    if (!source || entry.told === '') return [entry, []];
    return [{ ...entry, told: '' }, [{ what: 'words', of: entry.name, from: source.title }]];
  }
  if (entry.kind !== 'code' && entry.kind !== 'symptom') return [entry, []];
  const withheld: Withheld[] = [];
  const claims = entry.claims.map((claim) => {
    const source = kept.get(claim.source);
    if (!source || claim.cites?.quote === undefined) return claim;
    withheld.push({ what: 'quote', of: entry.kind === 'code' ? entry.text : entry.title, from: source.title });
    return { ...claim, cites: { at: claim.cites.at } };
  });
  return [withheld.length > 0 ? { ...entry, claims } : entry, withheld];
}

/**
 * A bundle as it may leave the school: pictures that may not be shared are taken out, and so is every mention of them; of
 * sources that may only be looked at, their own words are: quotes, and tellings as they were told. What the school says itself
 * stays, with where it says it from. It is not pinned any more, because it is not what was published.
 */
export function forSharing(bundle: Bundle): Bundle {
  const kept = new Set<string>(bundle.entries.flatMap((e) => (e.kind === 'asset' && !e.mayBeShared ? [e.id] : [])));
  const sources = keptSources(bundle);
  const { pinned: _, ...rest } = bundle;
  const entries = bundle.entries.filter((e) => !(e.kind === 'asset' && kept.has(e.id)));
  const ofKept = (entry: Entry) =>
    occurrencesOf(entry).filter((o) => o.role === 'names' && o.kinds.includes('asset') && kept.has(o.text));
  return {
    ...rest,
    entries: entries.map((e) => withoutItems(withoutWords(e, sources)[0], ofKept(e)) as Entry),
  };
}

/** Everything `forSharing` leaves out, each with what it is of and whose it is. */
export function withheldOf(bundle: Bundle): Withheld[] {
  const sources = keptSources(bundle);
  return bundle.entries.flatMap((e): Withheld[] => {
    if (e.kind === 'asset' && !e.mayBeShared) return [{ what: 'picture', of: e.name, from: '' }];
    return withoutWords(e, sources)[1];
  });
}
