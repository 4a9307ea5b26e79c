import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  type Entry,
  type EntryKind,
  entryOf,
  type Finding,
  type FindingCode,
  findingCodes,
  findingWords,
  lint,
  lintParts,
  lintTraits,
  stationOf,
} from '../index.ts';
import { dryer, glasswasher } from '../testing/bundles.ts';
import { chartFixtures } from '../testing/chart-fixtures.ts';
import { fixtureBundle, routeFixtures } from '../testing/route-fixtures.ts';

type Loose = Record<string, never> & { [key: string]: unknown };
/** Changes one entry of a fresh bundle without regard to types: findings are about what types let through. */
const spoil = (bundle: Bundle, kind: EntryKind, id: string, change: (entry: Loose) => unknown): Bundle => ({
  ...bundle,
  entries: bundle.entries.map((e) =>
    e.kind === kind && e.id === id
      ? ({ ...structuredClone(e), ...(change(e as unknown as Loose) as object) } as Entry)
      : e,
  ),
});
const washer = (kind: EntryKind, id: string, change: (entry: Loose) => unknown) =>
  spoil(glasswasher(), kind, id, change);
const node = (chart: Loose, id: string, change: object) => ({
  nodes: (chart.nodes as unknown as Loose[]).map((n) => (n.id === id ? { ...n, ...change } : n)),
});
const firstStep = (step: object) => (route: Loose) => ({ steps: [step, ...(route.steps as unknown as object[])] });

/** A table in which one pattern has two rows, as when somebody types it from a worn sheet. */
const overlappingRows = (readout: Loose) => {
  const [group, count] = structuredClone(readout.stages) as unknown as [{ reads: { to: { rows: object[] } } }, object];
  group.reads.to.rows.push({ pattern: '1-0', value: 'W' });
  return { stages: [group, count] };
};

/** The washer with a code that is detected so. */
const detects = (detection: object): Bundle =>
  washer('code', 'k17', (c) => ({ detection: { ...(c.detection as unknown as object), ...detection } }));

/** The family with its first variant changed. */
const variant = (change: object) => (family: Loose) => {
  const [first, ...rest] = family.variants as unknown as object[];
  return { variants: [{ ...first, ...change }, ...rest] };
};

/** A readout with one stage, or what it reads, changed. */
const stage = (at: number, change: object) => (readout: Loose) => ({
  stages: (readout.stages as unknown as object[]).map((s, i) => (i === at ? { ...s, ...change } : s)),
});
const reads = (at: number, change: object) => (readout: Loose) => ({
  stages: (readout.stages as unknown as Array<{ reads: object }>).map((s, i) =>
    i === at ? { ...s, reads: { ...s.reads, ...change } } : s,
  ),
});
const column = (kind: EntryKind, id: string, change: (entry: Loose) => unknown) => spoil(dryer(), kind, id, change);
/** The first stage of the dryer's column read by these rows. */
const table = (rows: object[]) => column('readout', 'column', reads(0, { to: { kind: 'table', rows } }));
const seenAs = (letter: string, number: string) =>
  (
    [
      ['letter', letter],
      ['number', number],
    ] as const
  ).map(([id, lit]) => ({
    kind: 'lamps',
    stage: id,
    lamps: Object.fromEntries([...'abcde'].map((l) => [`lamp-${l}`, lit.includes(l) ? 'lit' : 'dark'])),
  }));

/** For every code one bundle that shows it. A new code without a row here fails the completeness test. */
const fixtures: Partial<Record<FindingCode, () => Bundle | Finding[]>> = {
  ...chartFixtures,
  ...Object.fromEntries(Object.entries(routeFixtures).map(([code, fixture]) => [code, () => fixtureBundle(fixture)])),
  'dangling-id': () => washer('code', 'k19', () => ({ chart: 'no-such-chart' })),
  'duplicate-id': () => ({
    ...glasswasher(),
    entries: [...glasswasher().entries, entryOf(glasswasher(), 'code', 'k19') as Entry],
  }),
  'duplicate-code': () => washer('code', 'k17', () => ({ text: 'k-19' })),
  'part-unknown': () =>
    washer('route', 'enter-memory', firstStep({ kind: 'press', control: 'no-such-button', times: 1 })),
  'code-without-pattern': () => washer('code', 'k17', () => ({ text: 'K77' })),
  'codes-share-pattern': () =>
    spoil(spoil(dryer(), 'readout', 'column', overlappingRows), 'code', 'w-2', () => ({ text: 'W-3' })),
  'look-alike-danger': glasswasher,
  'pattern-without-code': glasswasher,
  'rows-share-pattern': () =>
    table([
      { pattern: '100', value: 'T' },
      { pattern: '100', value: 'W' },
    ]),
  'row-unreadable': () => table([{ pattern: '10x', value: 'T' }]),
  'weights-collide': () =>
    washer('readout', 'lamps', reads(0, { lamps: [...'abcde'].map((l, i) => ({ sign: `lamp-${l}`, weight: i + 1 })) })),
  'pause-not-told': () => column('readout', 'column', reads(1, { pauseMs: 350 })),
  'phase-not-told': () => washer('readout', 'lamps', stage(1, { comes: { kind: 'alternates', everyMs: 2000 } })),
  'stages-at-once': () => washer('readout', 'lamps', stage(1, { comes: { kind: 'at-once' } })),
  'special-like-code': () =>
    spoil(
      washer('code', 'k17', () => ({ text: 'A' })),
      'readout',
      'lamps',
      () => ({
        stages: [entryOf(glasswasher(), 'readout', 'lamps')?.stages[0]],
        compose: [{ kind: 'stage', stage: 'letter' }],
        specials: [
          {
            id: 'clean',
            label: 'only e',
            means: 'healthy',
            signs: [...'abcde'].map((l) => ({ kind: 'lamp', sign: `lamp-${l}`, state: l === 'e' ? 'lit' : 'dark' })),
          },
        ],
      }),
    ),
  'vector-fails': () =>
    washer('readout', 'lamps', () => ({
      vectors: [{ name: 'seen on the bench', looks: seenAs('bde', 'ade'), expect: 'K17' }],
    })),
  'readings-differ': () =>
    washer('readout', 'lamps', (readout) => ({
      accounts: [
        {
          id: 'from-right',
          label: 'counted from the right',
          source: null,
          standing: 'hearsay',
          stages: (
            reads(1, { lamps: [...'edcba'].map((l, i) => ({ sign: `lamp-${l}`, weight: 16 >> i })) })(readout) as {
              stages: object[];
            }
          ).stages,
        },
      ],
    })),
  'sign-cannot-show': () => column('readout', 'column', reads(1, { sign: 'buzzer' })),
  'consequence-circle': () =>
    washer('code', 'h04', () => ({ seeAlso: [{ code: 'k19', why: 'and back again', followsFromIt: true }] })),
  'code-without-suspect': () => washer('code', 'k17', () => ({ suspects: [] })),
  'hazards-missing': () =>
    washer('code', 'k17', () => ({ hazards: [], enter: null, clear: null, chart: null, chartUse: undefined })),
  'code-without-chart': glasswasher,
  'code-without-source': () => washer('code', 'k17', () => ({ source: null, claims: [] })),
  'node-unreachable': () => washer('chart', 'drain', (c) => node(c, 'coil', { pass: 'pump-bad' })),
  'loop-without-end': () =>
    washer('chart', 'drain', (c) => ({ ...node(c, 'filter', { yes: 'filter', no: 'filter' }), cannotTell: undefined })),
  'energised-unprotected': () =>
    washer('chart', 'rinse-heat', (c) => node(c, 'element', { quantity: 'voltage', supply: 'energised', hazards: [] })),
  'band-never-computes': () =>
    washer('chart', 'rinse-heat', (c) =>
      node(c, 'element', { band: { kind: 'element', powerWatt: 0, supplyVolt: 230, toleranceRatio: 0 } }),
    ),
  'warns-after-lock-out': () => detects({ warnsAfter: 5, locksOutAfter: 3 }),
  'attempt-too-short': () => detects({ attempt: { runMs: 4000, restMs: 60_000 }, forMs: 10_000 }),
  'stages-disagree': () =>
    spoil(detects({ warnsAfter: 2, locksOutAfter: 5 }), 'code', 'k17', () => ({
      signStages: [
        { when: 'from the second on', sign: 'Lamp a blinks.' },
        { when: 'locked out after 4', sign: 'All blink.' },
      ],
    })),
  'suspect-untested': glasswasher,
  'scope-exceeded': () => washer('chart', 'rinse-heat', (c) => node(c, 'element', { hazards: ['steam-pressure'] })),
  'contact-without-hours': () =>
    washer('family', 'brindlewick-g4', () => ({
      contacts: [{ name: 'Counter', sort: 'shop', for: 'technician', reach: 'ring 1', asks: [] }],
    })),
  'two-currencies': () =>
    washer('family', 'brindlewick-g4', (f) => ({
      parts: (f.parts as unknown as object[]).map((p, i) => ({
        ...p,
        ...(i < 2 ? { price: { amount: 20, currency: i === 0 ? 'EUR' : 'USD' } } : {}),
      })),
    })),
  'trade-for-nobody': () => washer('hazard', 'mains', () => ({ scope: 'operator', trade: 'electrical' })),
  'proof-falls-short': () =>
    spoil(
      washer('source', 'bench-0419', () => ({ speaksFor: [], notSeen: [{ route: 'erase-memory', at: '0' }] })),
      'code',
      'k17',
      () => ({ standing: 'bench-proven', source: 'bench-0419' }),
    ),
  'pattern-unreadable': () => washer('family', 'brindlewick-g4', variant({ models: ['G4[D-A]'] })),
  'pattern-matches-everything': () => washer('family', 'brindlewick-g4', variant({ models: ['(G)*'] })),
  'bounds-upside-down': () => washer('family', 'brindlewick-g4', variant({ serials: [{ from: 'B200', to: 'B99' }] })),
  'variants-overlap': () => washer('family', 'brindlewick-g4', variant({ software: { below: '2.6' } })),
  'variants-gap': () => washer('family', 'brindlewick-g4', variant({ software: { below: '2.1' } })),
  'variants-missing': () => washer('code', 'k17', () => ({ onlyVariants: ['three-phase'] })),
  'part-two-numbers': () => {
    const family = entryOf(glasswasher(), 'family', 'brindlewick-g4');
    if (!family) throw new Error('no family');
    const [part] = family.parts;
    const numbered = (id: string, number: string, supersedes: string[]) =>
      ({ ...family, id, parts: [{ ...part, numbers: [{ number, onlyVariants: [], supersedes }] }] }) as never;
    // a later number of the same part is no other part
    expect(lintParts([numbered('a', 'P1', []), numbered('b', 'P2', ['P1'])])).toEqual([]);
    return lintParts([numbered('a', 'P1', []), numbered('b', 'P2', [])]);
  },
  'families-alike': () =>
    lintTraits([
      { id: 'a', traits: new Map([['lamps', '5']]) },
      { id: 'b', traits: new Map([['display', 'none']]) },
    ]),
  'carried-over': () => washer('code', 'k19', () => ({ carriedFrom: 'Another unit' })),
  'look-again': () => {
    const bundle = glasswasher();
    const document = bundle.entries.find((e) => e.kind === 'source' && e.sort === 'document');
    return spoil(bundle, 'source', String(document?.id), () => ({ edition: 'newest', before: 'older' }));
  },
  'setting-not-allowed': () => {
    const bundle = glasswasher();
    const setting = {
      kind: 'setting',
      id: 'fill',
      family: 'brindlewick-g4',
      name: 'Fill',
      shownAs: '',
      standing: 'hearsay',
    };
    const wrong = { ...setting, source: null, allowed: ['1', '2'], right: [{ variant: null, value: '3' }] };
    return { ...bundle, entries: [...bundle.entries, wrong as unknown as Entry] };
  },
};

describe('lint', () => {
  it.each(findingCodes)('finds %s, at a place in the bundle, in plain words, and tells nothing twice', (code) => {
    const made = fixtures[code]?.() ?? [];
    const bundle = Array.isArray(made) ? glasswasher() : made;
    const all = Array.isArray(made) ? made : lint(made);
    const told = all.map((f) => JSON.stringify([findingWords(f), f.at]));
    expect(told.filter((words, i) => told.indexOf(words) !== i)).toEqual([]);
    const found = all.filter((f) => f.code === code);
    expect(found.length).toBeGreaterThan(0);
    for (const finding of found) {
      expect(findingWords(finding)).toMatch(/^[“A-Z0-9].*\.$/s);
      expect(stationOf(finding, bundle)).toBeTypeOf('string');
    }
  });

  it('the demo and the second family have no errors', () => {
    for (const bundle of [glasswasher(), dryer()])
      expect(lint(bundle).filter((f) => f.severity === 'error')).toEqual([]);
  });

  it('a suspect named twice, and tested by nothing, is missing once', () => {
    const bundle = fixtures['suspect-untested']?.() as Bundle;
    const twice = {
      ...bundle,
      entries: bundle.entries.map((e) => (e.kind === 'code' ? { ...e, suspects: [...e.suspects, ...e.suspects] } : e)),
    };
    const untested = (of: Bundle) =>
      lint(of)
        .filter((f) => f.code === 'suspect-untested')
        .map(findingWords);
    expect(untested(twice)).toEqual(untested(bundle));
  });

  it('puts the gravest first', () => {
    const order = lint(fixtures['energised-unprotected']?.() as Bundle).map((f) =>
      ['error', 'warning', 'hint'].indexOf(f.severity),
    );
    expect(order).toEqual([...order].sort((a, b) => a - b));
  });

  it('says which code a dead lamp turns a dangerous one into', () => {
    expect(lint(glasswasher()).find((f) => f.code === 'look-alike-danger')).toMatchObject({
      code: 'look-alike-danger',
      text: 'K23',
      becomes: 'K19',
      slip: { kind: 'lamp-dark', of: 'lamp c' },
      hazards: ['Overheated closed tank'],
    });
  });
});
