import type { Bundle } from '../model/bundle.ts';
import type { Entry } from '../model/entry.ts';

/** Takes ids out of every `pictures` list, wherever it stands. */
function withoutPictures(value: unknown, ids: ReadonlySet<string>): unknown {
  if (Array.isArray(value)) return value.map((item) => withoutPictures(item, ids));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [
      key,
      key === 'pictures' && Array.isArray(inner)
        ? inner.filter((id) => !ids.has(String(id)))
        : withoutPictures(inner, ids),
    ]),
  );
}

/**
 * A bundle as it may leave the school: pictures that may not be shared are taken out, and so is every mention of them. It
 * is not pinned any more, because it is not what was published.
 */
export function forSharing(bundle: Bundle): Bundle {
  const kept = new Set(bundle.entries.flatMap((e) => (e.kind === 'asset' && !e.mayBeShared ? [e.id as string] : [])));
  const { pinned: _, ...rest } = bundle;
  const entries = bundle.entries.filter((e) => !(e.kind === 'asset' && kept.has(e.id)));
  return { ...rest, entries: entries.map((e) => withoutPictures(e, kept) as Entry) };
}
