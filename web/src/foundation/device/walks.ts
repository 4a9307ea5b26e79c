import type { Bundle, EventId, WalkEvent, WalkId } from '@wire-trail/core';
import { addToWalk, eventsOfWalk, keepEvents } from './database.ts';
import { announceKept } from './use-sync.ts';

type WithoutStamp<E> = E extends WalkEvent ? Omit<E, 'id' | 'walk' | 'seq' | 'at'> : never;
/** What happened, before the device stamps it. */
export type Happening = WithoutStamp<WalkEvent>;

/** Stamps happenings with ids, numbers and the time, and keeps them on the device: all of them, or none. */
export async function keepHappenings(input: {
  walk: WalkId;
  by: number;
  happenings: readonly Happening[];
}): Promise<WalkEvent[]> {
  const { walk, by } = input;
  const at = new Date().toISOString();
  const all = await addToWalk(walk, (known) => {
    const first = (known.at(-1)?.event.seq ?? -1) + 1;
    return input.happenings.map((happening, i) => {
      const event = { ...happening, id: crypto.randomUUID() as EventId, walk, seq: first + i, at } as WalkEvent;
      return { id: event.id, walk, by, event, state: 'waiting', reason: null };
    });
  });
  announceKept();
  return all.map((e) => e.event);
}

/**
 * Brings what was done on a walk on another device to this one, where there is a connection; nothing of this device is
 * lost. Gives every event known here afterwards. Somebody else's walk is left where it is.
 */
export async function bringWalk(walk: WalkId, by: number): Promise<WalkEvent[]> {
  const known = await eventsOfWalk(walk);
  // a walk of which nothing was sent yet is nowhere else
  if (known.length > 0 && known.every((k) => k.state === 'waiting')) return known.map((k) => k.event);
  try {
    const response = await fetch(`/api/v1/walks/${walk}`, { credentials: 'same-origin', cache: 'no-store' });
    if (response.ok) {
      const there = (await response.json()) as { mine: boolean; events: WalkEvent[] };
      const here = new Set(known.map((k) => k.id as string));
      const news = there.mine ? there.events.filter((e) => !here.has(e.id)) : [];
      await keepEvents(news.map((event) => ({ id: event.id, walk, by, event, state: 'sent', reason: null })));
    }
  } catch {
    // no connection: what this device knows will do
  }
  return (await eventsOfWalk(walk)).map((e) => e.event);
}

/** Begins a walk on this device; the id is where it goes on. */
export async function beginWalk(
  bundle: Bundle,
  by: number,
  from: Extract<WalkEvent, { kind: 'started' }>['from'],
): Promise<WalkId> {
  const walk = crypto.randomUUID() as WalkId;
  const started: Happening = { kind: 'started', family: bundle.family, bundle: bundle.pinned?.hash ?? 'by hand', from };
  await keepHappenings({ walk, by, happenings: [started] });
  return walk;
}
