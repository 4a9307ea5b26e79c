import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  choicesAt,
  diff,
  type Entry,
  entrySchemas,
  type Finding,
  findingsOfChart,
  findingsOfRoute,
  forSharing,
  invertChanges,
  leaningOn,
  lint,
  mayBeCopied,
  migrateBundle,
  occurrencesOf,
  stationOf,
  usesOf,
  validate,
  withheldOf,
} from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { lintEditions } from './look-again.ts';
import { definedBy } from './names.ts';

/** The glasswasher with one entry otherwise. */
function washer(kind: Entry['kind'], id: string, change: object): Bundle {
  const bundle = glasswasher();
  return { ...bundle, entries: bundle.entries.map((e) => (e.kind === kind && e.id === id ? { ...e, ...change } : e)) };
}
const indexOf = (bundle: Bundle, kind: Entry['kind'], id: string): number =>
  bundle.entries.findIndex((e) => e.kind === kind && e.id === id);
const picture = glasswasher().entries.find((e) => e.kind === 'asset');
if (!picture) throw new Error('the demo has a picture');

describe('a bundle to give away', () => {
  const held = washer('asset', picture.id, { mayBeShared: false });
  const mentions = (bundle: Bundle) =>
    bundle.entries.flatMap((e) => occurrencesOf(e).filter((o) => o.text === picture.id && o.role === 'names')).length;

  it('lets go of what may not be shared, of every mention of it, and of nothing else', () => {
    const given = forSharing(held);
    expect(mentions(held)).toBeGreaterThan(0);
    expect([indexOf(given, 'asset', picture.id), mentions(given)]).toEqual([-1, 0]);
    expect(given.entries.length).toBe(held.entries.length - 1);
    expect(validate(given)).toEqual([]);
    const touched = given.entries.filter((e) => !held.entries.some((before) => before === e));
    expect(touched.every((e) => held.entries.some((b) => b.kind === e.kind && b.id === e.id))).toBe(true);
  });

  it('keeps a picture that may be shared, with its mentions', () => {
    const given = forSharing(glasswasher());
    const words = new Set(withheldOf(glasswasher()).map(({ of }) => of));
    const without = glasswasher().entries.map((e) =>
      e.kind === 'account' && words.has(e.name) ? { ...e, told: '' } : e,
    );
    expect(given.entries).toEqual(without);
    expect(mentions(given)).toBe(mentions(glasswasher()));
  });

  it('leaves out the words of what may only be looked at, and nothing the school says itself', () => {
    const [k19] = glasswasher().entries.filter((e) => e.kind === 'code' && e.id === 'k19');
    const [document] = glasswasher().entries.filter((e) => e.kind === 'source' && e.sort === 'document');
    const claim = { about: 'saw', says: 'Ours.', source: document?.id, standing: 'document' };
    const cites = { at: 'page 12, figure 3', quote: 'Theirs, word for word.' };
    const demoAccount = glasswasher().entries.flatMap((e) => (e.kind === 'account' ? [e.name] : []))[0];
    const told = {
      kind: 'account',
      id: 'told',
      family: 'brindlewick-g4',
      route: 'enter-memory',
      name: 'As somebody told it',
      told: 'first you turn it off',
      steps: [],
      source: document?.id,
      standing: 'hearsay',
    } as unknown as Entry;
    const cited = washer('code', 'k19', { claims: [{ ...claim, cites }] });
    const bundle = { ...cited, entries: [...cited.entries, told] };
    const given = JSON.stringify(forSharing(bundle));
    expect([given.includes('word for word'), given.includes('first you turn it off')]).toEqual([false, false]);
    expect([given.includes('Ours.'), given.includes('page 12, figure 3')]).toEqual([true, true]);
    const title = document && 'title' in document ? document.title : '';
    const own = withheldOf(bundle).filter(({ of }) => of !== demoAccount);
    expect(own).toEqual([
      { what: 'quote', of: k19 && 'text' in k19 ? k19.text : '', from: title },
      { what: 'words', of: 'As somebody told it', from: title },
    ]);
    // where its owner says so, they may be passed on
    const free = {
      ...bundle,
      entries: bundle.entries.map((e) => (e.id === document?.id ? ({ ...e, mayBeCopied: true } as Entry) : e)),
    };
    const left = withheldOf(free).filter(({ of }) => of !== demoAccount);
    expect([left, JSON.stringify(forSharing(free)).includes('word for word')]).toEqual([[], true]);
  });

  it('one’s own words may be passed on, somebody else’s only where it is said', () => {
    const of = (sort: string, more: object = {}) => mayBeCopied({ sort, ...more } as never);
    expect(['person', 'bench', 'document', 'bulletin', 'clip', 'chat'].map((s) => of(s))).toEqual([
      true,
      true,
      false,
      false,
      false,
      false,
    ]);
    expect([of('clip', { mayBeCopied: true }), of('person', { mayBeCopied: false })]).toEqual([true, false]);
  });

  it('is not what was published, and does not say so', () => {
    const pinned = { hash: 'a'.repeat(64), publishedAt: '2031-01-01T08:00:00.000Z', revisions: {} };
    expect('pinned' in forSharing({ ...glasswasher(), pinned })).toBe(false);
  });
});

describe('findings of one entry', () => {
  const spoilt = washer('chart', 'drain', { start: 'nowhere' });
  const all = lint(spoilt);
  const chartAt = indexOf(spoilt, 'chart', 'drain');
  const codeAt = indexOf(spoilt, 'code', 'd09');

  it('of a chart are those of the chart and of the codes that use it, gravest first, and no others', () => {
    const bare = washer('chart', 'drain', { start: 'nowhere' });
    const own = findingsOfChart(bare, 'drain');
    expect(own.length).toBeGreaterThan(0);
    expect(new Set(own.map((f) => f.at[1]))).toEqual(
      new Set([chartAt, ...own.flatMap((f) => (f.at[1] === codeAt ? [codeAt] : []))]),
    );
    expect(own.filter((f) => f.code === 'dangling-id')).toEqual(
      all.filter((f) => f.code === 'dangling-id' && f.at[1] === chartAt),
    );
    const ranks = own.map((f) => ['error', 'warning', 'hint'].indexOf(f.severity));
    expect(ranks).toEqual([...ranks].sort());
    expect(findingsOfChart(bare, 'fill').some((f) => f.at[1] === chartAt)).toBe(false);
  });

  it('a suspect no chart tests is told with the chart of its code', () => {
    const untested = lint(glasswasher()).filter((f) => f.code === 'suspect-untested');
    expect(untested.length).toBeGreaterThan(0);
    for (const finding of untested) {
      const code = glasswasher().entries[Number(finding.at[1])];
      const chart = code && 'chart' in code ? code.chart : null;
      if (chart) expect(findingsOfChart(glasswasher(), chart)).toContainEqual(finding);
    }
  });

  it('of a route are those at it alone', () => {
    const wrong = washer('route', 'enter-memory', { from: ['nowhere'] });
    const own = findingsOfRoute(wrong, 'enter-memory');
    expect(own.map((f) => f.code)).toContain('dangling-id');
    expect(new Set(own.map((f) => f.at[1]))).toEqual(new Set([indexOf(wrong, 'route', 'enter-memory')]));
    const ranks = own.map((f) => ['error', 'warning', 'hint'].indexOf(f.severity));
    expect(ranks).toEqual([...ranks].sort());
    expect(findingsOfRoute(wrong, 'next-slot').some((f) => f.code === 'dangling-id')).toBe(false);
    expect(findingsOfRoute(wrong, 'gone')).toEqual([]);
  });
});

describe('the station a finding belongs to', () => {
  const at = (kind: Entry['kind'], id: string, code: Finding['code'] = 'dangling-id') => {
    const bundle = glasswasher();
    return stationOf({ code, at: ['entries', indexOf(bundle, kind, id)] } as unknown as Finding, bundle);
  };
  it.each<[Entry['kind'], string, string]>([
    ['route', 'enter-memory', 'enter'],
    ['route', 'next-slot', 'enter'],
    ['route', 'start-checks', 'enter'],
    ['route', 'erase-memory', 'clear'],
    ['route', 'leave-memory', 'clear'],
    ['route', 'level-zero', 'clear'],
    ['chart', 'drain', 'test'],
    ['code', 'd09', 'test'],
    ['hazard', 'mains', 'unit'],
    ['source', 'sheet-g4', 'unit'],
  ])('%s %s: %s', (kind, id, station) => expect(at(kind, id)).toBe(station));
  it.each(['look-alike-danger', 'duplicate-code', 'code-without-pattern'] as const)(
    'a code’s %s is met at Read',
    (code) => expect(at('code', 'd09', code)).toBe('read'),
  );
  it('whatever is at no entry belongs to the unit', () => {
    expect(stationOf({ code: 'dangling-id', at: ['family'] } as never, glasswasher())).toBe('unit');
    expect(stationOf({ code: 'dangling-id', at: ['entries', 9999] } as never, glasswasher())).toBe('unit');
  });
});

describe('a new edition', () => {
  const edition = { edition: 'newest', before: 'older' };
  const leaning = () => leaningOn(glasswasher(), 'sheet-g4' as never);

  it('leaves everything that leans on the document to look at again, at its own entry', () => {
    const found = lintEditions(washer('source', 'sheet-g4', edition));
    expect(leaning().length).toBeGreaterThan(5);
    expect(found.map((f) => f.at)).toEqual(leaning().map((l) => ['entries', l.index]));
    expect(found.every((f) => f.severity === 'hint')).toBe(true);
  });
  it('what was looked at again is done', () => {
    const [first, ...rest] = leaning();
    const found = lintEditions(washer('source', 'sheet-g4', { ...edition, lookedAgain: [first?.key] }));
    expect(found.map((f) => f.at[1])).toEqual(rest.map((l) => l.index));
  });
  it('what leans on another source is not asked for', () => {
    const others = new Set(leaningOn(glasswasher(), 'bench-0419' as never).map((l) => l.index));
    const only = [...others].filter((i) => !leaning().some((l) => l.index === i));
    expect(only.length).toBeGreaterThan(0);
    const found = lintEditions(washer('source', 'sheet-g4', edition));
    for (const i of only) expect(found.some((f) => f.at[1] === i)).toBe(false);
  });
  it('only of a document, and only where it has an older one', () => {
    expect(lintEditions(glasswasher())).toEqual([]);
    expect(lintEditions(washer('source', 'harbour-round', { before: 'older' }))).toEqual([]);
  });
});

describe('what a field may name', () => {
  const bundle = glasswasher();
  const entry = (kind: Entry['kind'], id: string): Entry => {
    const found = bundle.entries.find((e) => e.kind === kind && e.id === id);
    if (!found) throw new Error(id);
    return found;
  };
  const choices = (value: object, path: ReadonlyArray<string | number>, isKey = false) => {
    const { kind } = value as Entry;
    return choicesAt({ schema: entrySchemas[kind], value, path, isKey }, bundle.entries);
  };

  it('entries are offered by what people call them', () => {
    const charts = choices(entry('code', 'd09'), ['chart']);
    expect(charts?.map((c) => c.id).sort()).toEqual(
      bundle.entries.flatMap((e) => (e.kind === 'chart' ? [e.id] : [])).sort(),
    );
    const drain = entry('chart', 'drain');
    expect(charts?.find((c) => c.id === 'drain')?.name).toBe('title' in drain ? drain.title : '');
  });
  it('parts by their names, and by their ids where they have none', () => {
    const family = entry('family', 'brindlewick-g4');
    if (family.kind !== 'family') throw new Error('family');
    const [first] = family.parts;
    const nameless = { ...family, parts: [{ ...first, name: '' }, ...family.parts.slice(1)] };
    const parts = choicesAt(
      { schema: entrySchemas.code, value: entry('code', 'd09'), path: ['suspects', 0, 'part'] },
      bundle.entries.map((e) => (e.kind === 'family' ? (nameless as Entry) : e)),
    );
    expect(parts?.[0]).toMatchObject({ id: first?.id, name: first?.id });
    expect(parts?.[1]).toMatchObject({ id: family.parts[1]?.id, name: family.parts[1]?.name });
  });
  it('what is being drawn stands for itself: steps it has now are offered, steps it had are not', () => {
    const chart = entry('chart', 'drain');
    if (chart.kind !== 'chart') throw new Error('chart');
    const now = { ...chart, nodes: [{ id: 'newly', kind: 'act', title: 'New', next: null }] };
    expect(choices(now, ['start'])).toEqual([{ kind: 'node', id: 'newly', name: 'New' }]);
  });
  it('an entry of another kind under the same id is another one', () => {
    const route = { ...entry('route', 'enter-memory'), id: 'drain' };
    expect(choices(route, ['chart'])?.map((c) => c.id)).toContain('drain');
  });
  it('text that names nothing has no choices', () => {
    expect(choices(entry('code', 'd09'), ['title'])).toBeNull();
    expect(choices(entry('code', 'd09'), ['nowhere'])).toBeNull();
  });
});

describe('documents of other versions', () => {
  it.each([0, 1.5, -1, '1', null, undefined, Number.NaN, 3])('version %s is refused', (version) =>
    expect(migrateBundle({ version }, [], 2)).toMatchObject({
      ok: false,
      error: { code: 'document-too-new', version },
    }),
  );
  it('the newest is left as it is', () => {
    const document = { version: 2, a: 1 };
    expect(migrateBundle(document, [], 2)).toEqual({ ok: true, value: document });
  });
});

describe('differences of lists', () => {
  it.each<[string, unknown[], unknown[], object[]]>([
    ['something more at the end', ['a'], ['a', 'b'], [{ kind: 'added', at: ['l', 1], to: 'b' }]],
    ['something gone from the end', ['a', 'b'], ['a'], [{ kind: 'removed', at: ['l', 1], from: 'b' }]],
    [
      'named by what they say',
      [{ says: 'x' }, { says: 'y' }],
      [{ says: 'y' }, { says: 'x' }],
      [{ kind: 'moved', at: ['l'], from: 1, to: 0, what: { says: 'y' } }],
    ],
    [
      'named by what they are',
      [{ what: 'x' }, { what: 'y' }],
      [{ what: 'y' }, { what: 'x' }],
      [{ kind: 'moved', at: ['l'], from: 1, to: 0, what: { what: 'y' } }],
    ],
    [
      'without a name, place by place',
      [{ says: '' }, { says: 'y' }],
      [{ says: 'y' }, { says: '' }],
      [
        { kind: 'changed', at: ['l', 0, 'says'], from: '', to: 'y' },
        { kind: 'changed', at: ['l', 1, 'says'], from: 'y', to: '' },
      ],
    ],
  ])('%s', (_, before, after, changes) => {
    const found = diff({ l: before }, { l: after });
    expect(found).toEqual(changes);
    expect(invertChanges(invertChanges(found))).toEqual(found);
  });
});

describe('uses of a thing', () => {
  it('a role mentioned in words counts within its own chart only', () => {
    const chart = glasswasher().entries.find((e) => e.kind === 'chart' && e.id === 'drain');
    if (chart?.kind !== 'chart') throw new Error('chart');
    const mentioning = (id: string): Entry =>
      ({
        ...chart,
        id,
        roles: [{ id: 'pump', name: 'Pump' }],
        nodes: [{ id: 'a', kind: 'act', title: 'Look at the {pump}', next: null }],
        start: 'a',
      }) as unknown as Entry;
    const entries = [mentioning('drain'), mentioning('other')];
    const [role] = occurrencesOf(entries[0] as Entry).filter((o) => o.role === 'defines' && o.text === 'pump');
    const named = role && definedBy(role);
    if (!named) throw new Error('a role of the chart');
    const uses = usesOf(entries, named);
    expect(uses.map((u) => [u.entry, u.found.role])).toEqual([
      [0, 'defines'],
      [0, 'mentions'],
    ]);
    expect(usesOf(entries, { ...named, id: 'pum' })).toEqual([]);
    expect(usesOf(entries, { ...named, kind: 'parameter' })).toEqual([]);
  });
});
