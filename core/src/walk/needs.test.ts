import { describe, expect, it } from 'vitest';
import { Access, entriesOf, entryOf, leaningOn, needsOf, wayBack } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

const way = (id: string, change: object = {}): Access =>
  Access.parse({
    kind: 'access',
    id,
    family: null,
    name: id,
    isolateFirst: true,
    steps: [
      { do: `${id}: screws out`, back: `${id}: screws in` },
      { do: `${id}: look` },
      { do: `${id}: cover off`, back: `${id}: cover on` },
    ],
    source: null,
    standing: 'hearsay',
    ...change,
  });

describe('needsOf', () => {
  const bundle = glasswasher();
  const subjects = [entryOf(bundle, 'code', 'k19')].flatMap((c) => c ?? []);
  const routes = entriesOf(bundle, 'route').filter((r) => r.id === 'enter-memory');
  const charts = entriesOf(bundle, 'chart').filter((c) => c.id === 'rinse-heat');
  const none = needsOf(bundle, { subjects: [], routes: [], charts: [] });

  it('of nothing is nothing', () =>
    expect(none).toEqual({ hazards: [], ways: [], gear: [], isolation: [], tools: [] }));

  it('collects every hazard of every station once, and those of the ways there', () => {
    const [hazard] = entriesOf(bundle, 'hazard').filter((h) => h.id === 'steam-pressure');
    const panel = way('panel-off', { hazards: [hazard?.id], tools: ['driver'] });
    const with2 = { entries: [...bundle.entries, panel] };
    const through = charts.map((c) => ({ ...c, nodes: c.nodes.map((n) => ({ ...n, ways: [panel.id] })) }));
    const before = needsOf(bundle, { subjects, routes, charts });
    const needs = needsOf(with2, { subjects, routes, charts: through });
    expect(new Set(needs.hazards).size).toBe(needs.hazards.length);
    expect(before.hazards.map((h) => h.id)).not.toContain('steam-pressure');
    expect(needs.hazards.map((h) => h.id)).toEqual(
      expect.arrayContaining([...before.hazards.map((h) => h.id), 'steam-pressure']),
    );
    expect([needs.ways, needs.tools.includes('driver')]).toEqual([[panel], true]);
  });
});

it('the way back goes from the end to the beginning, and leaves out what is not undone', () => {
  expect(wayBack([way('outer'), way('inner')])).toEqual([
    'inner: cover on',
    'inner: screws in',
    'outer: cover on',
    'outer: screws in',
  ]);
});

it('what leans on a source is found wherever it is named', () => {
  const bundle = glasswasher();
  const [source] = entriesOf(bundle, 'source').filter((s) => s.sort === 'document');
  const leaning = leaningOn(bundle, source?.id as never);
  expect(leaning.length).toBeGreaterThan(5);
  for (const { index, places } of leaning)
    for (const place of places)
      expect(place.reduce<unknown>((at, key) => (at as Record<string, unknown>)[key], bundle.entries[index])).toBe(
        source?.id,
      );
});
