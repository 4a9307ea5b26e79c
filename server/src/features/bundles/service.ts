import { createHash } from 'node:crypto';
import {
  type Answer,
  type Bundle,
  bundleFormat,
  bundleVersion,
  canonicalJson,
  type Entry,
  type EntryKind,
  entriesOf,
  type FamilyCard,
  type FamilyId,
  type Finding,
  familyOf,
  findingWords,
  forSharing,
  groupBy,
  keyText,
  linksOf,
  lintParts,
  lintTraits,
  traitsOf,
} from '@wire-trail/core';
import type { Db, Transaction } from '../../db/connect.ts';
import { ProblemError } from '../../http/problem.ts';
import type { Services } from '../../http/services.ts';
import { packPictures } from '../assets/service.ts';
import { chosenRevisions, type RevisionRow } from '../entries/store.ts';
import {
  addBundle,
  cardsAfter,
  familiesWrittenBy,
  findCodes,
  orderOf,
  type PackedBundle,
  type PlaceInOrder,
  packedBundle,
  unpack,
  unpublishedFamilies,
} from './store.ts';

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

/** Makes a bundle, with what was found in it, the one that technicians get. */
export async function storeBundle(
  trx: Transaction,
  of: Readonly<{ bundle: Bundle; findings: readonly Finding[]; setId: number; at: Date }>,
): Promise<void> {
  const card = cardOf(of.bundle, of.findings);
  await addBundle(trx, of.bundle, { card, setId: of.setId, at: of.at });
}

/** What the Shelf lists of a bundle. */
export function cardOf(bundle: Bundle, findings: readonly Finding[]): FamilyCard {
  const family = entriesOf(bundle, 'family').find((f) => f.id === bundle.family);
  if (!family || !bundle.pinned) throw new Error(`the bundle of ${bundle.family} is not one that was published`);
  const { id, name, sort, badges, recognisedBy, pictures } = family;
  const count = (kind: EntryKind) =>
    bundle.entries.filter((e) => e.kind === kind && familyOf(e) === bundle.family).length;
  return {
    family: { id, name, sort, badges, recognisedBy, pictures },
    hash: bundle.pinned.hash,
    toFix: findings.filter((f) => f.severity !== 'hint').length,
    counts: { codes: count('code'), symptoms: count('symptom'), charts: count('chart'), routes: count('route') },
  };
}

/** The current bundle of a family, gzip as it is stored. */
export async function currentBundle(family: FamilyId, { db }: Services): Promise<PackedBundle> {
  const packed = await packedBundle(db, family);
  if (!packed) throw new ProblemError('not-found');
  return packed;
}

/** So many families are on a page of the list. */
const perPage = 100;

/** A page of the published families, in the order in which they were published last. */
export async function listFamilies(from: PlaceInOrder, { db }: Services): Promise<Answer<'families'>> {
  const { library } = await orderOf(db);
  const rows = await cardsAfter(db, from, perPage + 1);
  const page = rows.slice(0, perPage);
  const last = page.at(-1);
  return {
    library,
    cards: page.map((row) => row.card),
    place: last ? { since: last.number, after: last.card.family.id } : { since: from.since, after: from.after },
    more: rows.length > perPage,
  };
}

/** Families somebody wrote in. */
export const ownFamilies = (reader: number, { db }: Services) => familiesWrittenBy(db, reader);

/** What the Shelf draws of a published family: its front, and what shows there in standby. */
export async function familyFace(family: FamilyId, { db }: Services) {
  const rows = await chosenRevisions(db, [family], 'published_number', ['panel', 'mode']);
  const bodies = rows.map((r) => r.body);
  return {
    face: bodies.find((body) => body.kind === 'panel')?.faces[0] ?? null,
    standby: bodies.filter((body) => body.kind === 'mode').find((mode) => mode.sort === 'standby') ?? null,
  };
}

/** So many pairs are told; whoever mends them sees the next. */
const mostAlike = 100;

type Alike = Readonly<{ at: string; words: Promise<string[]> }>;
const alike = new WeakMap<object, Alike>();

/** Pairs of published families that nobody can tell apart by what is written of them; worked out once for each state of the library. */
export async function alikeFamilies({ db }: Services): Promise<string[]> {
  const { library, number } = await orderOf(db);
  const at = `${library} ${number}`;
  const known = alike.get(db);
  if (known?.at === at) return known.words;
  const words = workOutAlike(db);
  alike.set(db, { at, words });
  words.catch(() => alike.delete(db));
  return words;
}

async function workOutAlike(db: Db): Promise<string[]> {
  const rows = await chosenRevisions(db, 'all', 'published_number', ['family', 'panel']);
  const bodies = rows.map((r) => r.body);
  const panels = groupBy(
    bodies.filter((body) => body.kind === 'panel'),
    familyOf,
  );
  const families = bodies.filter((body) => body.kind === 'family');
  const traits = families.map((body) => ({ id: body.id, traits: traitsOf(body, panels.get(body.id) ?? []) }));
  return [...lintTraits(traits), ...lintParts(families)].slice(0, mostAlike).map(findingWords);
}

/** Families that were begun and never published, with what is drawn of them. */
export async function begunFamilies({ db }: Services) {
  const rows = await chosenRevisions(db, await unpublishedFamilies(db), 'latest_number', ['family', 'panel']);
  const bodies = rows.map((r) => r.body);
  return bodies.flatMap((family) =>
    family.kind === 'family'
      ? [{ family, panels: bodies.flatMap((b) => (b.kind === 'panel' && b.family === family.id ? [b] : [])) }]
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
export const codesLike = (text: string, { db }: Services) => findCodes(db, text);
