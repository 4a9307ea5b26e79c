import { Bundle, EventId, FamilyId, WalkEvent, WalkId } from '@wire-trail/core';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { z } from 'zod';

/** Which form of bundles this version reads: what was kept by another is read anew before it is used. */
export const bundleForm = import.meta.env.VITE_FORM ?? 'in development';

const KeptHead = z.object({
  family: FamilyId,
  hash: z.string(),
  keptAt: z.string(),
  /** By which form it was read when it was kept; earlier versions did not say. */
  form: z.string().optional(),
});
export type KeptBundle = Readonly<z.infer<typeof KeptHead> & { bundle: Bundle }>;

/** An event on its way. Of the event itself no more is read than sending needs: `readEvents` reads the rest. */
const KeptEvent = z.object({
  id: EventId,
  walk: WalkId,
  by: z.number(),
  event: z.looseObject({ id: EventId, kind: z.string(), seq: z.number(), at: z.string() }),
  state: z.enum(['waiting', 'sent', 'refused']),
  reason: z.string().nullable(),
  /** Where in the event the reason lies; earlier versions did not keep it. */
  place: z.array(z.union([z.string(), z.number()])).optional(),
});
export type KeptEvent = Readonly<z.infer<typeof KeptEvent>>;

interface Schema extends DBSchema {
  bundles: { key: string; value: unknown };
  events: { key: string; value: unknown; indexes: { walk: string; state: string } };
  named: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;

/** The device's own store: published bundles, and every event of its walks until and after it was sent. */
const database = (): Promise<IDBPDatabase<Schema>> => {
  const forget = () => {
    opened = null;
  };
  if (opened) return opened;
  opened = openDB<Schema>('wire-trail', 2, {
    // a store that was closed, or would not open, is opened anew when it is next asked
    terminated: forget,
    // a newer version in another tab is let through; this one opens it anew
    blocking: (_old, _new, event) => {
      (event.target as IDBDatabase).close();
      forget();
    },
    upgrade(db, from) {
      if (from < 1) {
        db.createObjectStore('bundles', { keyPath: 'family' });
        const events = db.createObjectStore('events', { keyPath: 'id' });
        events.createIndex('walk', 'walk');
        events.createIndex('state', 'state');
      }
      if (from < 2) db.createObjectStore('named');
    },
  });
  opened.catch(forget);
  return opened;
};

/** A bundle as it was kept; null for one that this version cannot read, which stays where it is. */
function readKept(row: unknown): KeptBundle | null {
  const head = KeptHead.safeParse(row);
  if (!head.success) return null;
  const { bundle } = row as { bundle?: unknown };
  // what this very form has read when it was kept is not read twice: there may be a thousand of them
  if (head.data.form === bundleForm) return { ...head.data, bundle: bundle as Bundle };
  const read = Bundle.safeParse(bundle);
  return read.success ? { ...head.data, bundle: read.data } : null;
}

export async function keptBundles(): Promise<KeptBundle[]> {
  return (await (await database()).getAll('bundles')).flatMap((row) => readKept(row) ?? []);
}

/** The hash of every bundle on this device that this very form has read. */
export async function keptHashes(): Promise<ReadonlyMap<string, string>> {
  const tx = (await database()).transaction('bundles');
  const hashes = new Map<string, string>();
  for await (const { value } of tx.store) {
    const head = KeptHead.safeParse(value);
    if (head.success && head.data.form === bundleForm) hashes.set(head.data.family, head.data.hash);
  }
  return hashes;
}

export async function keptBundle(family: string): Promise<KeptBundle | null> {
  return readKept(await (await database()).get('bundles', family));
}

export async function keepBundle(kept: Omit<KeptBundle, 'form'>): Promise<void> {
  await (await database()).put('bundles', { ...kept, form: bundleForm });
}

/** What is kept under a name; a schema judges it. */
export async function keptNamed(name: string): Promise<unknown> {
  return (await database()).get('named', name);
}

export async function keepNamed(name: string, value: unknown): Promise<void> {
  await (await database()).put('named', value, name);
}

/** Empties the store; resolved when that is on the disk of the device. */
export async function clearStore(): Promise<void> {
  const tx = (await database()).transaction(['bundles', 'events', 'named'], 'readwrite', { durability: 'strict' });
  await Promise.all([
    tx.objectStore('bundles').clear(),
    tx.objectStore('events').clear(),
    tx.objectStore('named').clear(),
    tx.done,
  ]);
}

const inOrder = (a: KeptEvent, b: KeptEvent): number => a.event.seq - b.event.seq;
const readRows = (rows: readonly unknown[]): KeptEvent[] => rows.map((row) => KeptEvent.parse(row));

/** The events themselves; null where one of them is of a form this version cannot read, so that nothing is left out unsaid. */
export function readEvents(kept: readonly KeptEvent[]): WalkEvent[] | null {
  const read = kept.map((k) => WalkEvent.safeParse(k.event));
  return read.every((r) => r.success) ? read.map((r) => r.data) : null;
}

export async function eventsOfWalk(walk: string): Promise<KeptEvent[]> {
  return readRows(await (await database()).getAllFromIndex('events', 'walk', walk)).sort(inOrder);
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
  const known = readRows(await tx.store.index('walk').getAll(walk)).sort(inOrder);
  const added = make(known);
  await Promise.all([...added.map((event) => tx.store.put(event)), tx.done]);
  return [...known, ...added];
}

/** Every event of this device, each walk's in their order. */
export async function allEvents(): Promise<KeptEvent[]> {
  return readRows(await (await database()).getAll('events')).sort(inOrder);
}

/** Writes events; resolved only when they are on the disk of the device. */
export async function keepEvents(events: readonly KeptEvent[]): Promise<void> {
  const tx = (await database()).transaction('events', 'readwrite', { durability: 'strict' });
  await Promise.all([...events.map((event) => tx.store.put(event)), tx.done]);
}

export async function removeEvents(ids: readonly string[]): Promise<void> {
  const tx = (await database()).transaction('events', 'readwrite', { durability: 'strict' });
  await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done]);
}

export async function waitingEvents(by: number): Promise<KeptEvent[]> {
  const waiting = readRows(await (await database()).getAllFromIndex('events', 'state', 'waiting'));
  return waiting
    .filter((e) => e.by === by)
    .sort((a, b) => (a.walk === b.walk ? inOrder(a, b) : a.walk < b.walk ? -1 : 1));
}
