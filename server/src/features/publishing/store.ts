import { ChangeSetState, type Entry, type RevisionState } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { batches, body, flag, readId, readRow, readRows } from '../../db/rows.ts';
import { type RevisionRow, revisionColumns, revisionsById, toRevision } from '../entries/store.ts';

export type ChangeSetRow = Readonly<{
  id: number;
  title: string;
  state: ChangeSetState;
  authorId: number | null;
  author: string | null;
  createdAt: Date;
  reviewer: string | null;
  reviewedAt: Date | null;
  ownReview: boolean;
  note: string;
}>;

const query = (db: Db | Transaction) =>
  db('publish_sets as s')
    .leftJoin('users as a', 'a.id', 's.author_id')
    .leftJoin('users as r', 'r.id', 's.reviewer_id')
    .select('s.*', 'a.name as author', 'r.name as reviewer');

const ChangeSetColumns = z
  .object({
    id: z.number(),
    title: z.string(),
    state: ChangeSetState,
    author_id: z.number().nullable(),
    author: z.string().nullable(),
    created_at: z.date(),
    reviewer: z.string().nullable(),
    reviewed_at: z.date().nullable(),
    own_review: flag,
    note: z.string(),
  })
  .transform(
    ({
      author_id: authorId,
      created_at: createdAt,
      reviewed_at: reviewedAt,
      own_review: ownReview,
      ...row
    }): ChangeSetRow => ({
      ...row,
      authorId,
      createdAt,
      reviewedAt,
      ownReview,
    }),
  );

export async function addChangeSet(
  trx: Transaction,
  set: { title: string; authorId: number | null; at: Date; revisionIds: readonly number[] },
): Promise<number> {
  const made = await trx('publish_sets').insert({
    title: set.title,
    state: 'in-review',
    author_id: set.authorId,
    created_at: set.at,
  });
  const id = readId(made);
  for (const some of batches(set.revisionIds))
    await trx('publish_set_items').insert(some.map((revision_id) => ({ set_id: id, revision_id })));
  return id;
}

export async function findChangeSet(db: Db | Transaction, id: number, lock = false): Promise<ChangeSetRow | null> {
  if (lock) await db('publish_sets').where({ id }).forUpdate().first('id');
  return readRow(ChangeSetColumns, await query(db).where('s.id', id).first());
}

export async function listChangeSets(db: Db, state: ChangeSetState | undefined): Promise<ChangeSetRow[]> {
  const all = query(db).orderBy('s.id', 'desc').limit(200);
  return readRows(ChangeSetColumns, await (state ? all.where('s.state', state) : all));
}

const ItemColumns = z.object({
  ...revisionColumns,
  publishedNumber: z.number().nullable(),
  baseBody: z.null().or(body),
});
export type ChangeSetItem = Readonly<{ revision: RevisionRow; published: number | null; base: Entry | null }>;

/** A set's revisions, each with the number and body of its entry's published revision. */
export async function itemsOf(db: Db | Transaction, setId: number): Promise<ChangeSetItem[]> {
  const rows = await db('publish_set_items as i')
    .join('revisions as r', 'r.id', 'i.revision_id')
    .join('entries as e', 'e.id', 'r.entry_id')
    .leftJoin('users as u', 'u.id', 'r.author_id')
    .leftJoin('revisions as p', function on() {
      this.on('p.entry_id', 'e.id').andOn('p.number', 'e.published_number');
    })
    .where('i.set_id', setId)
    .orderBy('r.id')
    .select('r.*', 'u.name as author', 'e.published_number as publishedNumber', 'p.body as baseBody');
  return readRows(ItemColumns, rows).map(({ publishedNumber, baseBody, ...row }) => ({
    revision: toRevision(row),
    published: publishedNumber,
    base: baseBody,
  }));
}

/** Of every entry of a set, the revision that was published before the set's own; by entry. */
export async function publishedBefore(
  db: Db | Transaction,
  setId: number,
): Promise<ReadonlyMap<number, Readonly<{ number: number; body: Entry }>>> {
  const rows = await db('publish_set_items as i')
    .join('revisions as r', 'r.id', 'i.revision_id')
    .join('revisions as p', function on() {
      this.on('p.entry_id', 'r.entry_id').andOn('p.number', '<', 'r.number');
    })
    .join('publish_set_items as pi', 'pi.revision_id', 'p.id')
    .join('publish_sets as ps', 'ps.id', 'pi.set_id')
    .where({ 'i.set_id': setId, 'ps.state': 'published' })
    .orderBy('p.number')
    .select('p.entry_id as entryId', 'p.number', 'p.body');
  const read = readRows(z.object({ entryId: z.number(), number: z.number(), body: revisionColumns.body }), rows);
  // the last of each is the latest
  return new Map(read.map(({ entryId, ...revision }) => [entryId, revision]));
}

export async function markRevisions(trx: Transaction, ids: readonly number[], state: RevisionState): Promise<void> {
  await trx('revisions')
    .whereIn('id', [...ids])
    .update({ state });
}

export async function markChangeSet(trx: Transaction, id: number, change: Record<string, unknown>): Promise<void> {
  await trx('publish_sets').where({ id }).update(change);
}

/**
 * Waits until nobody else is publishing any of these families, and keeps others from it until the transaction ends. What
 * belongs to no family (null) reaches every bundle: it waits for all, and all wait for it.
 */
export async function lockPublishing(trx: Transaction, families: ReadonlyArray<string | null>): Promise<void> {
  const own = [...new Set(families.flatMap((f) => (f === null ? [] : [f])))].sort();
  if (families.includes(null)) await trx('publish_locks').where({ family: '' }).increment('version');
  else await trx('publish_locks').where({ family: '' }).forShare().first('family');
  // a row that is new is held from its insert on, so that two first publications wait for each other as well
  for (const family of own)
    await trx.raw('INSERT INTO publish_locks (family) VALUES (?) ON DUPLICATE KEY UPDATE version = version + 1', [
      family,
    ]);
}

/**
 * The next number in the order of publishing, for what this transaction publishes. Taken last: its row is held until the
 * commit, so that numbers are given in the order of commits.
 */
export async function nextInOrder(trx: Transaction): Promise<number> {
  await trx('library_order').where({ one: 1 }).increment('number');
  const row = readRow(z.object({ number: z.number() }), await trx('library_order').where({ one: 1 }).first('number'));
  if (!row) throw new Error('the order of publishing is gone');
  return row.number;
}

export type Overtaken = Readonly<{ revision: RevisionRow; published: RevisionRow }>;

/** Of these revisions, those whose entry has a newer one published. */
export async function overtakenOf(
  trx: Transaction,
  revisions: ReadonlyArray<Readonly<{ id: number }>>,
): Promise<Overtaken[]> {
  const found = await trx('revisions as r')
    .join('entries as e', 'e.id', 'r.entry_id')
    .join('revisions as p', function on() {
      this.on('p.entry_id', 'e.id').andOn('p.number', 'e.published_number');
    })
    .whereIn(
      'r.id',
      revisions.map((r) => r.id),
    )
    .where('p.number', '>', trx.ref('r.number'))
    .select('r.id as older', 'p.id as newer');
  const rows = readRows(z.object({ older: z.number(), newer: z.number() }), found);
  const known = await revisionsById(
    trx,
    rows.flatMap((r) => [r.older, r.newer]),
  );
  return rows.flatMap(({ older, newer }) => {
    const [revision, published] = [known.get(older), known.get(newer)];
    return revision && published ? [{ revision, published }] : [];
  });
}
