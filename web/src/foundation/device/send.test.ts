import 'fake-indexeddb/auto';
import { EventId, type RefusalCode, refusals, WalkId } from '@wire-trail/core';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { allEvents, type KeptEvent, keepEvents } from './database.ts';
import { sendWaiting } from './send.ts';

let made = 0;
const user = () => 1000 + made;
const event = (by: number, seq = 0): KeptEvent => {
  const id = EventId.parse(`0b9a7e52-41b3-4c6e-9d55-${String(made++).padStart(12, '0')}`);
  const walk = WalkId.parse(`0b9a7e52-41b3-4c6e-9d56-${String(by).padStart(12, '0')}`);
  const at = '2031-01-01T08:00:00.000Z';
  return { id, walk, by, event: { id, walk, seq, at, kind: 'noted', text: 'x' }, state: 'waiting', reason: null };
};
type Sent = { events: Array<{ id: string }> };
const refusal = (code: RefusalCode): Response => {
  const [status, title] = refusals[code];
  return Response.json({ type: `/problems/${code}`, title, status, code }, { status });
};
/** A server that remembers what it stored; `answers` may spoil single answers. */
function server(answers: Array<'ok' | 'lost' | RefusalCode | Response> = []) {
  const stored = new Set<string>();
  let calls = 0;
  const fetch = vi.fn(async (_: string, init: { body: string }) => {
    const answer = answers[calls++] ?? 'ok';
    if (answer instanceof Response) return answer;
    if (answer !== 'ok' && answer !== 'lost') return refusal(answer);
    const ids = (JSON.parse(init.body) as Sent).events.map((e) => e.id);
    const known = ids.filter((id) => stored.has(id));
    for (const id of ids) stored.add(id);
    if (answer === 'lost') throw new TypeError('connection reset');
    return new Response(JSON.stringify({ stored: ids.filter((id) => !known.includes(id)), known, refused: [] }), {
      status: 200,
    });
  });
  vi.stubGlobal('fetch', fetch);
  return { stored, calls: () => calls };
}
const statesOf = async (by: number) => (await allEvents()).filter((e) => e.by === by).map((e) => e.state);
afterEach(() => vi.unstubAllGlobals());

describe('sendWaiting', () => {
  it('sends everything of one person, in batches, and marks it', async () => {
    const by = user();
    await keepEvents(Array.from({ length: 450 }, (_, i) => event(by, i)));
    await keepEvents([event(by + 5000)]);
    const { stored, calls } = server();
    expect(await sendWaiting(by)).toEqual({ sent: 450, refused: 0, ended: 'done' });
    expect([stored.size, calls()]).toEqual([450, 3]);
    expect(new Set(await statesOf(by))).toEqual(new Set(['sent']));
    expect(await statesOf(by + 5000)).toEqual(['waiting']);
  });

  it('keeps everything when an answer is lost, and sends it again without storing it twice', async () => {
    const by = user();
    await keepEvents([event(by), event(by, 1)]);
    const { stored } = server(['lost']);
    expect((await sendWaiting(by)).ended).toBe('offline');
    expect(await statesOf(by)).toEqual(['waiting', 'waiting']);
    expect(await sendWaiting(by)).toMatchObject({ sent: 2, ended: 'done' });
    expect(stored.size).toBe(2);
  });

  it.each<[string, RefusalCode | Response, string, string]>([
    ['something that broke', 'internal', 'offline', 'waiting'],
    ['too many tries', 'too-many-tries', 'offline', 'waiting'],
    ['nobody signed in', 'not-signed-in', 'signed-out', 'waiting'],
    ['a wrong field', 'field-wrong', 'done', 'refused'],
    ['too large', 'too-large', 'done', 'refused'],
    ['not allowed', 'not-allowed', 'offline', 'waiting'],
    ['no such place', 'not-found', 'offline', 'waiting'],
    ['a line that gave up', new Response('', { status: 408 }), 'offline', 'waiting'],
    ['headers too long for a line', new Response('', { status: 431 }), 'offline', 'waiting'],
    ['a gateway’s page', new Response('<p>no server</p>', { status: 502 }), 'offline', 'waiting'],
    ['a gateway’s word', Response.json({ error: 'none' }, { status: 503 }), 'offline', 'waiting'],
    ['a sign-in page in its stead', new Response('<p>pay first</p>'), 'offline', 'waiting'],
    ['a newer server', Response.json({ taken: [] }), 'offline', 'waiting'],
    ['a newer refusal', Response.json({ code: 'unheard-of' }, { status: 400 }), 'offline', 'waiting'],
  ])('%s: it ends as it should, and the event is kept', async (_, answer, ended, state) => {
    const by = user();
    await keepEvents([event(by)]);
    server([answer]);
    expect((await sendWaiting(by)).ended).toBe(ended);
    expect(await statesOf(by)).toEqual([state]);
  });

  it('one that the server refuses as a whole holds up no other', async () => {
    const by = user();
    const events = Array.from({ length: 37 }, (_, i) => event(by, i));
    await keepEvents(events);
    const bad = events[20]?.id;
    vi.stubGlobal('fetch', async (_: string, init: { body: string }) => {
      const ids = (JSON.parse(init.body) as Sent).events.map((e) => e.id);
      if (ids.some((id) => id === bad)) return refusal('field-wrong');
      return Response.json({ stored: ids, known: [], refused: [] });
    });
    expect(await sendWaiting(by)).toEqual({ sent: 36, refused: 1, ended: 'done' });
    expect((await allEvents()).find((e) => e.id === bad)?.state).toBe('refused');
  });

  it('what is large goes in pieces', async () => {
    const by = user();
    const large = (seq: number): KeptEvent => {
      const one = event(by, seq);
      return { ...one, event: { ...one.event, text: 'x'.repeat(250_000) } as never };
    };
    await keepEvents([large(0), large(1), large(2), large(3)]);
    const sizes: number[] = [];
    vi.stubGlobal('fetch', async (_: string, init: { body: string }) => {
      sizes.push(init.body.length);
      const ids = (JSON.parse(init.body) as Sent).events.map((e) => e.id);
      return Response.json({ stored: ids, known: [], refused: [] });
    });
    expect(await sendWaiting(by)).toMatchObject({ sent: 4, ended: 'done' });
    expect(Math.max(...sizes)).toBeLessThan(700_000);
  });

  it('puts a refused event aside with the reason, and the rest goes on', async () => {
    const by = user();
    const [bad, good] = [event(by), event(by, 1)];
    await keepEvents([bad, good]);
    vi.stubGlobal(
      'fetch',
      async () =>
        new Response(
          JSON.stringify({
            stored: [good.id],
            known: [],
            refused: [{ index: 0, id: bad.id, fields: [{ path: ['events', 0], reason: 'wrong unit' }] }],
          }),
          { status: 200 },
        ),
    );
    expect(await sendWaiting(by)).toEqual({ sent: 1, refused: 1, ended: 'done' });
    expect((await allEvents()).find((e) => e.id === bad.id)).toMatchObject({ state: 'refused', reason: 'wrong unit' });
  });
});
