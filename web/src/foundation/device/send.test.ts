import 'fake-indexeddb/auto';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { allEvents, type KeptEvent, keepEvents } from './database.ts';
import { sendWaiting } from './send.ts';

let made = 0;
const user = () => 1000 + made;
const event = (by: number, seq = 0): KeptEvent => {
  const id = `e${made++}`;
  return {
    id,
    walk: `w${by}` as never,
    by,
    event: { id, seq, kind: 'noted', text: 'x' } as never,
    state: 'waiting',
    reason: null,
  };
};
type Sent = { events: Array<{ id: string }> };
/** A server that remembers what it stored; `answers` may spoil single answers. */
function server(answers: Array<'ok' | 'lost' | number> = []) {
  const stored = new Set<string>();
  let calls = 0;
  const fetch = vi.fn(async (_: string, init: { body: string }) => {
    const answer = answers[calls++] ?? 'ok';
    if (typeof answer === 'number') return new Response('{}', { status: answer });
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

  it.each([
    [500, 'offline', 'waiting'],
    [429, 'offline', 'waiting'],
    [401, 'signed-out', 'waiting'],
    [400, 'done', 'refused'],
  ] as const)('an answer of %s ends %s, and leaves the event %s', async (status, ended, state) => {
    const by = user();
    await keepEvents([event(by)]);
    server([status]);
    expect((await sendWaiting(by)).ended).toBe(ended);
    expect(await statesOf(by)).toEqual([state]);
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
            refused: [{ id: bad.id, fields: [{ reason: 'wrong unit' }] }],
          }),
          { status: 200 },
        ),
    );
    expect(await sendWaiting(by)).toEqual({ sent: 1, refused: 1, ended: 'done' });
    expect((await allEvents()).find((e) => e.id === bad.id)).toMatchObject({ state: 'refused', reason: 'wrong unit' });
  });
});
