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
  opened ??= openDB<Schema>('wire-trail', 1, {
    upgrade(db) {
      db.createObjectStore('bundles', { keyPath: 'family' });
      const events = db.createObjectStore('events', { keyPath: 'id' });
      events.createIndex('walk', 'walk');
      events.createIndex('state', 'state');
    },
  });
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

export async function eventsOfWalk(walk: string): Promise<KeptEvent[]> {
  const events = await (await database()).getAllFromIndex('events', 'walk', walk);
  return events.sort((a, b) => a.event.seq - b.event.seq);
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
    .sort((a, b) => (a.walk === b.walk ? a.event.seq - b.event.seq : a.walk < b.walk ? -1 : 1));
}
