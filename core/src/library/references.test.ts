import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  choicesAt,
  documentWith,
  type Entry,
  EntryKey,
  entryKinds,
  entrySchemas,
  fieldText,
  type IdKind,
  idKinds,
  lint,
  namesIn,
  occurrencesOf,
  rename,
  Seen,
  type StringField,
  stringFields,
  type Thing,
  usesOf,
  validate,
  WalkEvent,
} from '../index.ts';
import { Bundle as BundleSchema } from '../model/bundle.ts';
import { Machine } from '../model/walk.ts';
import { demoBundles, dryer, glasswasher } from '../testing/bundles.ts';

const bundles = demoBundles();
bundles.push(['velmarrow-d1.json', dryer()]);

const fieldsOf = (kind: (typeof entryKinds)[number]): StringField[] => stringFields(entrySchemas[kind]);
const named = entryKinds.flatMap((kind) =>
  fieldsOf(kind).flatMap((field) =>
    field.meaning?.role === 'names' || field.meaning?.role === 'names-entry'
      ? [[`${kind} ${fieldText(field.path)}`, kind, field] as const]
      : [],
  ),
);

describe('what a string is', () => {
  it.each([
    ...entryKinds.map((kind) => [kind, entrySchemas[kind]] as const),
    ['bundle', BundleSchema.omit({ entries: true })] as const,
    ['walk event', WalkEvent] as const,
    ['machine', Machine] as const,
    ['seen', Seen] as const,
    ['entry key', EntryKey] as const,
  ])('every string field of a %s is a name, an id, or said to be text', (_, schema) => {
    expect(
      stringFields(schema)
        .filter((f) => f.meaning === undefined)
        .map((f) => fieldText(f.path)),
    ).toEqual([]);
  });

  it('every kind of thing with an id is defined somewhere, and named somewhere', () => {
    const all = [...entryKinds.flatMap(fieldsOf), ...stringFields(WalkEvent), ...stringFields(Machine)];
    const defined = new Set(all.flatMap((f) => (f.meaning?.role === 'defines' ? [f.meaning.kind] : [])));
    const used = new Set<IdKind>(all.flatMap((f) => (f.meaning?.role === 'names' ? f.meaning.kinds : [])));
    // walks are made on devices; nothing is called by a panel, a meaning, an account of a reading
    expect(idKinds.filter((k) => !defined.has(k))).toEqual(['walk']);
    expect(idKinds.filter((k) => !used.has(k))).toEqual(['panel', 'meaning', 'reading-account']);
  });
});

/** Whom the names in a made-up document hold within: things of the glasswasher that are there. */
const around: Readonly<Record<string, string>> = {
  control: 'rocker',
  chart: 'rinse-heat',
  mode: 'memory',
  readout: 'lamps',
};

/** A document with one name in it that nothing has; null where its kind has no such name. */
function dangled(kind: (typeof entryKinds)[number], field: StringField): { bundle: Bundle; path: string } {
  const { meaning } = field;
  const isAsset = meaning?.role === 'names' && meaning.kinds.includes('asset');
  const gone = meaning?.role === 'names-entry' ? 'code:gone' : isAsset ? 'f'.repeat(64) : 'gone';
  const made = documentWith(field.path, gone) as Record<string, unknown>;
  const entry = { ...made, kind };
  const by = meaning?.role === 'names' ? meaning.by : null;
  const whole = by === null ? entry : { ...withBy(entry, field.path, by), kind };
  const base = glasswasher();
  const bundle = { ...base, entries: [...base.entries, whole as unknown as Entry] };
  const found = occurrencesOf(whole as unknown as Entry).find((o) => o.text === gone);
  return { bundle, path: [...['entries', base.entries.length], ...(found?.path ?? ['nowhere'])].join('.') };
}

/** The same document with the field beside, or around, that says within which thing the name holds. */
function withBy(value: Record<string, unknown>, path: StringField['path'], by: string): Record<string, unknown> {
  const steps = path.filter((s) => s.kind === 'field').length;
  const known = (object: Record<string, unknown>): Record<string, unknown> => ({ ...object, [by]: around[by] });
  // beside the name, or one object further out, as a chart's use stands beside the chart
  const put = (at: unknown, depth: number): unknown => {
    if (Array.isArray(at)) return at.map((item) => put(item, depth));
    if (typeof at !== 'object' || at === null) return at;
    const inner = Object.fromEntries(Object.entries(at).map(([k, v]) => [k, put(v, depth + 1)]));
    return depth >= steps - 2 && !(by in inner) ? known(inner) : inner;
  };
  return put(value, 0) as Record<string, unknown>;
}

describe('a name of nothing', () => {
  it.each(named)('%s is refused at exactly its place', (_, kind, field) => {
    const { bundle, path } = dangled(kind, field);
    const places = validate(bundle).map((f) => f.at.join('.'));
    if (field.meaning?.role === 'names' && field.meaning.mayBeOther) expect(places).not.toContain(path);
    else expect(places).toContain(path);
  });

  it('of every name in the demo, made one of nothing, is refused there', () => {
    for (const [file, bundle] of bundles) {
      const tried = new Set<string>();
      bundle.entries.forEach((entry, i) => {
        for (const found of occurrencesOf(entry)) {
          const where = `${entry.kind} ${found.path.filter((p) => typeof p === 'string').join('.')}`;
          if (found.role !== 'names' || found.isKey || found.mayBeOther || tried.has(where)) continue;
          tried.add(where);
          const copy = structuredClone(entry) as unknown as Record<string, unknown>;
          const holder = found.path
            .slice(0, -1)
            .reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], copy);
          (holder as Record<string | number, unknown>)[found.path.at(-1) ?? ''] = found.kinds.includes('asset')
            ? 'f'.repeat(64)
            : 'gone';
          const spoilt = { ...bundle, entries: bundle.entries.with(i, copy as unknown as Entry) };
          expect([file, validate(spoilt).map((f) => f.at.join('.'))]).toEqual([
            file,
            expect.arrayContaining([['entries', i, ...found.path].join('.')]),
          ]);
        }
      });
    }
  });
});

describe('renaming', () => {
  const things = (bundle: Bundle): Thing[] => {
    const names = namesIn(bundle);
    const all = bundle.entries.flatMap((entry) =>
      occurrencesOf(entry).flatMap((found) => {
        const resolved = found.role === 'defines' ? names.resolve(found) : null;
        return resolved?.kind === 'thing' ? [resolved.named] : [];
      }),
    );
    return [...new Map(all.map((n) => [JSON.stringify(n), n])).values()];
  };

  it.each(bundles)(
    '%s: whatever has an id is called otherwise everywhere, and back gives the same bytes',
    (_, bundle) => {
      const before = JSON.stringify(bundle);
      const wrong = lint(bundle).length;
      const all = things(bundle);
      for (const thing of all) {
        const to = thing.kind === 'asset' ? 'a'.repeat(64) : 'other-name';
        const renamed = rename(bundle, thing, to);
        if (renamed === 'taken') throw new Error(`${to} is taken`);
        expect([thing, usesOf(renamed.entries, thing)]).toEqual([thing, []]);
        expect([thing, validate(renamed)]).toEqual([thing, []]);
        if (JSON.stringify(rename(renamed, { ...thing, id: to }, thing.id)) !== before)
          throw new Error(`${thing.kind} ${thing.within} ${thing.id} does not come back as it was`);
      }
      expect(lint(bundle)).toHaveLength(wrong);
      expect(new Set(all.map((thing) => thing.kind)).size).toBeGreaterThan(12);
    },
  );

  it('a role of a shared chart is renamed in its words too', () => {
    const shared = glasswasher().entries.find((e) => e.kind === 'chart' && e.roles.length > 0);
    expect(shared?.kind).toBe('chart');
    if (shared?.kind !== 'chart') return;
    const role = shared.roles[0]?.id ?? '';
    const renamed = rename(glasswasher(), { kind: 'part', within: `chart:${shared.id}`, id: role }, 'another-role');
    const text = JSON.stringify(
      renamed !== 'taken' && renamed.entries.find((e) => e.kind === 'chart' && e.id === shared.id),
    );
    expect(JSON.stringify(shared)).toContain(`{${role}}`);
    expect(text).not.toContain(`{${role}}`);
    expect(text).toContain('{another-role}');
  });

  it('does not take a name that is taken', () => {
    expect(rename(glasswasher(), { kind: 'control', within: '', id: 'rocker' }, 'hood')).toBe('taken');
  });
});

describe('what a field may name', () => {
  const bundle = glasswasher();
  const route = bundle.entries.find((e) => e.kind === 'route' && e.id === 'enter-memory') as Entry;
  const chart = bundle.entries.find((e) => e.kind === 'chart' && e.id === 'rinse-heat') as Entry;
  const ids = (value: unknown, path: ReadonlyArray<string | number>, isKey = false) => {
    const { kind } = value as Entry;
    return choicesAt({ schema: entrySchemas[kind], value, path, isKey }, bundle.entries)?.map((c) => c.id) ?? null;
  };
  it('places are those of the control beside', () => {
    const step = (control: string) => ({ ...route, steps: [{ kind: 'set', control, to: '' }] });
    expect(ids(step('hood'), ['steps', 0, 'to'])).toEqual(['shut', 'open']);
    expect(ids(step('rocker'), ['steps', 0, 'to'])).toEqual(['up', 'rest', 'down']);
    expect(ids(step('gone'), ['steps', 0, 'to'])).toEqual([]);
  });
  it('steps are those of this chart as it is being drawn', () => {
    const drawn = {
      ...chart,
      nodes: [
        { id: 'one', kind: 'act', title: 'One', next: null },
        { id: 'two', kind: 'look', title: 'Two' },
      ],
    };
    expect(ids(drawn, ['nodes', 0, 'next'])).toEqual(['one', 'two']);
    expect(ids(drawn, ['nodes', 1, 'cannotTell'])).toEqual(['one', 'two']);
  });
  it('controls and signs for a mark; parts for what a step is about', () => {
    expect(ids(chart, ['nodes', 0, 'marks', 0])).toEqual(null);
    const measured = { ...chart, nodes: [{ id: 'm', kind: 'measure', title: 'M' }] };
    expect(ids(measured, ['nodes', 0, 'marks', 0])).toEqual(expect.arrayContaining(['rocker', 'lamp-a']));
    expect(ids(measured, ['nodes', 0, 'about', 0])).toContain('rinse-element');
  });
  it('keys of a record: parameters for values, badges for labels, what a called chart wants', () => {
    const family = bundle.entries.find((e) => e.kind === 'family');
    expect(ids(family, ['variants', 0, 'values'], true)).toContain('rinse-power');
    expect(ids(family, ['traits'], true)).toBeNull();
  });
  it('nothing where text is typed', () => {
    expect(ids(route, ['name'])).toBeNull();
    expect(ids(route, ['steps', 0, 'why'])).toBeNull();
  });
});
