import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  copyUnit,
  type Entry,
  entriesOf,
  familyOf,
  findingWords,
  lint,
  lookedAt,
  readOneEntry,
} from '../index.ts';
import { demoBundles, glasswasher } from '../testing/bundles.ts';

const as = { id: 'dunlow-h9', name: 'Dunlow H9' };
const copied = (bundle: Bundle): Bundle => {
  const entries = copyUnit(bundle, as);
  if (!entries) throw new Error('taken');
  const shared = bundle.entries.filter((e) => familyOf(e) === null);
  return {
    format: bundle.format,
    version: bundle.version,
    family: as.id as Bundle['family'],
    entries: [...entries, ...shared],
  };
};

describe.each(demoBundles())('a unit begun from %s', (_, bundle) => {
  const copy = copied(bundle);
  const own = copy.entries.filter((e) => e.carriedFrom !== undefined);

  it('reads as entries do, its own page first, and names nothing of the other', () => {
    expect(own[0]?.kind).toBe('family');
    for (const entry of own) {
      expect(readOneEntry(JSON.parse(JSON.stringify(entry))).ok).toBe(true);
      expect(JSON.stringify(entry)).not.toContain(`"${bundle.family}"`);
    }
  });

  it('is all marked, sure of nothing, and known by nothing that the other is known by', () => {
    const [family] = entriesOf(copy, 'family');
    const theirs = entriesOf(bundle, 'family').find((f) => f.id === bundle.family);
    expect(own.every((e) => e.carriedFrom === theirs?.name)).toBe(true);
    expect(family?.variants.every((v) => v.models.length + v.serials.length === 0)).toBe(true);
    expect([family?.name, family?.recognisedBy, family?.traits, family?.pictures]).toEqual([as.name, [], {}, []]);
    expect(JSON.stringify(own)).not.toMatch(/"standing":"(?:bench-proven|field-report|document)"/);
    expect(own.some((e) => e.accepted !== undefined || e.kind === 'account')).toBe(false);
    expect(own.some((e) => e.kind === 'source' && e.sort === 'bench')).toBe(false);
  });

  it('brings nothing that must be fixed and was not to be fixed before', () => {
    const errors = (of: Bundle): string[] =>
      lint(of)
        .filter((f) => f.severity === 'error')
        .map(findingWords);
    const before = new Set(errors(bundle));
    expect(errors(copy).filter((words) => !before.has(words))).toEqual([]);
  });
});

it('each is found until somebody has looked at it, and not after', () => {
  const copy = copied(glasswasher());
  const carried = (of: Bundle) => lint(of).filter((f) => f.code === 'carried-over').length;
  expect(carried(copy)).toBe(copy.entries.filter((e) => e.carriedFrom !== undefined).length);
  const seen = { ...copy, entries: copy.entries.map((e): Entry => lookedAt(e)) };
  expect(carried(seen)).toBe(0);
});

it('is refused where the name is taken', () => {
  expect(copyUnit(glasswasher(), { id: glasswasher().family, name: 'The same' })).toBeNull();
});
