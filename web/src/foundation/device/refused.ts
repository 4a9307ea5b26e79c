import { EventId, WalkId } from '@wire-trail/core';
import { addToWalk, eventsOfWalk, type KeptEvent, keepEvents, removeEvents } from './database.ts';
import { announceKept } from './use-sync.ts';

/** What can be done about an event the server would not take. */
export type Remedy =
  /** A text of it is wrong: it can be written anew. */
  | Readonly<{ kind: 'text'; text: string }>
  /** The walk is somebody else's: what was done can go on as a walk of one's own. */
  | Readonly<{ kind: 'own-walk' }>
  /** It can be sent once more, as it is. */
  | Readonly<{ kind: 'again' }>;

const valueAt = (event: unknown, place: ReadonlyArray<string | number>): unknown =>
  place.reduce<unknown>(
    (value, key) => (typeof value === 'object' && value !== null ? (value as Record<string, unknown>)[key] : undefined),
    event,
  );

export function remedyOf({ event, place }: KeptEvent): Remedy {
  if (place?.[0] === 'walk') return { kind: 'own-walk' };
  const value = place && place.length > 0 && place[0] !== 'id' ? valueAt(event, place) : undefined;
  return typeof value === 'string' ? { kind: 'text', text: value } : { kind: 'again' };
}

function withText<T>(value: T, [key, ...rest]: ReadonlyArray<string | number>, text: string): T {
  if (key === undefined) return text as T;
  const of = value as Record<string | number, unknown>;
  const inner = withText(of[key], rest, text);
  return (Array.isArray(value) ? value.map((v, i) => (i === key ? inner : v)) : { ...of, [key]: inner }) as T;
}

/** Sends events once more; a text that was written anew takes its place, and an id that stands for something else is another. */
export async function sendAgain(events: readonly KeptEvent[], texts: ReadonlyMap<string, string>): Promise<void> {
  const again = events.map((kept): KeptEvent => {
    const text = texts.get(kept.id);
    const event = text === undefined ? kept.event : withText(kept.event, kept.place ?? [], text);
    const id = kept.place?.[0] === 'id' ? EventId.parse(crypto.randomUUID()) : kept.id;
    return { ...kept, id, event: { ...event, id }, state: 'waiting', reason: null, place: [] };
  });
  await keepEvents(again);
  const ids = new Set<string>(again.map((e) => e.id));
  await removeEvents(events.map((e) => e.id).filter((id) => !ids.has(id)));
  announceKept();
}

/**
 * Makes a walk of one's own of what the server would not take into somebody else's: it begins as that one did, and holds what
 * was done here. Nothing goes before all of it is kept.
 */
export async function moveToOwnWalk(refused: readonly KeptEvent[]): Promise<WalkId | null> {
  const [first] = refused;
  if (!first) return null;
  const beginning = (await eventsOfWalk(first.walk)).find((e) => e.event.kind === 'started');
  const walk = WalkId.parse(crypto.randomUUID());
  const moved = [...(beginning && !refused.includes(beginning) ? [beginning] : []), ...refused];
  await addToWalk(walk, () =>
    moved.map(({ event }, seq): KeptEvent => {
      const id = EventId.parse(crypto.randomUUID());
      return { id, walk, by: first.by, event: { ...event, id, walk, seq }, state: 'waiting', reason: null };
    }),
  );
  await removeEvents(refused.map((e) => e.id));
  announceKept();
  return walk;
}
