import type { Bundle } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { api } from '../api.ts';
import { freshBundle } from './bundles.ts';
import { keptBundles, keptHashes } from './database.ts';

import { renewFindIndex } from './use-find.ts';
import { workedWith } from './walks.ts';

export type Bundles = Readonly<{ bundles: readonly Bundle[]; loading: boolean; fetching: boolean; error: boolean }>;

/** Every bundle on this device; brought up to date in the background while there is a connection. */
export function useBundles(): Bundles {
  const [bundles, setBundles] = useState<readonly Bundle[]>([]);
  const [loading, setLoading] = useState(true);
  const [fetching, setFetching] = useState(false);
  const { data: families, isError } = api.useFamiliesQuery();
  useEffect(() => {
    let stale = false;
    const show = async () => {
      const kept = await keptBundles();
      if (!stale) setBundles(kept.map((k) => k.bundle));
      if (!stale) setLoading(false);
    };
    const refresh = async () => {
      await show();
      if (!families) return;
      setFetching(true);
      const [known, own] = await Promise.all([keptHashes(), workedWith()]);
      const behind = families
        .filter(({ family, hash }) => known.get(family.id) !== hash)
        .map(({ family }) => family.id);
      const take = async (ids: readonly string[]) => {
        for (const id of ids) if (!stale) await freshBundle(id, new Date().toISOString());
        if (ids.length > 0) await show();
      };
      // what somebody works with comes first; the rest follows behind their back
      await take(behind.filter((id) => own.has(id)));
      await take(behind.filter((id) => !own.has(id)));
      renewFindIndex();
      if (!stale) setFetching(false);
    };
    void refresh();
    return () => {
      stale = true;
    };
  }, [families]);
  return { bundles, loading, fetching, error: isError };
}
