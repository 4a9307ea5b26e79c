import type { Bundle, FamilyId, WalkEvent, WalkId } from '@wire-trail/core';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

export type KeptBundle = Readonly<{ family: FamilyId; hash: string; bundle: Bundle; keptAt: string }>;
export type KeptEvent = Readonly<{
  id: string;
  walk: WalkId;
  by: number;
  event: WalkEvent;
  state: 'waiting' | 'sent' | 'refused';
  reason: string | null;
}>;

interface Schema extends DBSchema {
  bundles: { key: string; value: KeptBundle };
  events: { key: string; value: KeptEvent; indexes: { walk: string; state: string } };
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;

/** The device's own store: published bundles, and every event of its walks until and after it was sent. */
const database = (): Promise<IDBPDatabase<Schema>> => {
  const forget = () => {
    opened = null;
  };
  if (opened) return opened;
  opened = openDB<Schema>('wire-trail', 1, {
    // a store that was closed, or would not open, is opened anew when it is next asked
    terminated: forget,
    upgrade(db) {
      db.createObjectStore('bundles', { keyPath: 'family' });
      const events = db.createObjectStore('events', { keyPath: 'id' });
      events.createIndex('walk', 'walk');
      events.createIndex('state', 'state');
    },
  });
  opened.catch(forget);
  return opened;
};

export async function keptBundles(): Promise<KeptBundle[]> {
  return (await database()).getAll('bundles');
}

export async function keptBundle(family: string): Promise<KeptBundle | undefined> {
  return (await database()).get('bundles', family);
}

export async function keepBundle(kept: KeptBundle): Promise<void> {
  await (await database()).put('bundles', kept);
}

const inOrder = (a: KeptEvent, b: KeptEvent): number => a.event.seq - b.event.seq;

export async function eventsOfWalk(walk: string): Promise<KeptEvent[]> {
  return (await (await database()).getAllFromIndex('events', 'walk', walk)).sort(inOrder);
}

/**
 * Adds to a walk what `make` makes of what is kept of it, in one transaction: nobody, in no other tab either, adds in
 * between. Gives all of it; resolved only when that is on the disk of the device.
 */
export async function addToWalk(
  walk: string,
  make: (known: readonly KeptEvent[]) => readonly KeptEvent[],
): Promise<KeptEvent[]> {
  const tx = (await database()).transaction('events', 'readwrite', { durability: 'strict' });
  const known = (await tx.store.index('walk').getAll(walk)).sort(inOrder);
  const added = make(known);
  await Promise.all([...added.map((event) => tx.store.put(event)), tx.done]);
  return [...known, ...added];
}

export async function allEvents(): Promise<KeptEvent[]> {
  return (await database()).getAll('events');
}

/** Writes events; resolved only when they are on the disk of the device. */
export async function keepEvents(events: readonly KeptEvent[]): Promise<void> {
  const tx = (await database()).transaction('events', 'readwrite', { durability: 'strict' });
  await Promise.all([...events.map((event) => tx.store.put(event)), tx.done]);
}

export async function waitingEvents(by: number): Promise<KeptEvent[]> {
  const waiting = await (await database()).getAllFromIndex('events', 'state', 'waiting');
  return waiting
    .filter((e) => e.by === by)
    .sort((a, b) => (a.walk === b.walk ? inOrder(a, b) : a.walk < b.walk ? -1 : 1));
}
