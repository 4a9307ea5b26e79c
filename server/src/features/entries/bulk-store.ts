import {
  type Entry,
  type EntryKey,
  EntryKind,
  keyOf,
  keyText,
  linksOf,
  plainCode,
  RevisionState,
  titleOf,
} from '@wire-trail/core';
import { z } from 'zod';
import type { Transaction } from '../../db/connect.ts';
import { batches, readRows } from '../../db/rows.ts';
import { ProblemError } from '../../http/problem.ts';
import { keepAuthor } from './store.ts';

type Cell = string | number | Date | null;

/** One insert of many rows; gives what the database made of each, by the columns asked for, in no order it promises. */
async function insertMany<S extends z.ZodObject>(
  trx: Transaction,
  table: 'entries' | 'revisions',
  columns: readonly string[],
  rows: ReadonlyArray<readonly Cell[]>,
  returning: S,
): Promise<Array<z.output<S>>> {
  const row = `(${columns.map(() => '?').join()})`;
  const asked = Object.keys(returning.shape).join();
  const sql = `INSERT INTO ${table} (${columns.join()}) VALUES ${rows.map(() => row).join()} RETURNING ${asked}`;
  // the driver takes null, the binding's type does not
  const [made] = z.tuple([z.array(z.unknown()), z.unknown()]).parse(await trx.raw(sql, rows.flat() as string[]));
  return readRows(returning, made);
}

const NewRow = z.object({ id: z.number(), family: z.string(), kind: EntryKind, slug: z.string() });
const KnownRow = NewRow.extend({ latest_number: z.number() });
const MadeRow = z.object({ id: z.number(), entry_id: z.number() });
const FoundRow = NewRow.extend({ published_number: z.number().nullable() });
const StateRow = z.object({ id: z.number(), state: RevisionState });
const nameOf = (row: z.output<typeof NewRow>): string => `${row.family} ${row.kind}:${row.slug}`;

/** The number the database gave a row; that it gave one is a matter of course. */
function numberOf(ids: ReadonlyMap<string | number, number>, of: string | number): number {
  const id = ids.get(of);
  if (id === undefined) throw new Error(`no row was made of ${of}`);
  return id;
}

export type NewRevision = Readonly<{ body: Entry; basedOn: number }>;
export type AddedRevision = Readonly<{ id: number; entryId: number; key: EntryKey; number: number; body: Entry }>;
type Stamp = Readonly<{ note: string; authorId: number | null; at: Date }>;
type Known = { id: number; latest: number };

async function knownEntries(trx: Transaction, families: readonly string[]): Promise<Map<string, Known>> {
  const rows = await trx('entries')
    .whereIn('family', [...families])
    .forUpdate()
    .select('id', 'family', 'kind', 'slug', 'latest_number');
  return new Map(readRows(KnownRow, rows).map((r) => [nameOf(r), { id: r.id, latest: r.latest_number }]));
}

/**
 * Appends many revisions at once, all or nothing: a body whose entry moved on since `basedOn` refuses the whole, with
 * every such place. `onBatch` is told how many are written, and may throw to have everything rolled back.
 */
export async function addRevisions(
  trx: Transaction,
  items: readonly NewRevision[],
  stamp: Stamp,
  onBatch: (done: number) => Promise<void> = async () => {},
): Promise<AddedRevision[]> {
  const placed = items.map(({ body, basedOn }) => {
    const key = keyOf(body);
    return { body, basedOn, key, name: `${key.family ?? ''} ${keyText(key)}` };
  });
  const twice = new Set<string>();
  const known = await knownEntries(trx, [...new Set(placed.map((p) => p.key.family ?? ''))]);
  const wrong = placed.flatMap(({ name, basedOn }, i) => {
    const latest = known.get(name)?.latest ?? 0;
    const isTwice = twice.has(name);
    twice.add(name);
    if (isTwice) return [{ path: ['items', i], reason: 'stands here twice' }];
    return latest === basedOn
      ? []
      : [{ path: ['items', i], reason: `is revision ${latest} by now, this was based on ${basedOn}` }];
  });
  if (wrong.length > 0) throw new ProblemError('stale-save', { fields: wrong });

  await addEntries(trx, placed, known);
  const added: AddedRevision[] = [];
  /** The batch on its way: the next one is made ready meanwhile. */
  let onItsWay: Promise<void> = Promise.resolve();
  for (const batch of batches(placed)) {
    const rows = batch.map(({ key, body, basedOn, name }) => {
      const entry = known.get(name);
      if (!entry) throw new Error(`entry ${name} vanished`);
      return { entryId: entry.id, number: basedOn + 1, key, body, basedOn };
    });
    const cells = rows.map(({ entryId, number, body, basedOn }): Cell[] => [
      entryId,
      number,
      'draft',
      JSON.stringify(body),
      stamp.note,
      basedOn === 0 ? null : basedOn,
      stamp.authorId,
      stamp.at,
    ]);
    await onItsWay;
    onItsWay = insertMany(trx, 'revisions', revisionColumns, cells, MadeRow).then((made) => {
      const ids = new Map(made.map((m) => [m.entry_id, m.id]));
      for (const { entryId, key, number, body } of rows)
        added.push({ id: numberOf(ids, entryId), entryId, key, number, body });
    });
    // a failure is met at the next turn, or after the last
    onItsWay.catch(() => {});
    // lets it go out before the next is made ready
    await new Promise((resolve) => setImmediate(resolve));
    await onBatch(added.length);
  }
  await onItsWay;
  await keepAuthor(trx, stamp.authorId, [...new Set(placed.flatMap((p) => p.key.family ?? []))]);
  await onBatch(added.length);
  return added;
}

const revisionColumns = ['entry_id', 'number', 'state', 'body', 'note', 'based_on', 'author_id', 'created_at'] as const;
type Placed = Readonly<{ body: Entry; basedOn: number; key: EntryKey; name: string }>;

/** Adds the entries that are new to `known`, and moves on those that are there. */
async function addEntries(trx: Transaction, placed: readonly Placed[], known: Map<string, Known>): Promise<void> {
  for (const batch of batches(placed.filter((p) => !known.has(p.name)))) {
    const made = await insertMany(
      trx,
      'entries',
      ['family', 'kind', 'slug', 'title', 'latest_number'],
      batch.map(({ key, body }) => [key.family ?? '', key.kind, key.id, titleOf(body), 1]),
      NewRow,
    );
    const ids = new Map(made.map((m) => [nameOf(m), m.id]));
    for (const { name } of batch) known.set(name, { id: numberOf(ids, name), latest: 0 });
  }
  for (const old of batches(placed.filter((p) => p.basedOn > 0)))
    await trx.raw(
      `INSERT INTO entries (id, family, kind, slug, title, latest_number) VALUES ${old.map(() => '(?,?,?,?,?,?)').join()}
       ON DUPLICATE KEY UPDATE title = VALUES(title), latest_number = VALUES(latest_number)`,
      old.flatMap(({ key, body, basedOn, name }) => [
        known.get(name)?.id ?? 0,
        key.family ?? '',
        key.kind,
        key.id,
        titleOf(body),
        basedOn + 1,
      ]),
    );
}

/** Makes revisions the published ones of their entries, and rewrites what is searched and joined. */
export async function makePublished(
  trx: Transaction,
  revisions: ReadonlyArray<Readonly<{ id: number; entryId: number; body: Entry }>>,
): Promise<void> {
  for (const batch of batches(revisions)) {
    const ids = batch.map((r) => r.id);
    const entryIds = batch.map((r) => r.entryId);
    await trx('revisions').whereIn('entry_id', entryIds).where('state', 'published').update({ state: 'retired' });
    await trx('revisions').whereIn('id', ids).update({ state: 'published' });
    await trx.raw(
      'UPDATE entries JOIN revisions ON revisions.entry_id = entries.id SET entries.published_number = revisions.number WHERE revisions.id IN (?)',
      [ids],
    );
    await trx('code_index').whereIn('entry_id', entryIds).delete();
    const codes = batch.flatMap(({ entryId, body }) =>
      body.kind === 'code'
        ? [
            {
              entry_id: entryId,
              family: body.family,
              text: body.text,
              plain: plainCode(body.text).slice(0, 32),
              title: body.title,
            },
          ]
        : [],
    );
    if (codes.length > 0) await trx('code_index').insert(codes);
    await trx('entry_links').whereIn('entry_id', entryIds).delete();
    const links = batch.flatMap(({ entryId, body }) => {
      const to = new Map(linksOf(body).map((link) => [keyText(link.to), link.to]));
      return [...to.values()].map(({ kind, id }) => ({ entry_id: entryId, to_kind: kind, to_slug: id }));
    });
    for (const some of batches(links)) await trx('entry_links').insert(some);
  }
}

/**
 * Takes back entries that were never published, with all their drafts; refuses the whole where one was published, waits for a
 * reviewer, or is named by a set that was.
 */
export async function discardEntries(trx: Transaction, keys: readonly EntryKey[]): Promise<number> {
  const wanted = new Set(keys.map((key) => `${key.family ?? ''} ${keyText(key)}`));
  const rows = await trx('entries')
    .whereIn('family', [...new Set(keys.map((key) => key.family ?? ''))])
    .forUpdate()
    .select('id', 'family', 'kind', 'slug', 'published_number');
  const found = readRows(FoundRow, rows).filter((r) => wanted.has(nameOf(r)));
  if (found.length !== wanted.size) throw new ProblemError('not-found');
  const published = found.filter((r) => r.published_number !== null).map((r) => `${r.kind} ${r.slug}`);
  if (published.length > 0)
    throw new ProblemError('wrong-state', { detail: `published: ${published.slice(0, 5).join(', ')}` });
  for (const batch of batches(found.map((r) => r.id))) {
    const revisions = readRows(StateRow, await trx('revisions').whereIn('entry_id', batch).select('id', 'state'));
    if (revisions.some((r) => r.state !== 'draft'))
      throw new ProblemError('wrong-state', { detail: 'waits for a reviewer; take it back first' });
    const ids = revisions.map((r) => r.id);
    await trx('publish_set_items').whereIn('revision_id', ids).delete();
    await trx('revisions').whereIn('id', ids).delete();
    await trx('entries').whereIn('id', batch).delete();
  }
  return found.length;
}
