import { createHash } from 'node:crypto';
import { gunzipSync, gzipSync } from 'node:zlib';
import {
  type Bundle,
  bundleFormat,
  bundleVersion,
  canonicalJson,
  type Entry,
  type FamilyId,
  forSharing,
  keyText,
  linksOf,
  plainCode,
} from '@wire-trail/core';
import type { Db, Transaction } from '../../db/connect.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { packPictures } from '../assets/service.ts';
import { chosenRevisions, type RevisionRow } from '../entries/store.ts';

/** A family's own entries and whatever of the library they lead to, step by step. */
function reachable(own: readonly RevisionRow[], shared: readonly RevisionRow[]): RevisionRow[] {
  const schemes = own.flatMap((r) => (r.body.kind === 'family' && r.body.genericScheme ? [r.body.genericScheme] : []));
  const byKey = new Map(shared.map((r) => [keyText(r.body), r]));
  const taken = new Map<string, RevisionRow>();
  const visit = (body: Entry): void => {
    for (const { to } of linksOf(body)) {
      const row = byKey.get(keyText(to));
      if (!row || taken.has(keyText(to))) continue;
      taken.set(keyText(to), row);
      visit(row.body);
    }
  };
  for (const row of own) visit(row.body);
  // every meter of the school: which one would settle a reading is not known beforehand
  for (const row of shared)
    if (row.body.kind === 'instrument' || (row.body.kind === 'meaning' && schemes.includes(row.body.scheme))) {
      taken.set(keyText(row.body), row);
      visit(row.body);
    }
  return [...own, ...taken.values()];
}

/** Puts a family's bundle together from its published revisions; null while the family itself is not published. */
export async function assembleBundle(db: Db | Transaction, family: FamilyId, at: Date): Promise<Bundle | null> {
  const own = await chosenRevisions(db, [family], 'published_number');
  if (!own.some((r) => r.body.kind === 'family')) return null;
  const rows = reachable(own, await chosenRevisions(db, [null], 'published_number'));
  const entries = rows.map((r) => r.body);
  const revisions = Object.fromEntries(rows.map((r) => [keyText(r.body), r.number]));
  const hash = createHash('sha256').update(canonicalJson({ family, entries, revisions })).digest('hex');
  return {
    format: bundleFormat,
    version: bundleVersion,
    family,
    pinned: { hash, publishedAt: at.toISOString(), revisions },
    entries,
  };
}

/** Makes a bundle the one that technicians get. Kept packed, as it is sent. */
export async function storeBundle(trx: Transaction, bundle: Bundle, setId: number, at: Date): Promise<void> {
  const hash = bundle.pinned?.hash;
  if (!hash) throw new Error(`bundle of ${bundle.family} is not pinned`);
  const body = gzipSync(Buffer.from(JSON.stringify(bundle)), { level: 9 });
  await trx('bundles')
    .insert({ family: bundle.family, hash, set_id: setId, published_at: at, body })
    .onConflict(['family', 'hash'])
    .ignore();
  await trx('current_bundles').insert({ family: bundle.family, hash }).onConflict('family').merge();
}

export type PackedBundle = Readonly<{ hash: string; packed: Buffer }>;

/** The current bundle of a family, gzip as it is stored. */
export async function currentBundle(family: FamilyId, { db }: Services): Promise<PackedBundle> {
  const row = await db('current_bundles')
    .join('bundles', function on() {
      this.on('bundles.family', 'current_bundles.family').andOn('bundles.hash', 'current_bundles.hash');
    })
    .where('current_bundles.family', family)
    .first('bundles.hash', 'bundles.body');
  if (!row) throw new ProblemError('not-found');
  return { hash: row.hash, packed: row.body };
}

export const unpack = (packed: Buffer): Bundle => JSON.parse(gunzipSync(packed).toString('utf8'));

/** Every published family, with what the Shelf draws: its panels, and how much it holds. */
export async function listFamilies({ db }: Services) {
  const current = await db('current_bundles').select('family', 'hash');
  const families = current.map((c) => c.family as FamilyId);
  const rows = await chosenRevisions(db, families, 'published_number');
  return current.map(({ family, hash }) => {
    const own = rows
      .map((r) => r.body)
      .filter((body) => ('family' in body ? body.family === family : body.kind === 'family' && body.id === family));
    const count = (kind: Entry['kind']) => own.filter((body) => body.kind === kind).length;
    return {
      family: own.find((body) => body.kind === 'family'),
      panels: own.filter((body) => body.kind === 'panel'),
      standby: own.filter((body) => body.kind === 'mode').find((mode) => mode.sort === 'standby') ?? null,
      hash,
      counts: { codes: count('code'), symptoms: count('symptom'), charts: count('chart'), routes: count('route') },
    };
  });
}

/** Families that were begun and never published, with what is drawn of them. */
export async function begunFamilies({ db }: Services) {
  const begun = await db('entries').where({ kind: 'family' }).whereNull('published_number').pluck('family');
  const rows = await chosenRevisions(db, begun as FamilyId[], 'latest_number');
  return rows.flatMap(({ body }) =>
    body.kind === 'family'
      ? [
          {
            family: body,
            panels: rows.flatMap((r) => (r.body.kind === 'panel' && r.body.family === body.id ? [r.body] : [])),
          },
        ]
      : [],
  );
}

/** A family's published bundle as it may leave the school: with its pictures, but only those that may be shared. */
export async function sharedBundle(family: FamilyId, services: Services): Promise<Bundle> {
  const { packed } = await currentBundle(family, services);
  const bundle = forSharing(unpack(packed));
  return { ...bundle, entries: await packPictures(bundle.entries, services) };
}

/** Published codes spelled like this, over all families. */
export async function codesLike(text: string, { db }: Services) {
  return db('code_index').where('plain', plainCode(text)).orderBy('family').limit(50).select('family', 'text', 'title');
}
