import {
  type Entry,
  type EntryKey,
  type EntryKind,
  type FamilyId,
  type RevisionState,
  titleOf,
} from '@wire-trail/core';
import type { Db, Transaction } from '../../db/connect.ts';

export type RevisionRow = Readonly<{
  id: number;
  entryId: number;
  number: number;
  state: RevisionState;
  body: Entry;
  note: string;
  basedOn: number | null;
  authorId: number | null;
  author: string | null;
  savedAt: Date;
}>;
export type EntryRow = Readonly<{
  id: number;
  family: FamilyId | null;
  kind: EntryKind;
  slug: string;
  title: string;
  latest: number;
  published: number | null;
}>;

const toEntryRow = (row: Record<string, unknown>): EntryRow => ({
  id: Number(row.id),
  family: row.family === '' ? null : (row.family as FamilyId),
  kind: row.kind as EntryKind,
  slug: String(row.slug),
  title: String(row.title),
  latest: Number(row.latest_number),
  published: row.published_number === null ? null : Number(row.published_number),
});

/** A body as it came from a JSON column, or as text; null where there was none. */
export const bodyOf = (value: unknown): Entry | null =>
  value === null ? null : ((typeof value === 'string' ? JSON.parse(value) : value) as Entry);

export const toRevision = (row: Record<string, unknown>): RevisionRow => ({
  id: Number(row.id),
  entryId: Number(row.entry_id),
  number: Number(row.number),
  state: row.state as RevisionState,
  body: bodyOf(row.body) as Entry,
  note: String(row.note),
  basedOn: row.based_on === null ? null : Number(row.based_on),
  authorId: row.author_id === null ? null : Number(row.author_id),
  author: (row.author as string | null) ?? null,
  savedAt: row.created_at as Date,
});

const revisions = (db: Db | Transaction) =>
  db('revisions').leftJoin('users', 'users.id', 'revisions.author_id').select('revisions.*', 'users.name as author');

/** Finds an entry; locked for the transaction where one is given with `lock`. */
export async function findEntry(db: Db | Transaction, key: EntryKey, lock = false): Promise<EntryRow | null> {
  const query = db('entries').where({ family: key.family ?? '', kind: key.kind, slug: key.id });
  const row = await (lock ? query.forUpdate() : query).first();
  return row ? toEntryRow(row) : null;
}

export async function listEntries(db: Db | Transaction, families: ReadonlyArray<FamilyId | null>): Promise<EntryRow[]> {
  const rows = await db('entries')
    .whereIn(
      'family',
      families.map((f) => f ?? ''),
    )
    .orderBy(['kind', 'slug']);
  return rows.map(toEntryRow);
}

export async function revisionsOf(db: Db | Transaction, entryId: number): Promise<RevisionRow[]> {
  return (await revisions(db).where('entry_id', entryId).orderBy('number', 'desc')).map(toRevision);
}

export type Review = Readonly<{ by: string | null; ownReview: boolean }>;

/** Who published which of an entry's revisions, and whether that was its own author; by revision number. */
export async function reviewsOf(db: Db | Transaction, entryId: number): Promise<ReadonlyMap<number, Review>> {
  const rows = await db('publish_set_items as i')
    .join('revisions as r', 'r.id', 'i.revision_id')
    .join('publish_sets as s', 's.id', 'i.set_id')
    .leftJoin('users as u', 'u.id', 's.reviewer_id')
    .where({ 'r.entry_id': entryId, 's.state': 'published' })
    .select('r.number', 's.own_review as ownReview', 'u.name as by');
  return new Map(rows.map((row) => [Number(row.number), { by: row.by ?? null, ownReview: row.ownReview === 1 }]));
}

export async function revisionOf(db: Db | Transaction, entryId: number, number: number): Promise<RevisionRow | null> {
  const row = await revisions(db).where({ entry_id: entryId, number }).first();
  return row ? toRevision(row) : null;
}

export async function revisionsById(
  db: Db | Transaction,
  ids: readonly number[],
): Promise<ReadonlyMap<number, RevisionRow>> {
  const rows = await revisions(db).whereIn('revisions.id', [...ids]);
  return new Map(rows.map((row) => [Number(row.id), toRevision(row)]));
}

/** One chosen revision of every entry of some families (null: library-wide): the newest, or the published one. */
export async function chosenRevisions(
  db: Db | Transaction,
  families: ReadonlyArray<FamilyId | null>,
  which: 'latest_number' | 'published_number',
): Promise<RevisionRow[]> {
  const rows = await revisions(db)
    .join('entries', function on() {
      this.on('entries.id', 'revisions.entry_id').andOn(`entries.${which}`, 'revisions.number');
    })
    .whereIn(
      'entries.family',
      families.map((f) => f ?? ''),
    )
    .orderBy(['entries.id']);
  return rows.map(toRevision);
}

/** Adds the next revision of an entry, and the entry itself where it is new. Index tables follow in the same transaction. */
export async function addRevision(
  trx: Transaction,
  input: { key: EntryKey; body: Entry; note: string; basedOn: number; authorId: number | null; at: Date },
): Promise<RevisionRow> {
  const { key, body, note, basedOn, authorId, at } = input;
  const found = await findEntry(trx, key, true);
  const number = (found?.latest ?? 0) + 1;
  let entryId = found?.id;
  if (entryId === undefined) {
    const [id] = await trx('entries').insert({
      family: key.family ?? '',
      kind: key.kind,
      slug: key.id,
      title: titleOf(body),
      latest_number: number,
      published_number: null,
    });
    entryId = Number(id);
  } else {
    await trx('entries')
      .where({ id: entryId })
      .update({ latest_number: number, title: titleOf(body) });
  }
  await trx('revisions').insert({
    entry_id: entryId,
    number,
    state: 'draft',
    body: JSON.stringify(body),
    note,
    based_on: basedOn === 0 ? null : basedOn,
    author_id: authorId,
    created_at: at,
  });
  const row = await revisionOf(trx, entryId, number);
  if (!row) throw new Error(`revision ${number} of entry ${entryId} vanished`);
  return row;
}

/** Published entries of a family, and of the library, that name this one. */
export async function usersOf(db: Db | Transaction, key: EntryKey): Promise<EntryRow[]> {
  const query = db('entries')
    .join('entry_links', 'entry_links.entry_id', 'entries.id')
    .where({ to_kind: key.kind, to_slug: key.id })
    .select('entries.*');
  const rows = await (key.family === null ? query : query.whereIn('entries.family', [key.family, '']));
  return rows.map(toEntryRow);
}
