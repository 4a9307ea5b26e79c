import type { Bundle, FamilyId } from '@wire-trail/core';
import { ask } from '../client.ts';
import { keepBundle, keptBundle } from './database.ts';

/** Fetches a bundle's pictures once, so that the service worker keeps them; their addresses never change. */
async function keepPictures(bundle: Bundle): Promise<void> {
  for (const entry of bundle.entries)
    if (entry.kind === 'asset')
      await fetch(`/api/v1/assets/${entry.id}`, { credentials: 'same-origin' }).catch(() => null);
}

/**
 * Brings the kept bundle of a family up to date where there is a connection; gives what is kept, else null. One that this
 * version cannot read is told, and what is kept stays.
 */
export async function freshBundle(of: string, now: string): Promise<Bundle | null> {
  const kept = await keptBundle(of);
  // an address may name anything: what is no family's name leads nowhere
  const family = of as FamilyId;
  const answered = await ask('bundle', { params: { family } }, { held: kept?.hash ?? '' });
  if (answered.kind !== 'answer') return kept?.bundle ?? null;
  const bundle = answered.value;
  void keepPictures(bundle);
  await keepBundle({ family, hash: bundle.pinned?.hash ?? '', bundle, keptAt: now });
  return bundle;
}
