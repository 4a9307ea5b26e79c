import { gunzipSync, gzipSync } from 'node:zlib';
import { Bundle, EntryKind, FamilyId, groupBy, plainCode } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { count, readRow, readRows, scope } from '../../db/rows.ts';

/** Makes a bundle the one that technicians get. Kept packed, as it is sent. */
export async function addBundle(
  trx: Transaction,
  bundle: Bundle,
  of: { hash: string; setId: number; at: Date; toFix: number },
) {
  const { family } = bundle;
  const { hash, setId, at, toFix } = of;
  const body = gzipSync(Buffer.from(JSON.stringify(bundle)), { level: 9 });
  await trx('bundles')
    .insert({ family, hash, set_id: setId, published_at: at, body, to_fix: toFix })
    .onConflict(['family', 'hash'])
    .ignore();
  await trx('current_bundles').insert({ family, hash }).onConflict('family').merge();
}

export type PackedBundle = Readonly<{ hash: string; packed: Buffer }>;

/** The current bundle of a family, gzip as it is stored. */
export async function packedBundle(db: Db, family: FamilyId): Promise<PackedBundle | null> {
  const row = await db('current_bundles')
    .join('bundles', function on() {
      this.on('bundles.family', 'current_bundles.family').andOn('bundles.hash', 'current_bundles.hash');
    })
    .where('current_bundles.family', family)
    .first('bundles.hash', 'bundles.body as packed');
  return readRow(z.object({ hash: z.string(), packed: z.instanceof(Buffer) }), row);
}

/** A stored bundle, read by the schema. */
export const unpack = (packed: Buffer): Bundle => Bundle.parse(JSON.parse(gunzipSync(packed).toString('utf8')));

const Published = z.object({ family: FamilyId, hash: z.string(), to_fix: z.number().nullable() });

/** Published families, with the hash of what each one gives, and how much was found to fix in it. */
export async function publishedFamilies(
  db: Db | Transaction,
): Promise<Array<{ family: FamilyId; hash: string; toFix: number | null }>> {
  const rows = await db('current_bundles')
    .join('bundles', function on() {
      this.on('bundles.family', 'current_bundles.family').andOn('bundles.hash', 'current_bundles.hash');
    })
    .select('bundles.family', 'bundles.hash', 'bundles.to_fix');
  return readRows(Published, rows).map(({ family, hash, to_fix: toFix }) => ({ family, hash, toFix }));
}

/** Families somebody wrote a revision in. */
export async function familiesWrittenBy(db: Db, author: number): Promise<FamilyId[]> {
  return z
    .array(FamilyId)
    .parse(
      await db('revisions')
        .join('entries', 'entries.id', 'revisions.entry_id')
        .where('revisions.author_id', author)
        .whereNot('entries.family', '')
        .distinct()
        .pluck('entries.family'),
    );
}

/** How many published entries of each kind every family has. */
export async function publishedCounts(db: Db): Promise<ReadonlyMap<FamilyId | null, ReadonlyMap<EntryKind, number>>> {
  const rows = await db('entries')
    .whereNotNull('published_number')
    .groupBy('family', 'kind')
    .select('family', 'kind')
    .count('* as count');
  const read = readRows(z.object({ family: scope, kind: EntryKind, count }), rows);
  const byFamily = groupBy(read, (r) => r.family);
  return new Map([...byFamily].map(([family, of]) => [family, new Map(of.map((r) => [r.kind, r.count]))]));
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
