import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';
import { occurrencesOf } from '../model/links.ts';
import { withoutItems } from '../model/occurrence.ts';

/**
 * A bundle as it may leave the school: pictures that may not be shared are taken out, and so is every mention of them. It
 * is not pinned any more, because it is not what was published.
 */
export function forSharing(bundle: Bundle): Bundle {
  const kept = new Set<string>(bundle.entries.flatMap((e) => (e.kind === 'asset' && !e.mayBeShared ? [e.id] : [])));
  const { pinned: _, ...rest } = bundle;
  const entries = bundle.entries.filter((e) => !(e.kind === 'asset' && kept.has(e.id)));
  const ofKept = (entry: Entry) =>
    occurrencesOf(entry).filter((o) => o.role === 'names' && o.kinds.includes('asset') && kept.has(o.text));
  return { ...rest, entries: entries.map((e) => withoutItems(e, ofKept(e)) as Entry) };
}
