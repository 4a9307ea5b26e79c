import { createHash, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { type Bundle, type Code, Entry, seeded } from '@wire-trail/core';
import {
  addBundle,
  addChangeSet,
  addRevisions,
  cardOf,
  type connect,
  makePublished,
  markChangeSet,
  nextInOrder,
  numberBundles,
} from '@wire-trail/server';

type Db = ReturnType<typeof connect>;

const template = (): Bundle =>
  JSON.parse(readFileSync(new URL('../demo/brindlewick-g4.json', import.meta.url), 'utf8')) as Bundle;
const things = ['inlet valve', 'heater relay', 'drain pump', 'door switch', 'fan', 'level sensor', 'board', 'harness'];
const states = ['stays open', 'is slow', 'is stuck', 'reads low', 'reads high', 'drops out', 'never comes'];

/** One made-up family with so many codes, after the demo's first: its front, its modes and its codes. */
function madeFamily(number: number, codes: number, draw: () => number, from: Bundle): Bundle {
  const id = `made-${String(number).padStart(4, '0')}`;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(draw() * list.length)] as T;
  const own = from.entries.filter((e) => e.kind === 'family' || e.kind === 'panel' || e.kind === 'code');
  const renamed = JSON.parse(JSON.stringify(own).replaceAll(from.family, id)) as Entry[];
  const example = renamed.find((e): e is Code => e.kind === 'code');
  const entries: unknown[] = renamed.flatMap((e) =>
    e.kind === 'code' ? [] : [e.kind === 'family' ? { ...e, name: `Made ${number}` } : e],
  );
  const said = () => `${pick(things)} ${pick(states)}`;
  for (let i = 0; i < codes; i += 1)
    entries.push({ ...example, id: `c${i}`, text: `C${i}`, title: said(), saw: said(), does: said() });
  const read = entries.map((e) => Entry.parse(e));
  const hash = createHash('sha256').update(JSON.stringify(read)).digest('hex');
  return {
    ...from,
    family: id as Bundle['family'],
    pinned: { hash, publishedAt: '2030-01-01T00:00:00.000Z', revisions: {} },
    entries: read,
  };
}

/** Publishes made-up families into a library: from one number up to another. */
export async function growFamilies(
  db: Db,
  { from, to, codes, seed = 1 }: Readonly<{ from: number; to: number; codes: number; seed?: number }>,
): Promise<void> {
  const base = template();
  const draw = seeded(seed + from);
  const at = new Date('2030-01-01T00:00:00Z');
  for (let first = from; first < to; first += 20) {
    const bundles = Array.from({ length: Math.min(20, to - first) }, (_, i) =>
      madeFamily(first + i, codes, draw, base),
    );
    await db.transaction(async (trx) => {
      const items = bundles.flatMap((b) => b.entries.map((body) => ({ body, basedOn: 0 })));
      const added = await addRevisions(trx, items, { note: 'made', authorId: null, at });
      const revisionIds = added.map((a) => a.id);
      const setId = await addChangeSet(trx, { title: 'made', authorId: null, at, revisionIds });
      await makePublished(trx, added);
      await markChangeSet(trx, setId, { state: 'published', reviewed_at: at });
      for (const bundle of bundles) await addBundle(trx, bundle, { card: cardOf(bundle, []), setId, at });
      await numberBundles(
        trx,
        bundles.map((b) => b.family),
        await nextInOrder(trx),
      );
    });
  }
}

/** Walks of one technician on one family, twenty events each, three of them tries of a route. */
export async function growWalks(
  db: Db,
  { family, userId, walks, seed = 1 }: Readonly<{ family: string; userId: number; walks: number; seed?: number }>,
): Promise<void> {
  const draw = seeded(seed);
  const start = Date.parse('2028-01-01T00:00:00Z');
  for (let first = 0; first < walks; first += 200) {
    const ids = Array.from({ length: Math.min(200, walks - first) }, () => randomUUID());
    const at = (i: number) => new Date(start + (first + i) * 3_600_000);
    await db('walks').insert(
      ids.map((id, i) => ({
        id,
        family,
        user_id: userId,
        state: 'closed',
        station: 'prove',
        started_at: at(i),
        last_at: at(i),
      })),
    );
    const events = ids.flatMap((walk, i) =>
      Array.from({ length: 20 }, (_, seq) => {
        const id = randomUUID();
        const kind = seq === 0 ? 'started' : seq < 4 ? 'tried' : 'noted';
        const more = kind === 'tried' ? { route: `way-${seq}`, took: draw() < 0.8 } : { text: 'as it was' };
        const body = JSON.stringify({ id, walk, seq, at: at(i).toISOString(), kind, ...more });
        return { id, walk_id: walk, seq, body, user_id: userId, received_at: at(i) };
      }),
    );
    await db('walk_events').insert(events);
    await db('walk_tries').insert(
      ids.flatMap((walk_id) =>
        [1, 2, 3].map((n) => ({ walk_id, family, route: `way-${n}`, tries: 1, took: draw() < 0.8 ? 1 : 0 })),
      ),
    );
  }
}
