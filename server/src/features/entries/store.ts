import { type Entry, type EntryKey, EntryKind, type FamilyId, RevisionState, titleOf } from '@wire-trail/core';
import { z } from 'zod';
import type { Db, Transaction } from '../../db/connect.ts';
import { body, flag, readId, readRow, readRows, scope } from '../../db/rows.ts';

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

const EntryColumns = z
  .object({
    id: z.number(),
    family: scope,
    kind: EntryKind,
    slug: z.string(),
    title: z.string(),
    latest_number: z.number(),
    published_number: z.number().nullable(),
  })
  .transform(
    ({ latest_number: latest, published_number: published, ...row }): EntryRow => ({ ...row, latest, published }),
  );

export const revisionColumns = {
  id: z.number(),
  entry_id: z.number(),
  number: z.number(),
  state: RevisionState,
  body,
  note: z.string(),
  based_on: z.number().nullable(),
  author_id: z.number().nullable(),
  author: z.string().nullable(),
  created_at: z.date(),
};
const RevisionColumns = z.object(revisionColumns);

export const toRevision = (row: z.output<typeof RevisionColumns>): RevisionRow => ({
  id: row.id,
  entryId: row.entry_id,
  number: row.number,
  state: row.state,
  body: row.body,
  note: row.note,
  basedOn: row.based_on,
  authorId: row.author_id,
  author: row.author,
  savedAt: row.created_at,
});
const readRevisions = (rows: readonly unknown[]): RevisionRow[] => readRows(RevisionColumns, rows).map(toRevision);
const readRevision = (row: unknown): RevisionRow | null =>
  row === undefined ? null : (readRevisions([row])[0] ?? null);

const revisions = (db: Db | Transaction) =>
  db('revisions').leftJoin('users', 'users.id', 'revisions.author_id').select('revisions.*', 'users.name as author');

/** Finds an entry; locked for the transaction where one is given with `lock`. */
export async function findEntry(db: Db | Transaction, key: EntryKey, lock = false): Promise<EntryRow | null> {
  const query = db('entries').where({ family: key.family ?? '', kind: key.kind, slug: key.id });
  return readRow(EntryColumns, await (lock ? query.forUpdate() : query).first());
}

export async function listEntries(db: Db | Transaction, families: ReadonlyArray<FamilyId | null>): Promise<EntryRow[]> {
  const rows = await db('entries')
    .whereIn(
      'family',
      families.map((f) => f ?? ''),
    )
    .orderBy(['kind', 'slug']);
  return readRows(EntryColumns, rows);
}

export async function revisionsOf(db: Db | Transaction, entryId: number): Promise<RevisionRow[]> {
  return readRevisions(await revisions(db).where('entry_id', entryId).orderBy('number', 'desc'));
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
  const Row = z.object({ number: z.number(), ownReview: flag, by: z.string().nullable() });
  return new Map(readRows(Row, rows).map(({ number, ...review }) => [number, review]));
}

export async function revisionOf(db: Db | Transaction, entryId: number, number: number): Promise<RevisionRow | null> {
  return readRevision(await revisions(db).where({ entry_id: entryId, number }).first());
}

export async function revisionsById(
  db: Db | Transaction,
  ids: readonly number[],
): Promise<ReadonlyMap<number, RevisionRow>> {
  const rows = readRevisions(await revisions(db).whereIn('revisions.id', [...ids]));
  return new Map(rows.map((row) => [row.id, row]));
}

/**
 * One chosen revision of every entry of some families (null: library-wide), or of all: the newest, or the published one; of
 * some kinds only where they are named.
 */
export async function chosenRevisions(
  db: Db | Transaction,
  families: ReadonlyArray<FamilyId | null> | 'all',
  which: 'latest_number' | 'published_number',
  kinds: readonly EntryKind[] | 'all' = 'all',
): Promise<RevisionRow[]> {
  const query = revisions(db)
    .join('entries', function on() {
      this.on('entries.id', 'revisions.entry_id').andOn(`entries.${which}`, 'revisions.number');
    })
    .orderBy(['entries.id']);
  if (families !== 'all')
    query.whereIn(
      'entries.family',
      families.map((f) => f ?? ''),
    );
  if (kinds !== 'all') query.whereIn('entries.kind', [...kinds]);
  return readRevisions(await query);
}

/** Keeps that somebody wrote in these families. */
export async function keepAuthor(
  trx: Transaction,
  author: number | null,
  families: readonly FamilyId[],
): Promise<void> {
  if (author === null || families.length === 0) return;
  await trx('family_authors')
    .insert(families.map((family) => ({ user_id: author, family })))
    .onConflict(['user_id', 'family'])
    .ignore();
}

/**
 * Adds the next revision of an entry as it was found and locked, or the first of one that was not there: that fails where
 * another transaction was first with it. Index tables follow in the same transaction.
 */
export async function addRevision(
  trx: Transaction,
  found: EntryRow | null,
  input: { key: EntryKey; body: Entry; note: string; basedOn: number; authorId: number | null; at: Date },
): Promise<RevisionRow> {
  const { key, body, note, basedOn, authorId, at } = input;
  const number = (found?.latest ?? 0) + 1;
  let entryId = found?.id;
  if (entryId === undefined) {
    const made = await trx('entries').insert({
      family: key.family ?? '',
      kind: key.kind,
      slug: key.id,
      title: titleOf(body),
      latest_number: number,
      published_number: null,
    });
    entryId = readId(made);
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
  await keepAuthor(trx, authorId, key.family === null ? [] : [key.family]);
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
  return readRows(EntryColumns, rows);
}
