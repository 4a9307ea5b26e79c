import { gunzipSync, gzipSync } from 'node:zlib';
import { Bundle, FamilyCard, FamilyId, plainCode } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { json, readRow, readRows } from '../../db/rows.ts';

/** Makes a bundle the one that technicians get. Kept packed, as it is sent; `numberBundles` gives it its place. */
export async function addBundle(
  trx: Transaction,
  bundle: Bundle,
  of: { card: FamilyCard; setId: number; at: Date },
): Promise<void> {
  const { family } = bundle;
  const { card, setId, at } = of;
  const { hash } = card;
  const body = gzipSync(Buffer.from(JSON.stringify(bundle)), { level: 9 });
  await trx('bundles')
    .insert({ family, hash, set_id: setId, published_at: at, body })
    .onConflict(['family', 'hash'])
    .merge();
  await trx('current_bundles')
    .insert({ family, hash, card: JSON.stringify(card) })
    .onConflict('family')
    .merge();
}

/** Gives the current bundles of some families their place in the order of publishing. */
export async function numberBundles(trx: Transaction, families: readonly FamilyId[], number: number): Promise<void> {
  await trx('current_bundles')
    .whereIn('family', [...families])
    .update({ number });
}

/** A place in the order of publishing: behind a number, or behind a family of those with that number. */
export type PlaceInOrder = Readonly<{ since: number; after: FamilyId | null }>;

const CardRow = z.object({ number: z.number(), card: json(FamilyCard) });

/** What the Shelf lists of families published after a place, in their order. One statement: it sees one moment. */
export async function cardsAfter(db: Db, { since, after }: PlaceInOrder, most: number) {
  const query = db('current_bundles').whereNotNull('card').orderBy(['number', 'family']).limit(most);
  if (after === null) query.where('number', '>', since);
  else query.whereRaw('number >= ? AND (number > ? OR family > ?)', [since, since, after]);
  return readRows(CardRow, await query.select('number', 'card'));
}

const Order = z.object({ library: z.uuid(), number: z.number() });

/** Which library this is (another one after it was brought back from a backup), and how often something was published in it. */
export async function orderOf(db: Db): Promise<z.infer<typeof Order>> {
  const row = readRow(Order, await db('library_order').where({ one: 1 }).first('library', 'number'));
  if (!row) throw new Error('the order of publishing is gone');
  return row;
}

export type PackedBundle = Readonly<{ hash: string; packed: Buffer }>;

const current = (db: Db | Transaction, family: FamilyId) =>
  db('current_bundles as c')
    .join('bundles as b', function on() {
      this.on('b.family', 'c.family').andOn('b.hash', 'c.hash');
    })
    .where('c.family', family);

/** The current bundle of a family, gzip as it is stored. */
export async function packedBundle(db: Db, family: FamilyId): Promise<PackedBundle | null> {
  const row = await current(db, family).first('c.hash', 'b.body as packed');
  return readRow(z.object({ hash: z.string(), packed: z.instanceof(Buffer) }), row);
}

/** A stored bundle, read by the schema. */
export const unpack = (packed: Buffer): Bundle => Bundle.parse(JSON.parse(gunzipSync(packed).toString('utf8')));

/** Published families. */
export async function publishedFamilies(db: Db | Transaction): Promise<FamilyId[]> {
  return z.array(FamilyId).parse(await db('current_bundles').pluck('family'));
}

/** Families somebody wrote in. */
export async function familiesWrittenBy(db: Db, author: number): Promise<FamilyId[]> {
  return z.array(FamilyId).parse(await db('family_authors').where({ user_id: author }).pluck('family'));
}

const Current = z.object({ hash: z.string(), card: z.null().or(json(FamilyCard)), packed: z.instanceof(Buffer) });

/** What is stored as a family's current bundle; `bundle` is null where it cannot be read. */
export async function currentOf(trx: Transaction, family: FamilyId) {
  const row = await current(trx, family).first('c.hash', 'c.card', 'b.body as packed');
  const read = readRow(Current, row);
  if (!read) return null;
  const { packed, ...rest } = read;
  try {
    return { ...rest, bundle: unpack(packed) };
  } catch {
    return { ...rest, bundle: null };
  }
}

/** Families that have a bundle, or should have one. */
export async function familiesToGive(db: Db): Promise<FamilyId[]> {
  const published = await db('entries').where({ kind: 'family' }).whereNotNull('published_number').pluck('family');
  return z.array(FamilyId).parse([...new Set([...published, ...(await publishedFamilies(db))])].sort());
}

/** The change set by which something of a family was published last. */
export async function lastSetOf(trx: Transaction, family: FamilyId): Promise<number | null> {
  const row = await trx('publish_set_items as i')
    .join('publish_sets as s', 's.id', 'i.set_id')
    .join('revisions as r', 'r.id', 'i.revision_id')
    .join('entries as e', 'e.id', 'r.entry_id')
    .where({ 'e.family': family, 's.state': 'published' })
    .orderBy('s.id', 'desc')
    .first('s.id');
  return readRow(z.object({ id: z.number() }), row)?.id ?? null;
}

/** Families whose line on the Shelf was never written: published before there was one. */
export async function withoutCard(db: Db): Promise<FamilyId[]> {
  return z.array(FamilyId).parse(await db('current_bundles').whereNull('card').pluck('family'));
}

/** Families that were never published. */
export async function unpublishedFamilies(db: Db): Promise<FamilyId[]> {
  return z
    .array(FamilyId)
    .parse(await db('entries').where({ kind: 'family' }).whereNull('published_number').pluck('family'));
}

/** Published codes spelled like this, over all families. */
export async function findCodes(db: Db, text: string) {
  const rows = await db('code_index')
    .where('plain', plainCode(text))
    .orderBy('family')
    .limit(50)
    .select('family', 'text', 'title');
  return readRows(z.object({ family: FamilyId, text: z.string(), title: z.string() }), rows);
}
