import { type EventId, foldWalk, type Walk, type WalkEvent, type WalkId } from '@wire-trail/core';
import { useCallback, useEffect, useState } from 'react';
import { useAppSelector } from '../../app/store.ts';
import { eventsOfWalk, keepEvents } from '../../offline/database.ts';
import { announceKept } from '../../offline/use-sync.ts';

type WithoutStamp<E> = E extends WalkEvent ? Omit<E, 'id' | 'walk' | 'seq' | 'at'> : never;
/** What happened, before the device stamps it. */
export type Happening = WithoutStamp<WalkEvent>;

/** Stamps happenings with ids, numbers and the time, and keeps them on the device: all of them, or none. */
export async function keepHappenings(input: {
  walk: WalkId;
  by: number;
  happenings: readonly Happening[];
}): Promise<WalkEvent[]> {
  const known = (await eventsOfWalk(input.walk)).map((e) => e.event);
  const first = Math.max(-1, ...known.map((e) => e.seq)) + 1;
  const at = new Date().toISOString();
  const added = input.happenings.map(
    (happening, i) =>
      ({ ...happening, id: crypto.randomUUID() as EventId, walk: input.walk, seq: first + i, at }) as WalkEvent,
  );
  await keepEvents(
    added.map((event) => ({ id: event.id, walk: input.walk, by: input.by, event, state: 'waiting', reason: null })),
  );
  announceKept();
  return [...known, ...added];
}

export type OpenWalk = Readonly<{
  status: 'loading' | 'missing' | 'open';
  walk: Walk | null;
  events: readonly WalkEvent[];
  add: (...happenings: Happening[]) => Promise<void>;
  takeBack: () => Promise<void>;
}>;

/** A walk of this device: what its events add up to, and the one way to add to them. */
export function useWalk(id: WalkId): OpenWalk {
  const session = useAppSelector((s) => s.session);
  const by = session.status === 'signed-in' ? session.user.id : 0;
  const [events, setEvents] = useState<readonly WalkEvent[] | null>(null);
  useEffect(() => {
    let stale = false;
    void eventsOfWalk(id).then((kept) => {
      if (!stale) setEvents(kept.map((e) => e.event));
    });
    return () => {
      stale = true;
    };
  }, [id]);
  const add = useCallback(
    async (...happenings: Happening[]) => {
      setEvents(await keepHappenings({ walk: id, by, happenings }));
    },
    [id, by],
  );
  const walk = events ? foldWalk(events) : null;
  const last = walk?.lastUndoable ?? null;
  const takeBack = useCallback(async () => {
    if (last) await add({ kind: 'taken-back', event: last });
  }, [add, last]);
  return { status: events === null ? 'loading' : walk ? 'open' : 'missing', walk, events: events ?? [], add, takeBack };
}
