import {
  type Answer,
  type Bundle,
  entriesOf,
  familyOf,
  type ImportLine,
  keyOf,
  keyText,
  readingBundle,
  sameJson,
  titleOf,
} from '@wire-trail/core';
import pLimit from 'p-limit';
import type { Transaction } from '../../db/connect.ts';
import { transact } from '../../db/transact.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { unpackPictures } from '../assets/service.ts';
import { addRevisions } from '../entries/bulk-store.ts';
import { chosenRevisions } from '../entries/store.ts';
import { publishRevisions } from '../publishing/service.ts';
import { addChangeSet, lockPublishing, markChangeSet, markRevisions } from '../publishing/store.ts';

async function compare(db: Transaction | Services['db'], bundle: Bundle): Promise<ImportLine[]> {
  const newest = await chosenRevisions(db, [bundle.family, null], 'latest_number');
  const listed = new Map(newest.map((r) => [keyText(keyOf(r.body)), r]));
  return bundle.entries.map((body) => {
    const latest = listed.get(keyText(body));
    const what = !latest ? 'new' : sameJson(latest.body, body) ? 'same' : 'changed';
    return { key: keyOf(body), title: titleOf(body), what, basedOn: latest?.number ?? 0 };
  });
}

/** Files that are read at the same time: each may take a good deal of memory. */
const turns = pLimit(2);

/** Reads a bundle, or refuses it whole with every problem; others are served in between. */
const readOrThrow = (json: unknown): Promise<Bundle> =>
  turns(async () => {
    const reading = readingBundle(json);
    for (;;) {
      const step = reading.next();
      if (step.done) {
        if (!step.value.ok) throw new ProblemError('bundle-refused', { fields: step.value.error });
        return step.value.value;
      }
      await new Promise((resolve) => setImmediate(resolve));
    }
  });

/** What a bundle would bring, entry by entry; nothing is written. */
export async function previewImport(json: unknown, { db }: Services): Promise<ImportLine[]> {
  return compare(db, await readOrThrow(json));
}

/**
 * Brings a bundle in as new revisions of whatever differs, in one transaction: handed to a reviewer, or published at
 * once where `publish` is given (the demo and the command line, and the set's note says so).
 */
export async function importBundle(
  input: { json: unknown; authorId: number | null; publish: string | null },
  { db, now }: Services,
): Promise<Answer<'importBundle'>> {
  const read = await readOrThrow(input.json);
  return transact(db, async (trx) => {
    // taken before any entry is, so that nobody who publishes waits for this while this waits for them
    if (input.publish !== null) await lockPublishing(trx, [...new Set(read.entries.map(familyOf))]);
    const bundle = { ...read, entries: await unpackPictures(trx, read.entries) };
    const lines = await compare(trx, bundle);
    const at = now();
    const differing = lines.flatMap(({ what, basedOn }, i) => {
      const body = bundle.entries[i];
      return what !== 'same' && body ? [{ body, basedOn }] : [];
    });
    const revisions = await addRevisions(trx, differing, { note: 'imported', authorId: input.authorId, at });
    if (revisions.length === 0) return { lines, setId: null, published: false };
    const setId = await addChangeSet(trx, {
      title: `Import of ${entriesOf(bundle, 'family').find((f) => f.id === bundle.family)?.name ?? bundle.family}`,
      authorId: input.authorId,
      at,
      revisionIds: revisions.map((r) => r.id),
    });
    if (input.publish === null) {
      await markRevisions(
        trx,
        revisions.map((r) => r.id),
        'in-review',
      );
      return { lines, setId, published: false };
    }
    await publishRevisions(trx, { setId, revisions, at });
    await markChangeSet(trx, setId, {
      state: 'published',
      reviewer_id: input.authorId,
      reviewed_at: at,
      own_review: input.authorId !== null,
      note: input.publish,
    });
    return { lines, setId, published: true };
  });
}
