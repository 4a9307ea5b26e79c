import type { EventsTaken } from '@wire-trail/core';
import { ask } from '../client.ts';
import { type KeptEvent, keepEvents, waitingEvents } from './database.ts';

const batch = 200;
/** Longer than that and the answer is taken for lost: sending again does no harm. */
const patienceMs = 60_000;

export type Sent = Readonly<{ sent: number; refused: number; ended: 'done' | 'offline' | 'signed-out' }>;

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
    const answered = await ask(
      'takeEvents',
      { body: { events: waiting.map((e) => e.event) } },
      { signal: AbortSignal.timeout(patienceMs) },
    );
    if (answered.kind === 'unchanged') return { sent, refused, ended: 'offline' };
    if (answered.kind === 'refused') {
      const { code, status } = answered.refused;
      if (code === 'not-signed-in') return { sent, refused, ended: 'signed-out' };
      if (code === 'offline' || code === 'newer' || status >= 500 || status === 429)
        return { sent, refused, ended: 'offline' };
    }
    const marked =
      answered.kind === 'answer'
        ? marks(waiting, answered.value)
        : waiting.map((e) => ({ ...e, state: 'refused' as const, reason: answered.refused.title }));
    await keepEvents(marked);
    sent += marked.filter((e) => e.state === 'sent').length;
    refused += marked.filter((e) => e.state === 'refused').length;
    // nothing was settled: do not go round for ever
    if (marked.every((e) => e.state === 'waiting')) return { sent, refused, ended: 'offline' };
  }
}

function marks(waiting: readonly KeptEvent[], answer: EventsTaken): KeptEvent[] {
  const taken = new Set<string>([...answer.stored, ...answer.known]);
  const refused = new Map(answer.refused.map((r) => [r.id, r.fields[0]?.reason ?? 'refused']));
  return waiting.map((event) => {
    if (taken.has(event.id)) return { ...event, state: 'sent', reason: null };
    const reason = refused.get(event.id);
    return reason === undefined ? event : { ...event, state: 'refused', reason };
  });
}
