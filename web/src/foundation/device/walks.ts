import { type Bundle, EventId, type WalkEvent, WalkId } from '@wire-trail/core';
import { ask } from '../client.ts';
import { stampOf } from './clock.ts';
import { addToWalk, allEvents, eventsOfWalk, type KeptEvent, keepEvents } from './database.ts';
import { announceKept } from './use-sync.ts';

type WithoutStamp<E> = E extends WalkEvent ? Omit<E, 'id' | 'walk' | 'seq' | 'at' | 'saidAt'> : never;
/** What happened, before the device stamps it. */
export type Happening = WithoutStamp<WalkEvent>;

/** Stamps happenings with ids, numbers and the time, and keeps them on the device: all of them, or none. */
export async function keepHappenings(input: {
  walk: WalkId;
  by: number;
  happenings: readonly Happening[];
}): Promise<KeptEvent[]> {
  const { walk, by } = input;
  const stamp = stampOf(Date.now());
  const all = await addToWalk(walk, (known) => {
    const first = (known.at(-1)?.event.seq ?? -1) + 1;
    return input.happenings.map((happening, i) => {
      const id = EventId.parse(crypto.randomUUID());
      return {
        id,
        walk,
        by,
        event: { ...happening, id, walk, seq: first + i, ...stamp },
        state: 'waiting',
        reason: null,
      };
    });
  });
  announceKept();
  return all;
}

/**
 * Brings what was done on a walk on another device to this one, where there is a connection; nothing of this device is
 * lost. Gives every event known here afterwards. Somebody else's walk is left where it is.
 */
export async function bringWalk(walk: WalkId, by: number): Promise<KeptEvent[]> {
  const known = await eventsOfWalk(walk);
  // a walk of which nothing was sent yet is nowhere else
  if (known.length > 0 && known.every((k) => k.state === 'waiting')) return known;
  const answered = await ask('walk', { params: { id: walk } });
  if (answered.kind === 'answer' && answered.value.mine) {
    const here = new Set(known.map((k) => k.id));
    const news = answered.value.events.filter((e) => !here.has(e.id));
    await keepEvents(news.map((event) => ({ id: event.id, walk, by, event, state: 'sent', reason: null })));
  }
  return eventsOfWalk(walk);
}

/** Families of the walks on this device. */
export async function workedWith(): Promise<ReadonlySet<string>> {
  const families = (await allEvents()).flatMap(({ event }) =>
    'family' in event && typeof event.family === 'string' ? [event.family] : [],
  );
  return new Set(families);
}

/** Begins a walk on this device; the id is where it goes on. */
export async function beginWalk(
  bundle: Bundle,
  by: number,
  from: Extract<WalkEvent, { kind: 'started' }>['from'],
): Promise<WalkId> {
  const walk = WalkId.parse(crypto.randomUUID());
  const started: Happening = { kind: 'started', family: bundle.family, bundle: bundle.pinned?.hash ?? 'by hand', from };
  await keepHappenings({ walk, by, happenings: [started] });
  return walk;
}
