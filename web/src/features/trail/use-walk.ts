import { foldWalk, type Walk, type WalkEvent, type WalkId } from '@wire-trail/core';
import { useCallback, useEffect, useState } from 'react';
import { eventsOfWalk, type KeptEvent, readEvents } from '../../foundation/device/database.ts';
import { storeFailed } from '../../foundation/device/sync-slice.ts';
import { bringWalk, type Happening, keepHappenings } from '../../foundation/device/walks.ts';
import { useAppDispatch, useAppSelector } from '../../foundation/store.ts';

export type OpenWalk = Readonly<{
  /** `newer`: something on it was written by a newer version, and cannot be read by this one. */
  status: 'loading' | 'missing' | 'newer' | 'open';
  walk: Walk | null;
  events: readonly WalkEvent[];
  /** Gives the events it became, so that they can be taken back. */
  add: (...happenings: Happening[]) => Promise<readonly WalkEvent['id'][]>;
  takeBack: () => Promise<void>;
}>;

/** A walk of this device: what its events add up to, and the one way to add to them. */
export function useWalk(id: WalkId): OpenWalk {
  const session = useAppSelector((s) => s.session);
  const dispatch = useAppDispatch();
  const by = session.status === 'signed-in' ? session.user.id : 0;
  const [read, setRead] = useState<readonly WalkEvent[] | 'loading' | 'newer'>('loading');
  const show = useCallback((kept: readonly KeptEvent[]) => setRead(readEvents(kept) ?? 'newer'), []);
  useEffect(() => {
    let stale = false;
    const bring = async () => {
      const kept = await eventsOfWalk(id);
      // what this device has shows at once; what another one did comes to it
      if (!stale && kept.length > 0) show(kept);
      const all = await bringWalk(id, by);
      if (!stale && (kept.length === 0 || all.length > kept.length)) show(all);
    };
    void bring();
    return () => {
      stale = true;
    };
  }, [id, by, show]);
  const add = useCallback(
    async (...happenings: Happening[]) => {
      try {
        const kept = await keepHappenings({ walk: id, by, happenings });
        show(kept);
        return kept.slice(-happenings.length).map((k) => k.id);
      } catch {
        // it did not happen: the walk stands where it stood, and the person is told why
        dispatch(storeFailed());
        return [];
      }
    },
    [id, by, dispatch, show],
  );
  const events = typeof read === 'string' ? [] : read;
  const walk = foldWalk(events);
  const last = walk?.lastUndoable ?? null;
  const takeBack = useCallback(async () => {
    if (last) await add({ kind: 'taken-back', event: last });
  }, [add, last]);
  const status = typeof read === 'string' ? read : walk ? 'open' : 'missing';
  return { status, walk, events, add, takeBack };
}
