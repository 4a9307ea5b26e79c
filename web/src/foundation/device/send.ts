import type { EventsTaken } from '@wire-trail/core';
import { ask } from '../client.ts';
import { type KeptEvent, keepEvents, waitingEvents } from './database.ts';

/** So many go at once, and so many characters: traces of a camera are large. */
const batch = 200;
const batchLength = 600_000;
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

/** The first of what waits that go together; one goes however large it is. */
function together(waiting: readonly KeptEvent[], most: number): readonly KeptEvent[] {
  let length = 0;
  const end = waiting.slice(0, most).findIndex((e, i) => {
    length += JSON.stringify(e.event).length;
    return i > 0 && length > batchLength;
  });
  return waiting.slice(0, end < 0 ? most : end);
}

/** Refusals that are about what was sent. Any other is about who sent it, when, or the line: it may go through later. */
const ofWhatWasSent: ReadonlySet<string> = new Set(['field-wrong', 'body-malformed', 'too-large', 'not-json']);

async function send(userId: number): Promise<Sent> {
  let sent = 0;
  let refused = 0;
  let most = batch;
  for (;;) {
    const waiting = together(await waitingEvents(userId), most);
    if (waiting.length === 0) return { sent, refused, ended: 'done' };
    const answered = await ask(
      'takeEvents',
      { body: { events: waiting.map((e) => e.event) } },
      { signal: AbortSignal.timeout(patienceMs) },
    );
    if (answered.kind === 'unchanged') return { sent, refused, ended: 'offline' };
    if (answered.kind === 'refused') {
      const { code } = answered.refused;
      if (code === 'not-signed-in' || code === 'session-ended') return { sent, refused, ended: 'signed-out' };
      if (!ofWhatWasSent.has(code)) return { sent, refused, ended: 'offline' };
      // one of them holds up all: they go by halves, until it is alone
      if (waiting.length > 1) {
        most = Math.ceil(waiting.length / 2);
        continue;
      }
    }
    const marked =
      answered.kind === 'answer'
        ? marks(waiting, answered.value)
        : waiting.map((e) => ({ ...e, state: 'refused' as const, reason: answered.refused.title }));
    await keepEvents(marked);
    most = Math.min(batch, most * 2);
    sent += marked.filter((e) => e.state === 'sent').length;
    refused += marked.filter((e) => e.state === 'refused').length;
    // nothing was settled: do not go round for ever
    if (marked.every((e) => e.state === 'waiting')) return { sent, refused, ended: 'offline' };
  }
}

function marks(waiting: readonly KeptEvent[], answer: EventsTaken): KeptEvent[] {
  const taken = new Set<string>([...answer.stored, ...answer.known]);
  const refused = new Map(answer.refused.map((r) => [r.id, r.fields[0]]));
  return waiting.map((event) => {
    if (taken.has(event.id)) return { ...event, state: 'sent', reason: null };
    if (!refused.has(event.id)) return event;
    const wrong = refused.get(event.id);
    // the place is told from what was sent: `events`, and which of them
    return { ...event, state: 'refused', reason: wrong?.reason ?? 'refused', place: [...(wrong?.path.slice(2) ?? [])] };
  });
}
