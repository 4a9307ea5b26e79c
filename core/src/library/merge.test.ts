import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diff, merge, readOneEntry, sameJson } from '../index.ts';
import { demoBundles } from '../testing/bundles.ts';

const scalar = fc.oneof(fc.integer({ min: 0, max: 9 }), fc.constantFrom('a', 'b', 'c', ''), fc.boolean());
/** Things as entries are made of: fields, lists of named things, lists of things without names. */
const named = fc.uniqueArray(fc.record({ id: fc.constantFrom('p', 'q', 'r', 's', 't', 'u'), n: scalar }), {
  selector: (x) => x.id,
  maxLength: 6,
});
const thing = fc.record({
  title: scalar,
  inner: fc.record({ x: scalar, y: scalar }),
  parts: named,
  words: fc.array(fc.constantFrom('one', 'two', 'three', 'four'), { maxLength: 5 }),
});
const ids = (value: unknown): string[] => (value as { parts: Array<{ id: string }> }).parts.map((p) => p.id);

describe('what two made of one thing', () => {
  it.each([
    ['each changed a field of its own', { a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1, b: 2 }, { a: 2, b: 2 }],
    ['one took a field out', { a: 1, b: 1 }, { a: 2, b: 1 }, { a: 1 }, { a: 2 }],
    ['both came to the same', { a: 1 }, { a: 2 }, { a: 2 }, { a: 2 }],
    [
      'each put something into a list',
      { parts: [{ id: 'p' }] },
      { parts: [{ id: 'p' }, { id: 'q' }] },
      { parts: [{ id: 'r' }, { id: 'p' }] },
      { parts: [{ id: 'r' }, { id: 'p' }, { id: 'q' }] },
    ],
    [
      'both put something at one place',
      { parts: [{ id: 'p' }] },
      { parts: [{ id: 'p' }, { id: 'q' }] },
      { parts: [{ id: 'p' }, { id: 'r' }] },
      { parts: [{ id: 'p' }, { id: 'q' }, { id: 'r' }] },
    ],
    [
      'one moved what the other changed',
      { parts: [{ id: 'p', n: 1 }, { id: 'q' }, { id: 'r' }] },
      { parts: [{ id: 'q' }, { id: 'r' }, { id: 'p', n: 1 }] },
      { parts: [{ id: 'p', n: 2 }, { id: 'q' }, { id: 'r' }] },
      { parts: [{ id: 'q' }, { id: 'r' }, { id: 'p', n: 2 }] },
    ],
    [
      'steps without names, at two places',
      { steps: [{ press: 'a' }, { press: 'b' }, { press: 'c' }] },
      { steps: [{ press: 'a', times: 2 }, { press: 'b' }, { press: 'c' }] },
      { steps: [{ press: 'a' }, { press: 'b' }, { press: 'c' }, { press: 'd' }] },
      { steps: [{ press: 'a', times: 2 }, { press: 'b' }, { press: 'c' }, { press: 'd' }] },
    ],
  ])('%s', (_, before, mine, theirs, both) => {
    expect(merge(before, mine, theirs)).toEqual({ value: both, clashes: [] });
  });

  it.each([
    ['one field two ways', { a: 1 }, { a: 2 }, { a: 3 }, ['a']],
    [
      'changed here, taken out there',
      { parts: [{ id: 'p', n: 1 }] },
      { parts: [{ id: 'p', n: 2 }] },
      { parts: [] },
      ['parts'],
    ],
    [
      'another kind of thing',
      { s: { kind: 'x', n: 1 } },
      { s: { kind: 'y', m: 1 } },
      { s: { kind: 'x', n: 2 } },
      ['s'],
    ],
    [
      'one list in two orders',
      { parts: ['p', 'q', 'r'].map((id) => ({ id })) },
      { parts: ['r', 'q', 'p'].map((id) => ({ id })) },
      { parts: ['q', 'r', 'p'].map((id) => ({ id })) },
      ['parts'],
    ],
    ['a stretch of steps told two ways', { steps: [1, 2] }, { steps: [1, 5, 6] }, { steps: [1, 7, 8, 9] }, ['steps']],
  ])('%s: a clash, mine until theirs is picked', (_, before, mine, theirs, fields) => {
    const { value, clashes } = merge(before, mine, theirs);
    expect(clashes.map((c) => c.at[0])).toEqual(fields);
    expect(value).toEqual(mine);
    const settled = merge(before, mine, theirs, new Set(clashes.map((c) => c.key)));
    expect(settled.value).toEqual(theirs);
  });

  it('is the one where only one of them changed anything, and both where they agree', () => {
    fc.assert(
      fc.property(thing, thing, (before, other) => {
        for (const [mine, theirs, both] of [
          [other, before, other],
          [before, other, other],
          [other, other, other],
        ])
          expect(merge(before, mine, theirs)).toEqual({ value: both, clashes: [] });
      }),
    );
  });

  it('holds all that either put in, nothing twice, and nothing that either took out and the other left alone', () => {
    fc.assert(
      fc.property(thing, thing, thing, (before, mine, theirs) => {
        const both = ids(merge(before, mine, theirs).value);
        expect(new Set(both).size).toBe(both.length);
        const [b, m, t] = [ids(before), ids(mine), ids(theirs)];
        for (const id of [...m, ...t]) if (!b.includes(id)) expect(both).toContain(id);
        for (const [side, other] of [
          [mine, theirs],
          [theirs, mine],
        ] as const)
          for (const part of before.parts) {
            const isOut = !ids(side).includes(part.id);
            const stands = other.parts.find((p) => p.id === part.id);
            if (isOut && stands && sameJson(stands, part)) expect(both).not.toContain(part.id);
          }
      }),
    );
  });

  it('clashes at the same places whoever is asked first, and theirs picked everywhere is theirs where they clash', () => {
    fc.assert(
      fc.property(thing, thing, thing, (before, mine, theirs) => {
        const [one, other] = [merge(before, mine, theirs), merge(before, theirs, mine)];
        expect(other.clashes.map((c) => c.key).sort()).toEqual(one.clashes.map((c) => c.key).sort());
        const picked = merge(before, mine, theirs, new Set(one.clashes.map((c) => c.key))).value as typeof before;
        if (one.clashes.some((c) => c.key === '/title')) expect(picked.title).toBe(theirs.title);
      }),
    );
  });
});

describe.each(demoBundles())('entries of %s', (_, bundle) => {
  it('edited by two at two places are both, and read as entries do', () => {
    for (const entry of bundle.entries) {
      if (entry.kind !== 'code') continue;
      const before = entry;
      const mine = { ...entry, saw: 'seen by one' };
      const theirs = { ...entry, does: 'told by another', suspects: entry.suspects.slice(1) };
      const { value, clashes } = merge(before, mine, theirs);
      expect([clashes, diff({ ...theirs, saw: 'seen by one' }, value)]).toEqual([[], []]);
      expect(readOneEntry(JSON.parse(JSON.stringify(value))).ok).toBe(
        readOneEntry(JSON.parse(JSON.stringify(theirs))).ok,
      );
    }
  });
});
