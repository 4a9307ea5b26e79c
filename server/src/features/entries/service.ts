import {
  type ChartId,
  diff,
  type EntryKey,
  type FamilyId,
  familyOf,
  type Job,
  keyOf,
  type Problem,
  type Revision,
  type RevisionWithBody,
  readOneEntry,
  sameJson,
  titleOf,
  touchedBy,
  type User,
  type Working,
} from '@wire-trail/core';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { addChangeSet, markRevisions } from '../publishing/store.ts';
import { addRevisions, discardEntries } from './bulk-store.ts';
import {
  addRevision,
  chosenRevisions,
  findEntry,
  listEntries,
  type RevisionRow,
  reviewsOf,
  revisionOf,
  revisionsOf,
  usersOf,
} from './store.ts';

const viewOf = (row: RevisionRow): Revision => ({
  number: row.number,
  state: row.state,
  note: row.note,
  basedOn: row.basedOn,
  author: row.author,
  savedAt: row.savedAt.toISOString(),
});

/** What a trainer works on: the newest revision of every entry of a family, with what the library shares. */
export async function workingEntries(family: FamilyId, { db }: Services): Promise<Working[]> {
  const entries = await working([family, null], { db });
  if (!entries.some((e) => e.kind === 'family' && e.id === family)) throw new ProblemError('not-found');
  return entries;
}

async function working(scope: ReadonlyArray<FamilyId | null>, { db }: Pick<Services, 'db'>): Promise<Working[]> {
  const [entries, revisions] = await Promise.all([listEntries(db, scope), chosenRevisions(db, scope, 'latest_number')]);
  const byEntry = new Map(revisions.map((r) => [r.entryId, r]));
  return entries.flatMap((entry) => {
    const revision = byEntry.get(entry.id);
    if (!revision) return [];
    const { family, kind, slug: id, title, published } = entry;
    const { number, state, body } = revision;
    return [{ family, kind, id, title, number, state, published, body }];
  });
}

/** An entry with its history: newest revision, the published one, and what names it. */
export async function readEntry(key: EntryKey, { db }: Services) {
  const entry = await findEntry(db, key);
  if (!entry) throw new ProblemError('not-found');
  const [history, usedBy, reviews] = await Promise.all([
    revisionsOf(db, entry.id),
    usersOf(db, key),
    reviewsOf(db, entry.id),
  ]);
  const [latest] = history;
  if (!latest) throw new Error(`entry ${entry.id} has no revision`);
  const published = history.find((r) => r.number === entry.published) ?? null;
  return {
    key,
    latest: { ...viewOf(latest), body: latest.body },
    published: published && { ...viewOf(published), body: published.body },
    changes: diff(published?.body ?? {}, latest.body),
    history: history.map((row) => ({ ...viewOf(row), review: reviews.get(row.number) ?? null })),
    usedBy: usedBy.map(({ kind, slug, title }) => ({ kind, id: slug, title })),
  };
}

/** One older revision, for reading and for restoring, which appends. */
export async function readRevision(key: EntryKey, number: number, { db }: Services) {
  const entry = await findEntry(db, key);
  const row = entry && (await revisionOf(db, entry.id, number));
  if (!row) throw new ProblemError('not-found');
  return { ...viewOf(row), body: row.body };
}

/**
 * Saves a draft revision on top of the one it was based on. Where somebody saved in between: `stale-save` with their
 * version and the differences, and nothing is written.
 */
export async function saveDraft(
  input: { key: EntryKey; basedOn: number; body: unknown; note: string; user: User },
  { db, now }: Services,
): Promise<RevisionWithBody> {
  const { key, basedOn, note, user } = input;
  const read = readOneEntry(input.body);
  if (!read.ok)
    throw new ProblemError('field-wrong', { fields: read.error.map((p) => ({ ...p, path: ['body', ...p.path] })) });
  const body = read.value;
  if (!sameJson(keyOf(body), key))
    throw new ProblemError('field-wrong', {
      fields: [{ path: ['body', 'id'], reason: 'kind, id and family must be those of the address' }],
    });
  return transact(db, async (trx) => {
    const entry = await findEntry(trx, key, true);
    if ((entry?.latest ?? 0) !== basedOn) {
      const current = entry && (await revisionOf(trx, entry.id, entry.latest));
      if (!current) throw new ProblemError('not-found');
      throw new ProblemError('stale-save', {
        stale: {
          number: current.number,
          body: current.body,
          author: current.author,
          savedAt: current.savedAt.toISOString(),
          changes: diff(current.body, body),
        },
      });
    }
    const saved = await addRevision(trx, entry, { key, body, note, basedOn, authorId: user.id, at: now() });
    return { ...viewOf(saved), body: saved.body };
  });
}

/**
 * Saves many drafts at once as a job: all or nothing, with progress, and rolled back when it is cancelled. Every body is
 * validated before anything is written; with `submit` they go to a reviewer as one set.
 */
export function saveDrafts(
  input: { items: ReadonlyArray<{ basedOn: number; body: unknown }>; note: string; submit: string | null; user: User },
  { db, now, jobs }: Services,
): Job {
  const { items, note, submit, user } = input;
  const problems: Problem[] = [];
  const read = items.map(({ basedOn, body }, i) => {
    const one = readOneEntry(body);
    if (!one.ok) problems.push(...one.error.map((p) => ({ ...p, path: ['items', i, 'body', ...p.path] })));
    return one.ok ? { basedOn, body: one.value } : null;
  });
  if (problems.length > 0) throw new ProblemError('field-wrong', { fields: problems.slice(0, 200) });
  const sound = read.flatMap((r) => r ?? []);
  return jobs.start({ owner: user.id, total: sound.length }, (onProgress) =>
    transact(db, async (trx) => {
      const at = now();
      const added = await addRevisions(trx, sound, { note, authorId: user.id, at }, onProgress);
      const saved = added.map(({ key, number }) => ({ key, number }));
      if (submit === null) return { saved, setId: null };
      const ids = added.map((a) => a.id);
      const setId = await addChangeSet(trx, { title: submit, authorId: user.id, at, revisionIds: ids });
      await markRevisions(trx, ids, 'in-review');
      return { saved, setId };
    }),
  );
}

/** Takes back entries that were never published; all of them or none. */
export async function discardDrafts(keys: readonly EntryKey[], { db }: Services): Promise<{ discarded: number }> {
  return transact(db, async (trx) => ({ discarded: await discardEntries(trx, keys) }));
}

/** What a shared chart's change touches in every family, by the newest revisions. */
export async function chartUses(id: ChartId, { db }: Services) {
  const rows = await chosenRevisions(db, 'all', 'latest_number', ['code', 'symptom', 'chart', 'route']);
  const entries = rows.map((r) => r.body);
  return touchedBy(entries, id).map((t) => {
    const entry = entries.find((e) => e.kind === t.kind && e.id === t.id && familyOf(e) === t.family);
    return { ...t, title: entry ? titleOf(entry) : t.id };
  });
}

/** What the whole library shares: hazards, instruments, ways there, shared sources, pictures, generic meanings. */
export async function libraryEntries({ db }: Services): Promise<Working[]> {
  return working([null], { db });
}
