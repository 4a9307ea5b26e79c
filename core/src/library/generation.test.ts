import { describe, expect, it } from 'vitest';
import {
  beginGeneration,
  type Entry,
  type Family,
  generationStands,
  keyOf,
  keyText,
  lint,
  type Older,
  readOneEntry,
  revisionKey,
  revisionsWanted,
  type Stands,
} from '../index.ts';
import { demoBundles, glasswasher } from '../testing/bundles.ts';

const as = { id: 'dunlow-h9', name: 'Dunlow H9' };
const bundle = glasswasher();
const olderOf = (entries: readonly Entry[], revisions: Older['revisions'] = new Map(), number = 1): Older => ({
  family: bundle.family,
  entries: entries.map((body) => ({ body, number, published: number })),
  revisions,
});
const numbers = new Map(bundle.entries.map((e) => [keyText(e), 1]));
const begun = (): Entry[] => beginGeneration(bundle, as, numbers) ?? [];
const pageOf = (entries: readonly Entry[]): Family => {
  const page = entries.find((e): e is Family => e.kind === 'family');
  if (!page) throw new Error('no page');
  return page;
};
const stand = (own: readonly Entry[], older: Older): Stands[] => generationStands(own, pageOf(own), older);
/** One entry of a kind, changed. */
const changed = (entries: readonly Entry[], kind: string, by: (e: Entry) => Entry): Entry[] => {
  const at = entries.findIndex((e) => e.kind === kind);
  return entries.map((e, i) => (i === at ? by(e) : e));
};
const having =
  (fields: object) =>
  (e: Entry): Entry =>
    ({ ...e, ...fields }) as Entry;
const titled = (title: string) => having({ title });
const only = (stands: readonly Stands[], is: Stands['is']) => stands.filter((s) => s.is === is);
/** The older unit with a second, published revision of some of its entries. */
const movedOn = (kind: string, by: (e: Entry) => Entry): Older => {
  const first = bundle.entries.find((e) => e.kind === kind);
  if (!first) throw new Error(kind);
  return {
    family: bundle.family,
    entries: bundle.entries.map((e) =>
      e === first ? { body: by(e), number: 2, published: 2 } : { body: e, number: 1, published: 1 },
    ),
    revisions: new Map([[revisionKey(first, 1), first]]),
  };
};

describe.each(demoBundles())('a new generation of %s', (_, older) => {
  const own = beginGeneration(older, as, new Map(older.entries.map((e) => [keyText(e), 3]))) ?? [];

  it('reads as entries do, says what it is of, and is as there in everything', () => {
    expect(own[0]).toMatchObject({ kind: 'family', name: as.name, generationOf: { family: older.family } });
    for (const entry of own) {
      expect(readOneEntry(JSON.parse(JSON.stringify(entry))).ok).toBe(true);
      expect([entry.follows, entry.carriedFrom]).toEqual([3, undefined]);
    }
    const there: Older = {
      family: older.family,
      entries: older.entries.map((body) => ({ body, number: 3, published: 3 })),
      revisions: new Map(),
    };
    expect(revisionsWanted(own, there)).toEqual([]);
    const stands = generationStands(own, pageOf(own), there);
    expect(stands.length).toBe(own.length);
    expect(stands.filter((s) => s.is !== 'as-there')).toEqual([]);
  });

  it('has nothing to be looked at because it was carried over', () => {
    const shared = older.entries.filter((e) => !('family' in e) && e.kind !== 'family');
    const all = { ...older, family: as.id as never, entries: [...own, ...shared] };
    expect(lint(all).filter((f) => f.code === 'carried-over')).toEqual([]);
  });
});

it('what is written otherwise differs, in just that', () => {
  const own = changed(begun(), 'code', titled('Door not shut'));
  const [differs, ...more] = stand(own, olderOf(bundle.entries)).filter((s) => s.is !== 'as-there');
  expect(more).toEqual([]);
  expect(differs).toMatchObject({ is: 'differs', changes: [{ kind: 'changed', at: ['title'], to: 'Door not shut' }] });
});

it('its name, its plates and how one knows it are its own, and no differences', () => {
  const own = begun().map((e) =>
    e.kind === 'family'
      ? {
          ...e,
          name: 'Dunlow H10',
          recognisedBy: ['a blue door'],
          plate: 'Behind the door.',
          variants: e.variants.map((v) => ({ ...v, models: ['H10-*'] })),
        }
      : e,
  );
  expect(stand(own, olderOf(bundle.entries)).filter((s) => s.is !== 'as-there')).toEqual([]);
});

it('what is here alone, and what was left out, is told; left out, it can be brought back', () => {
  const all = begun();
  const gone = all.find((e) => e.kind === 'chart');
  const extra = { ...all.find((e) => e.kind === 'code'), id: 'one-more', title: 'One more' } as Entry;
  const { follows: _, ...bare } = extra;
  const own = [...all.filter((e) => e !== gone), bare as Entry];
  const older = olderOf(bundle.entries);
  const stands = stand(own, older);
  expect(only(stands, 'only-here').map((s) => s.key.id)).toEqual(['one-more']);
  const [left, ...more] = only(stands, 'left-out');
  expect([left?.key.id, more]).toEqual([gone?.id, []]);
  expect(left?.is === 'left-out' && left.body).toEqual(gone);
});

describe('what changes in the older unit later', () => {
  it('is behind here, and taken over as it is there', () => {
    const older = movedOn('code', titled('Lid open'));
    const own = begun();
    expect(revisionsWanted(own, older)).toEqual([
      { key: keyOf(older.entries.find((o) => o.number === 2)?.body as Entry), number: 1 },
    ]);
    const [behind, ...more] = stand(own, older).filter((s) => s.is !== 'as-there');
    expect(more).toEqual([]);
    expect(behind).toMatchObject({ is: 'behind', hasOwn: false, clashes: [], changes: [{ to: 'Lid open' }] });
    if (behind?.is !== 'behind') throw new Error('not behind');
    const after = own.map((e) => (keyText(e) === keyText(behind.taken) ? behind.taken : e));
    expect(stand(after, older).filter((s) => s.is !== 'as-there')).toEqual([]);
  });

  it('does not wipe out what was changed here; where both changed one thing, it stays as here, and is told', () => {
    const older = movedOn('code', having({ title: 'Lid open', scope: 'licensed' }));
    const elsewhere = changed(begun(), 'code', having({ meaning: 'Ours.' }));
    const [one] = only(stand(elsewhere, older), 'behind');
    expect(one).toMatchObject({ hasOwn: true, clashes: [], taken: { title: 'Lid open', meaning: 'Ours.' } });
    const same = changed(begun(), 'code', titled('Hatch open'));
    const [other] = only(stand(same, older), 'behind');
    expect(other).toMatchObject({
      clashes: [{ at: ['title'], mine: 'Hatch open', theirs: 'Lid open' }],
      taken: { title: 'Hatch open', scope: 'licensed', follows: 2 },
    });
    // taken over once, what stays different is a difference
    if (other?.is !== 'behind') throw new Error('not behind');
    const after = same.map((e) => (keyText(e) === keyText(other.taken) ? other.taken : e));
    expect(stand(after, older).filter((s) => s.is !== 'as-there')).toMatchObject([{ is: 'differs' }]);
  });

  it('is not taken from what is not published there', () => {
    const older = movedOn('code', titled('Lid open'));
    const drafts = { ...older, entries: older.entries.map((o) => ({ ...o, published: 1 })) };
    expect(stand(begun(), drafts).filter((s) => s.is !== 'as-there')).toEqual([]);
  });

  it('comes to its own page as well, beside what is its own', () => {
    const part = { id: 'flap', name: 'Flap', onlyVariants: [], interlock: false };
    const older = movedOn('family', (e) => ({ ...e, parts: [...(e as Family).parts, part] }) as Entry);
    const own = begun().map((e) => (e.kind === 'family' ? { ...e, plate: 'Behind the door.' } : e));
    const [behind] = only(stand(own, older), 'behind');
    expect(behind).toMatchObject({ clashes: [], taken: { name: as.name, plate: 'Behind the door.', follows: 2 } });
    if (behind?.is !== 'behind') throw new Error('not behind');
    expect((behind.taken as Family).parts.map((p) => p.name)).toContain('Flap');
    expect((behind.taken as Family).generationOf).toEqual({ family: bundle.family, name: pageOf(bundle.entries).name });
  });
});
