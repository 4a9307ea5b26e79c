import { type Bundle, type EntryKey, keyOf, readBundle, sameJson, titleOf } from '@wire-trail/core';
import { Refusal } from '../../app/problem.ts';
import type { Services } from '../../app/services.ts';
import type { Transaction } from '../../db/connect.ts';
import { transact } from '../../db/transact.ts';
import { addRevision, findEntry, type RevisionRow, revisionOf } from '../entries/store.ts';
import { publishRevisions } from '../publishing/service.ts';
import { addSet, markRevisions, markSet } from '../publishing/store.ts';

export type ImportLine = Readonly<{ key: EntryKey; title: string; what: 'new' | 'changed' | 'same'; basedOn: number }>;

async function compare(trx: Transaction | Services['db'], bundle: Bundle): Promise<ImportLine[]> {
  const lines: ImportLine[] = [];
  for (const body of bundle.entries) {
    const key = keyOf(body);
    const entry = await findEntry(trx, key);
    const latest = entry && (await revisionOf(trx, entry.id, entry.latest));
    const what = !latest ? 'new' : sameJson(latest.body, body) ? 'same' : 'changed';
    lines.push({ key, title: titleOf(body), what, basedOn: latest?.number ?? 0 });
  }
  return lines;
}

/** Reads a bundle, or refuses it whole with every problem. */
export function readOrRefuse(json: unknown): Bundle {
  const read = readBundle(json);
  if (!read.ok) throw new Refusal('bundle-refused', { fields: read.error });
  return read.value;
}

/** What a bundle would bring, entry by entry; nothing is written. */
export function previewImport(json: unknown, { db }: Services): Promise<ImportLine[]> {
  return compare(db, readOrRefuse(json));
}

export type Imported = Readonly<{ lines: readonly ImportLine[]; setId: number | null; published: boolean }>;

/**
 * Brings a bundle in as new revisions of whatever differs, in one transaction: handed to a reviewer, or published at
 * once where `publish` is given (the demo and the command line, and the set's note says so).
 */
export async function importBundle(
  input: { json: unknown; authorId: number | null; publish: string | null },
  { db, now }: Services,
): Promise<Imported> {
  const bundle = readOrRefuse(input.json);
  return transact(db, async (trx) => {
    const lines = await compare(trx, bundle);
    const at = now();
    const revisions: RevisionRow[] = [];
    for (const [i, line] of lines.entries()) {
      const body = bundle.entries[i];
      if (line.what !== 'same' && body)
        revisions.push(
          await addRevision(trx, {
            key: line.key,
            body,
            note: 'imported',
            basedOn: line.basedOn,
            authorId: input.authorId,
            at,
          }),
        );
    }
    if (revisions.length === 0) return { lines, setId: null, published: false };
    const setId = await addSet(trx, {
      title: `Import of ${bundle.family}`,
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
    await markSet(trx, setId, {
      state: 'published',
      reviewer_id: input.authorId,
      reviewed_at: at,
      own_review: input.authorId !== null,
      note: input.publish,
    });
    return { lines, setId, published: true };
  });
}
