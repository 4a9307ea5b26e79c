import type { Bundle } from '@wire-trail/core';
import { useEffect, useState } from 'react';
import { api } from '../api.ts';
import { freshBundle } from './bundles.ts';
import { keptBundles } from './database.ts';

import { renewFindIndex } from './use-find.ts';

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
      for (const { family } of families) await freshBundle(family.id, new Date().toISOString());
      await show();
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
