import 'fake-indexeddb/auto';
import { afterEach, expect, it, vi } from 'vitest';
import { glasswasher } from '../../testing/trail.tsx';
import { freshBundle } from './bundles.ts';
import { keepBundle, keptBundle, keptBundles, readEvents } from './database.ts';

afterEach(() => vi.unstubAllGlobals());

const now = '2031-01-01T08:00:00.000Z';
const { family } = glasswasher;
const answer = (body: unknown, status = 200) =>
  vi.stubGlobal('fetch', async () => new Response(JSON.stringify(body), { status }));
const keep = () => keepBundle({ family, hash: 'h', bundle: glasswasher, keptAt: now });

it.each<[string, unknown, number]>([
  ['of a newer version', { ...glasswasher, version: 2 }, 200],
  ['with a field nobody knows', { ...glasswasher, valid: 'until noon' }, 200],
  ['with an entry of a kind nobody knows', { ...glasswasher, entries: [{ kind: 'hologram', id: 'x' }] }, 200],
  ['that is none', [], 200],
  ['that is refused', { title: 'no' }, 404],
])('a bundle %s leaves what is kept where it is', async (_, body, status) => {
  await keep();
  answer(body, status);
  expect(await freshBundle(family, now)).toEqual(glasswasher);
  expect((await keptBundle(family))?.hash).toBe('h');
});

it('a newer bundle that reads takes its place', async () => {
  await keep();
  const entries = glasswasher.entries.filter((e) => e.kind !== 'asset');
  const pinned = { hash: 'b'.repeat(64), publishedAt: now, revisions: {} };
  answer({ ...glasswasher, entries, pinned });
  expect((await freshBundle(family, now))?.pinned?.hash).toBe(pinned.hash);
  expect((await keptBundle(family))?.hash).toBe(pinned.hash);
});

it('what was kept by another form is read anew, and what cannot be read stays on the device', async () => {
  const { openDB } = await import('idb');
  const put = async (bundle: unknown, form?: string) => {
    await keep();
    const db = await openDB('wire-trail');
    await db.put('bundles', { family, hash: 'old', keptAt: now, bundle, ...(form && { form }) });
    db.close();
  };
  await put(glasswasher);
  expect(await keptBundle(family)).toMatchObject({ hash: 'old', bundle: glasswasher });
  await put({ ...glasswasher, version: 9 }, 'of the day after tomorrow');
  const others = (await keptBundles()).map((k) => k.family);
  expect([await keptBundle(family), others.includes(family)]).toEqual([null, false]);
  const db = await openDB('wire-trail');
  expect(await db.get('bundles', family)).toMatchObject({ hash: 'old' });
  db.close();
});

it('a walk with an event of a newer form is not read without it', () => {
  const stamp = (seq: number) => ({
    id: `0b9a7e52-41b3-4c6e-9d55-00000000000${seq}` as never,
    walk: '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11' as never,
    seq,
    at: now,
  });
  const kept = (event: object, seq: number) => ({
    ...stamp(seq),
    by: 1,
    state: 'waiting' as const,
    reason: null,
    event: { ...stamp(seq), kind: 'noted', text: 'x', ...event },
  });
  expect(readEvents([kept({}, 0), kept({ text: 'y' }, 1)])?.map((e) => e.seq)).toEqual([0, 1]);
  expect(readEvents([kept({}, 0), kept({ kind: 'beamed' }, 1)])).toBeNull();
});
