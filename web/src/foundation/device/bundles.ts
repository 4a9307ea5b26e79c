import type { Bundle, FamilyId } from '@wire-trail/core';
import { keepBundle, keptBundle } from './database.ts';

/** Fetches a bundle's pictures once, so that the service worker keeps them; their addresses never change. */
async function keepPictures(bundle: Bundle): Promise<void> {
  for (const entry of bundle.entries)
    if (entry.kind === 'asset')
      await fetch(`/api/v1/assets/${entry.id}`, { credentials: 'same-origin' }).catch(() => null);
}

/** Brings the kept bundle of a family up to date where there is a connection; gives what is kept, else null. */
export async function freshBundle(family: string, now: string): Promise<Bundle | null> {
  const kept = await keptBundle(family);
  try {
    const response = await fetch(`/api/v1/families/${family}/bundle`, {
      credentials: 'same-origin',
      headers: kept ? { 'if-none-match': `"${kept.hash}"` } : {},
      cache: 'no-store',
    });
    if (response.ok && response.status !== 304) {
      const bundle = (await response.json()) as Bundle;
      void keepPictures(bundle);
      await keepBundle({ family: family as FamilyId, hash: bundle.pinned?.hash ?? '', bundle, keptAt: now });
      return bundle;
    }
  } catch {
    // no connection: what is kept will do
  }
  return kept?.bundle ?? null;
}
