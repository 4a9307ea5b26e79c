import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  applyChanges,
  bundleMigrations,
  bundleVersion,
  diff,
  invertChanges,
  migrateBundle,
  pathText,
  readBundle,
} from '../index.ts';
import { glasswasher, rawGlasswasher } from '../testing/bundles.ts';

type Raw = ReturnType<typeof rawGlasswasher>;
const indexOf = (raw: Raw, id: string) => raw.entries.findIndex((e) => e.id === id);
const spoilt = (id: string, change: (entry: Record<string, unknown>) => void): Raw => {
  const raw = rawGlasswasher();
  change(raw.entries[indexOf(raw, id)] as Record<string, unknown>);
  return raw;
};
const firstProblem = (json: unknown) => {
  const read = readBundle(json);
  return read.ok ? null : `${pathText(read.error[0]?.path ?? [])} ${read.error[0]?.reason}`;
};

describe('readBundle', () => {
  it('reads the demo', () => expect(readBundle(rawGlasswasher()).ok).toBe(true));

  it.each<[string, unknown, RegExp]>([
    ['a list', [], /whole document.*JSON object/],
    ['null', null, /JSON object/],
    ['another format', { format: 'something-else' }, /^format must be/],
    ['a newer version', { ...rawGlasswasher(), version: 99 }, /^version this is version 99/],
    ['no entries', { ...rawGlasswasher(), entries: [] }, /^entries holds no entry/],
    ['entries that are text', { ...rawGlasswasher(), entries: 'x' }, /^entries must be a list/],
    [
      'an unknown kind',
      spoilt('k19', (e) => Object.assign(e, { kind: 'gadget' })),
      /^entries\[\d+\]\.kind must be one of/,
    ],
    [
      'an unknown field',
      spoilt('k19', (e) => Object.assign(e, { colour: 'red' })),
      /^entries\[\d+\] unknown field “colour”/,
    ],
    ['a wrong type', spoilt('k19', (e) => Object.assign(e, { saw: 7 })), /^entries\[\d+\]\.saw .*string/],
    ['a label of 10,000 characters', spoilt('k19', (e) => Object.assign(e, { title: 'x'.repeat(10_000) })), /\.title/],
    [
      'a control character',
      spoilt('k19', (e) => Object.assign(e, { title: 'a\u0007b' })),
      /\.title one line without control/,
    ],
    ['a dangling chart', spoilt('k19', (e) => Object.assign(e, { chart: 'gone' })), /\.chart Names the chart “gone”/],
    ['a missing family', { ...rawGlasswasher(), family: 'nobody' }, /^family Names the family “nobody”/],
    [
      'a code twice',
      { ...rawGlasswasher(), entries: [...rawGlasswasher().entries, rawGlasswasher().entries[11]] },
      /\.id The code “k19” stands here twice/,
    ],
  ])('refuses %s', (_, json, expected) => {
    expect(firstProblem(json)).toMatch(expected);
  });

  it('lists every problem, not just the first', () => {
    const raw = spoilt('k19', (e) => Object.assign(e, { saw: 7, does: 8 }));
    const read = readBundle(raw);
    expect(!read.ok && read.error.map((p) => p.path.at(-1))).toEqual(['saw', 'does']);
  });

  it('refuses anything else without throwing', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (json) => {
        expect(readBundle(json).ok).toBe(false);
      }),
    );
  });
});

describe('document migrations', () => {
  it('lead without a gap to the newest version', () => {
    expect(bundleMigrations.map((m) => m.to)).toEqual(Array.from({ length: bundleVersion - 1 }, (_, i) => i + 2));
  });
  it('run one after the other, and a document that is too new is refused', () => {
    const steps = [
      { name: 'adds b', to: 2, run: (d: Record<string, unknown>) => ({ ...d, b: 1 }) },
      { name: 'adds c', to: 3, run: (d: Record<string, unknown>) => ({ ...d, c: Number(d.b) + 1 }) },
    ];
    expect(migrateBundle({ version: 1 }, steps, 3)).toEqual({ ok: true, value: { version: 3, b: 1, c: 2 } });
    expect(migrateBundle({ version: 4 }, steps, 3)).toEqual({
      ok: false,
      error: { code: 'document-too-new', version: 4 },
    });
    expect(() => migrateBundle({ version: 1 }, steps.slice(1), 3)).toThrow('version 2');
  });
});

describe('diff', () => {
  const json = fc.jsonValue({ maxDepth: 4 });
  it('applied to the old gives the new; inverted, the old again', () => {
    fc.assert(
      fc.property(json, json, (before, after) => {
        const changes = diff(before, after);
        expect(applyChanges(before, changes)).toEqual(after);
        expect(applyChanges(after, invertChanges(changes))).toEqual(before);
      }),
    );
  });
  it.each([
    [{}, { valueOf: [] }],
    [{ toString: '' }, {}],
    [{ s: [{ constructor: 1 }] }, { s: [{}] }],
  ])('a key that every object seems to have: %j to %j', (before, after) => {
    expect(applyChanges(before, diff(before, after))).toEqual(after);
  });
  it('keeps that for lists of named things, however they are moved, renamed, dropped and added', () => {
    const named = fc.uniqueArray(fc.record({ label: fc.constantFrom('a', 'b', 'c', 'd', 'e'), weight: fc.nat(3) }), {
      selector: (s) => s.label,
    });
    fc.assert(
      fc.property(named, named, (before, after) => {
        const changes = diff({ s: before }, { s: after });
        expect(applyChanges({ s: before }, changes)).toEqual({ s: after });
        expect(applyChanges({ s: after }, invertChanges(changes))).toEqual({ s: before });
      }),
    );
  });
  it('calls a move a move', () => {
    const [a, b, c] = ['a', 'b', 'c'].map((label) => ({ label, weight: 1 }));
    expect(diff({ s: [a, b, c] }, { s: [b, a, { ...c, weight: 2 }] })).toEqual([
      { kind: 'moved', at: ['s'], from: 1, to: 0, what: b },
      { kind: 'changed', at: ['s', 2, 'weight'], from: 1, to: 2 },
    ]);
  });
  it('names the field that changed', () => {
    const before = glasswasher().entries.find((e) => e.id === 'k19');
    expect(diff(before, { ...before, title: 'Cold' })).toEqual([
      { kind: 'changed', at: ['title'], from: 'Rinse tank slow to warm', to: 'Cold' },
    ]);
  });
});
