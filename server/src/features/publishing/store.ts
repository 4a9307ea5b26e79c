import type { ChangeSetState, Entry, RevisionState } from '@wire-trail/core';
import type { Db, Transaction } from '../../db/connect.ts';
import { bodyOf, type RevisionRow, revisionsById, toRevision } from '../entries/store.ts';

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

const toRow = (row: Record<string, unknown>): ChangeSetRow => ({
  id: Number(row.id),
  title: String(row.title),
  state: row.state as ChangeSetState,
  authorId: row.author_id === null ? null : Number(row.author_id),
  author: row.author as string | null,
  createdAt: row.created_at as Date,
  reviewer: row.reviewer as string | null,
  reviewedAt: row.reviewed_at as Date | null,
  ownReview: row.own_review === 1,
  note: String(row.note),
});

export async function addChangeSet(
  trx: Transaction,
  set: { title: string; authorId: number | null; at: Date; revisionIds: readonly number[] },
): Promise<number> {
  const [id] = await trx('publish_sets').insert({
    title: set.title,
    state: 'in-review',
    author_id: set.authorId,
    created_at: set.at,
  });
  if (set.revisionIds.length > 0)
    await trx.batchInsert(
      'publish_set_items',
      set.revisionIds.map((revision_id) => ({ set_id: id, revision_id })),
    );
  return Number(id);
}

export async function findChangeSet(db: Db | Transaction, id: number, lock = false): Promise<ChangeSetRow | null> {
  if (lock) await db('publish_sets').where({ id }).forUpdate().first('id');
  const row = await query(db).where('s.id', id).first();
  return row ? toRow(row) : null;
}

export async function listChangeSets(db: Db, state: ChangeSetState | undefined): Promise<ChangeSetRow[]> {
  const all = query(db).orderBy('s.id', 'desc').limit(200);
  return (await (state ? all.where('s.state', state) : all)).map(toRow);
}

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
  return rows.map((row) => ({
    revision: toRevision(row),
    published: row.publishedNumber === null ? null : Number(row.publishedNumber),
    base: bodyOf(row.baseBody),
  }));
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
  const library = trx('publish_locks').where({ family: '' });
  await (families.includes(null) ? library.forUpdate() : library.forShare()).first('family');
  // a row that is new is held from its insert on, so that two first publications wait for each other as well
  for (const family of own)
    await trx.raw('INSERT INTO publish_locks (family) VALUES (?) ON DUPLICATE KEY UPDATE family = family', [family]);
}

export type Overtaken = Readonly<{ revision: RevisionRow; published: RevisionRow }>;

/** Of these revisions, those whose entry has a newer one published. */
export async function overtakenOf(
  trx: Transaction,
  revisions: ReadonlyArray<Readonly<{ id: number }>>,
): Promise<Overtaken[]> {
  const rows = (await trx('revisions as r')
    .join('entries as e', 'e.id', 'r.entry_id')
    .join('revisions as p', function on() {
      this.on('p.entry_id', 'e.id').andOn('p.number', 'e.published_number');
    })
    .whereIn(
      'r.id',
      revisions.map((r) => r.id),
    )
    .where('p.number', '>', trx.ref('r.number'))
    .select('r.id as older', 'p.id as newer')) as Array<{ older: number; newer: number }>;
  const known = await revisionsById(
    trx,
    rows.flatMap((r) => [r.older, r.newer]),
  );
  return rows.flatMap(({ older, newer }) => {
    const [revision, published] = [known.get(older), known.get(newer)];
    return revision && published ? [{ revision, published }] : [];
  });
}
