import { type Entry, type EntryKey, keyOf, readBundle } from '@wire-trail/core';

/** The unit the sample is of. */
export const sampleFamily = 'quorrin-b2';
/** Fetched when it is asked for: a file beside the application, kept by nobody who does not ask. */
const address = new URL('../../../../../demo/quorrin-b2.json', import.meta.url);

export type Sample = Readonly<{ entries: readonly Entry[]; keys: readonly EntryKey[] }>;

/** A unit to learn from, as it ships with the application; what all units share comes first. Null where it cannot be had. */
export async function fetchSample(): Promise<Sample | null> {
  try {
    const answer = await fetch(address);
    const read = readBundle(await answer.json());
    if (!answer.ok || !read.ok) return null;
    const rank = (e: Entry): number => (e.kind === 'family' ? 1 : 'family' in e && e.family !== null ? 2 : 0);
    const entries = [...read.value.entries].sort((a, b) => rank(a) - rank(b));
    return {
      entries,
      keys: entries.map(keyOf),
    };
  } catch {
    return null;
  }
}
