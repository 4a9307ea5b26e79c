import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { afterEach, expect, it, vi } from 'vitest';

afterEach(() => vi.restoreAllMocks());

it('a store that would not open is opened anew when it is next asked', async () => {
  // one of its own, that was opened by no other test
  const own = './database.ts?own';
  const { allEvents, keepEvents } = (await import(/* @vite-ignore */ own)) as typeof import('./database.ts');
  // what a browser says whose store was written by something newer
  await (await openDB('newer', 2)).close();
  const open = indexedDB.open.bind(indexedDB);
  vi.spyOn(indexedDB, 'open').mockImplementation(() => open('newer', 1));
  await expect(allEvents()).rejects.toThrow('version');
  await expect(allEvents()).rejects.toThrow('version');
  vi.restoreAllMocks();
  const id = crypto.randomUUID();
  await keepEvents([
    { id, walk: id, by: 1, event: { id, kind: 'noted', seq: 0, at: '' }, state: 'waiting', reason: null } as never,
  ]);
  expect((await allEvents()).map((e) => e.id)).toContain(id);
});
