import {
  type Answer,
  type Asked,
  type Bundle,
  blocksPublishing,
  bundleFormat,
  bundleVersion,
  canonicalJson,
  diff,
  type EntryKey,
  entryAt,
  type FamilyId,
  type Finding,
  factsOfFinding,
  findingWords,
  keyOf,
  keyText,
  lint,
  lintAll,
  mayBeAccepted,
  mendsOf,
  type Problem,
  roleAtLeast,
  sameJson,
  stationOf,
  tryMend,
  type User,
  type Working,
} from '@wire-trail/core';
import type { Transaction } from '../../db/connect.ts';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { assembleBundle, storeBundle } from '../bundles/service.ts';
import { numberBundles, publishedFamilies } from '../bundles/store.ts';
import { makePublished } from '../entries/bulk-store.ts';
import { workingEntries } from '../entries/service.ts';
import { findEntry, type RevisionRow, revisionOf } from '../entries/store.ts';
import { readSettings } from '../settings/service.ts';
import {
  addChangeSet,
  type ChangeSetRow,
  findChangeSet,
  itemsOf,
  listChangeSets,
  lockPublishing,
  markChangeSet,
  markRevisions,
  nextInOrder,
  overtakenOf,
  publishedBefore,
} from './store.ts';

/** Hands drafts that belong together to a reviewer. Each must be the newest revision of its entry, and a draft. */
export async function submit(
  input: { title: string; items: ReadonlyArray<EntryKey & { number: number }>; user: User },
  { db, now }: Services,
): Promise<{ id: number }> {
  return transact(db, async (trx) => {
    const ids: number[] = [];
    const names = input.items.map((item) => `${item.family ?? ''} ${keyText(item)}`);
    const twice = names.findIndex((name, i) => names.indexOf(name) !== i);
    if (twice !== -1)
      throw new ProblemError('field-wrong', { fields: [{ path: ['items', twice], reason: 'stands here twice' }] });
    for (const [i, { number, ...key }] of input.items.entries()) {
      const entry = await findEntry(trx, key, true);
      const revision = entry && (await revisionOf(trx, entry.id, number));
      if (!entry || !revision)
        throw new ProblemError('not-found', { detail: `${key.kind} ${key.id}, revision ${number}` });
      if (revision.state !== 'draft' || entry.latest !== number)
        throw new ProblemError('wrong-state', {
          detail: `${revision.body.kind} ${key.id}: only the newest draft can be submitted`,
          fields: [{ path: ['items', i], reason: `is ${revision.state}` }],
        });
      ids.push(revision.id);
    }
    const id = await addChangeSet(trx, { title: input.title, authorId: input.user.id, at: now(), revisionIds: ids });
    await markRevisions(trx, ids, 'in-review');
    return { id };
  });
}

const changeSetView = (row: ChangeSetRow) => ({
  id: row.id,
  title: row.title,
  state: row.state,
  author: row.author,
  authorId: row.authorId,
  submittedAt: row.createdAt.toISOString(),
  reviewer: row.reviewer,
  reviewedAt: row.reviewedAt?.toISOString() ?? null,
  ownReview: row.ownReview,
  note: row.note,
});

export async function sets(state: ChangeSetRow['state'] | undefined, { db }: Services) {
  return (await listChangeSets(db, state)).map(changeSetView);
}

/** A set with what each of its revisions changes against the published one, and the loose ends it would bring. */
export async function readChangeSet(id: number, services: Services) {
  const { db } = services;
  const row = await findChangeSet(db, id);
  if (!row) throw new ProblemError('not-found');
  const items = await itemsOf(db, id);
  // what is published is compared with what was before it: against itself nothing would ever differ
  const earlier = row.state === 'published' ? await publishedBefore(db, id) : null;
  const views = items.map(({ revision, published, base }) => {
    const was = earlier?.get(revision.entryId) ?? null;
    const before = earlier ? was : published === null || !base ? null : { number: published, body: base };
    return {
      key: keyOf(revision.body),
      number: revision.number,
      published,
      before: before?.number ?? null,
      body: revision.body,
      changes: diff(before?.body ?? {}, revision.body),
    };
  });
  return { ...changeSetView(row), items: views };
}

function blocked(findings: readonly Finding[]): Problem[] {
  return findings.filter(blocksPublishing).map((f) => ({ path: f.at, reason: findingWords(f) }));
}

type Published = Pick<RevisionRow, 'id' | 'entryId' | 'body'>;

/** Families whose bundle a set of revisions changes: their own, and every published one where the library changed. */
async function touchedFamilies(trx: Transaction, revisions: readonly Published[]): Promise<FamilyId[]> {
  const keys = revisions.map((r) => keyOf(r.body));
  const own = keys.flatMap((k) => (k.family ? [k.family] : []));
  const all = keys.some((k) => k.family === null) ? await publishedFamilies(trx) : [];
  return [...new Set([...own, ...all])].sort();
}

/** Refuses revisions of which a newer one is published: the older would take it back without anybody seeing it. */
async function refuseOvertaken(trx: Transaction, revisions: readonly Published[]): Promise<void> {
  const overtaken = await overtakenOf(trx, revisions);
  if (overtaken.length === 0) return;
  throw new ProblemError('overtaken', {
    fields: overtaken.map(({ revision, published }) => ({
      path: [keyText(keyOf(revision.body))],
      reason: `this is revision ${revision.number}; revision ${published.number} by ${published.author ?? 'import'} is published`,
    })),
    overtaken: overtaken.map(({ revision, published }) => ({
      key: keyOf(revision.body),
      number: revision.number,
      published: {
        number: published.number,
        body: published.body,
        author: published.author,
        savedAt: published.savedAt.toISOString(),
        changes: diff(published.body, revision.body),
      },
    })),
  });
}

/**
 * Publishes revisions within a transaction: all or nothing. Whoever publishes what touches the same bundles waits, so that
 * each bundle holds both. Loose ends of severity error block, with their places.
 */
export async function publishRevisions(
  trx: Transaction,
  input: { setId: number; revisions: readonly Published[]; at: Date },
): Promise<FamilyId[]> {
  await lockPublishing(
    trx,
    input.revisions.map((r) => keyOf(r.body).family),
  );
  await refuseOvertaken(trx, input.revisions);
  await makePublished(trx, input.revisions);
  const families = await touchedFamilies(trx, input.revisions);
  for (const family of families) {
    const bundle = await assembleBundle(trx, family, input.at);
    if (!bundle)
      throw new ProblemError('publish-blocked', { detail: `the family ${family} itself has not been published` });
    const findings = lint(bundle);
    const problems = blocked(findings);
    if (problems.length > 0)
      throw new ProblemError('publish-blocked', {
        fields: problems.map((p) => ({ ...p, path: placeOf(bundle, p.path) })),
      });
    await storeBundle(trx, { bundle, findings, setId: input.setId, at: input.at });
  }
  await numberBundles(trx, families, await nextInOrder(trx));
  return families;
}

/** An entry's key in place of its index in a bundle that the reader never sees. */
function placeOf(bundle: Bundle, path: Problem['path']): Problem['path'] {
  const entry = path[0] === 'entries' && typeof path[1] === 'number' ? bundle.entries[path[1]] : undefined;
  return entry ? [keyText(entry), ...path.slice(2)] : path;
}

/** A reviewer publishes a set. The author may not, unless the school's settings allow it; then the history says so. */
export async function publishChangeSet(id: number, input: { user: User; note: string }, { db, now }: Services) {
  return transact(db, async (trx) => {
    const row = await findChangeSet(trx, id, true);
    if (!row) throw new ProblemError('not-found');
    if (row.state !== 'in-review') throw new ProblemError('wrong-state', { detail: `it is ${row.state}` });
    const revisions = (await itemsOf(trx, id)).map((item) => item.revision);
    const own = row.authorId === input.user.id || revisions.some((r) => r.authorId === input.user.id);
    if (own && !(await readSettings(trx)).ownReview) throw new ProblemError('own-review');
    const at = now();
    const families = await publishRevisions(trx, { setId: id, revisions, at });
    await markChangeSet(trx, id, {
      state: 'published',
      reviewer_id: input.user.id,
      reviewed_at: at,
      own_review: own,
      note: input.note,
    });
    return { families, ownReview: own };
  });
}

/** Gives a set back to its author with a word why; its revisions are drafts again. */
export async function returnChangeSet(
  id: number,
  input: { user: User; note: string },
  { db, now }: Services,
): Promise<void> {
  await transact(db, async (trx) => {
    const row = await findChangeSet(trx, id, true);
    if (!row) throw new ProblemError('not-found');
    if (row.state !== 'in-review') throw new ProblemError('wrong-state', { detail: `it is ${row.state}` });
    const withdrawn = row.authorId === input.user.id;
    if (!withdrawn && !roleAtLeast(input.user.role, 'reviewer'))
      throw new ProblemError('not-allowed', { detail: 'only its author or a reviewer may' });
    const ids = (await itemsOf(trx, id)).map((item) => item.revision.id);
    await markRevisions(trx, ids, 'draft');
    await markChangeSet(trx, id, {
      state: withdrawn ? 'withdrawn' : 'returned',
      reviewer_id: input.user.id,
      reviewed_at: now(),
      note: input.note,
    });
  });
}

/** A family as it stands with all its newest drafts, whole or not. */
async function asItStands(family: FamilyId, services: Services): Promise<{ working: Working[]; bundle: Bundle }> {
  const working = await workingEntries(family, services);
  const entries = working.map((w) => w.body);
  return { working, bundle: { format: bundleFormat, version: bundleVersion, family, entries } };
}

/** What a mend of a loose end comes to, and what would be found then. */
export async function mendOf(
  family: FamilyId,
  asked: Asked<'mend'>['body'],
  services: Services,
): Promise<Answer<'mend'>> {
  const { working, bundle } = await asItStands(family, services);
  const place = canonicalJson(asked.at);
  const finding = lint(bundle).find(
    (f) =>
      f.code === asked.code &&
      canonicalJson(f.at.slice(2)) === place &&
      findingWords(f) === asked.words &&
      (asked.entry === null || sameJson(entryKeyAt(f, bundle), asked.entry)),
  );
  const mend = finding && mendsOf(finding, bundle).find((m) => m.words === asked.mend);
  if (!finding || !mend) throw new ProblemError('not-found');
  const { isGone, brings } = tryMend(finding, bundle, mend);
  return {
    items: mend.entries.map((body) => ({
      basedOn: working.find((w) => sameJson(keyOf(w.body), keyOf(body)))?.number ?? 0,
      body,
    })),
    isGone,
    brings: brings.map((f) => ({ severity: f.severity, words: findingWords(f) })),
  };
}

const entryKeyAt = (finding: Finding, bundle: Bundle): EntryKey | null => {
  const entry = entryAt(bundle, finding);
  return entry ? keyOf(entry) : null;
};

/** Loose ends of a family as it stands with all its newest drafts. */
export async function findingsOf(family: FamilyId, services: Services) {
  const { bundle } = await asItStands(family, services);
  return lintAll(bundle).map(({ finding, accepted }) => {
    const entry = entryKeyAt(finding, bundle);
    return {
      code: finding.code,
      severity: finding.severity,
      words: findingWords(finding),
      station: stationOf(finding, bundle),
      entry,
      at: finding.at.slice(2),
      facts: entry && mayBeAccepted(finding) ? factsOfFinding(finding) : '',
      accepted: accepted && { reason: accepted.reason, by: accepted.by, on: accepted.on },
      mends: accepted ? [] : mendsOf(finding, bundle).map((m) => m.words),
    };
  });
}
