import { type KeptEvent, keepEvents, waitingEvents } from './database.ts';

const batch = 200;
/** Longer than that and the answer is taken for lost: sending again does no harm. */
const patienceMs = 60_000;

export type Sent = Readonly<{ sent: number; refused: number; ended: 'done' | 'offline' | 'signed-out' }>;
type Answer = Readonly<{
  stored: string[];
  known: string[];
  refused: Array<{ id: string | null; fields: Array<{ reason: string }> }>;
}>;

/**
 * Sends what waits on this device, oldest first, in batches. The server stores an event once however often it comes, so
 * an answer that was lost is made good by sending again. One tab sends at a time.
 */
export async function sendWaiting(userId: number): Promise<Sent> {
  return navigator.locks ? navigator.locks.request('wire-trail-send', () => send(userId)) : send(userId);
}

async function send(userId: number): Promise<Sent> {
  let sent = 0;
  let refused = 0;
  for (;;) {
    const waiting = (await waitingEvents(userId)).slice(0, batch);
    if (waiting.length === 0) return { sent, refused, ended: 'done' };
    const response = await post(waiting);
    if (response === null || response.status >= 500 || response.status === 429)
      return { sent, refused, ended: 'offline' };
    if (response.status === 401) return { sent, refused, ended: 'signed-out' };
    const answer = response.ok ? ((await response.json().catch(() => null)) as Answer | null) : undefined;
    // something between here and the server answered in its stead
    if (answer === null) return { sent, refused, ended: 'offline' };
    const marked = answer
      ? marks(waiting, answer)
      : waiting.map((e) => ({ ...e, state: 'refused' as const, reason: `answered ${response.status}` }));
    await keepEvents(marked);
    sent += marked.filter((e) => e.state === 'sent').length;
    refused += marked.filter((e) => e.state === 'refused').length;
    // nothing was settled: do not go round for ever
    if (marked.every((e) => e.state === 'waiting')) return { sent, refused, ended: 'offline' };
  }
}

async function post(events: readonly KeptEvent[]): Promise<Response | null> {
  try {
    return await fetch('/api/v1/events', {
      method: 'POST',
      signal: AbortSignal.timeout(patienceMs),
      credentials: 'same-origin',
      headers: { 'content-type': 'application/json', 'x-wire-trail': '1' },
      body: JSON.stringify({ events: events.map((e) => e.event) }),
    });
  } catch {
    return null;
  }
}

function marks(waiting: readonly KeptEvent[], answer: Answer): KeptEvent[] {
  const taken = new Set([...answer.stored, ...answer.known]);
  const refused = new Map(answer.refused.map((r) => [r.id, r.fields[0]?.reason ?? 'refused']));
  return waiting.map((event) => {
    if (taken.has(event.id)) return { ...event, state: 'sent', reason: null };
    const reason = refused.get(event.id);
    return reason === undefined ? event : { ...event, state: 'refused', reason };
  });
}
