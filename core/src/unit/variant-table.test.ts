import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { type Family, readTable, resolvePlate } from '../index.ts';
import { entrySchemas } from '../model/entry.ts';
import { demoBundles } from '../testing/bundles.ts';
import { familyFromVariants, variantTable } from './variant-table.ts';

const families = demoBundles().flatMap(([name, b]) =>
  b.entries.flatMap((e) => (e.kind === 'family' ? [[name, e] as const] : [])),
);
const bare = (): Family =>
  entrySchemas.family.parse({
    kind: 'family',
    id: 'dunlow-h4',
    name: 'Dunlow H4',
    sort: 'appliance',
    summary: '',
    controllers: [{ id: 'main', name: 'Main control', role: 'lead', authoritative: true }],
  });
const pasted = () => {
  const read = readTable(readFileSync(new URL('../../../e2e/pasted/dryer-variants.txt', import.meta.url), 'utf8'));
  if (!read.ok) throw new Error('no table');
  const head = read.value.header;
  const rows = read.value.rows.map((r) => r.cells);
  return { head, rows };
};

describe('variants as a table', () => {
  it.each(families)('%s: read back it is the same unit', (_, family) => {
    const { family: again, problems } = familyFromVariants(family, variantTable(family));
    expect(problems).toEqual([]);
    expect(again.parameters).toEqual(family.parameters);
    expect(again.variants.map((v) => v.id)).toEqual(family.variants.map((v) => v.id));
    again.variants.forEach((v, i) => {
      const before = family.variants[i];
      expect({ ...v, values: {}, note: undefined }).toEqual({ ...before, values: {}, note: undefined });
      for (const [id, value] of Object.entries(before?.values ?? {}))
        expect(Math.abs(Number(v.values[id as keyof typeof v.values]) - value)).toBeLessThanOrEqual(
          Math.abs(value) * 0.01,
        );
    });
    expect(entrySchemas.family.safeParse(again).success).toBe(true);
  });
  it('a pasted table makes ratings of amounts, and a plate lights its row', () => {
    const { family, problems } = familyFromVariants(bare(), pasted());
    expect(problems).toEqual([]);
    expect(family.parameters.map((p) => [p.name, p.quantity, p.value])).toEqual([
      ['Heater', 'power', 1800],
      ['Mains', 'voltage', 230],
    ]);
    const plate = (model: string, software: string) => resolvePlate(family, { model, serial: null, software }).variant;
    expect(plate('H4-12B', '2.9')).toBe('h4-short-memory');
    expect(plate('H4-12B', '3.0')).toBe('h4-long-memory');
    expect(plate('H4-51', '1.0')).toBe('h4-low-voltage');
    expect(family.variants[2]?.values).toEqual({ heater: 1500, mains: 115 });
  });
  it.each<[string, string, string | null, object | undefined]>([
    ['Software', 'below 3.0', null, { below: '3.0' }],
    ['Software', '3.0 and up', null, { from: '3.0' }],
    ['firmware', 'from v2.4, below 3.10', null, { from: '2.4', below: '3.10' }],
    ['Version', '≥ 2.4', null, { from: '2.4' }],
    ['Software', '2.4', 'say “2.4 and up” or “below 2.4”', undefined],
    ['Software', 'the new one', 'says no version', undefined],
    ['Software', 'any', null, undefined],
  ])('%s %j', (head, cell, wrong, software) => {
    const { family, problems } = familyFromVariants(bare(), { head: ['Variant', head], rows: [['One', cell]] });
    expect(problems.map((p) => [p.row, p.column])).toEqual(wrong === null ? [] : [[0, 1]]);
    if (wrong !== null) expect(problems[0]?.says).toContain(wrong);
    expect(family.variants[0]?.software).toEqual(software);
  });
  it('what is wrong is told at its cell, and an id follows the name, once', () => {
    const { family, problems } = familyFromVariants(bare(), {
      head: ['Variant', 'Plate', 'Heater', 'Fuel', ''],
      rows: [
        ['One', 'h4-1*', '1.8 kW', 'gas', 'x'],
        ['One', 'H4_2?', '1.5 kW', 'none', ''],
        ['', '', '', '', ''],
      ],
    });
    expect(family.variants.map((v) => v.id)).toEqual(['one', 'one-2']);
    expect(problems.map((p) => [p.row, p.column])).toEqual([[1, 1]]);
    expect(family.variants[0]).toMatchObject({ models: ['H4-1*'], values: { heater: 1800 }, options: { Fuel: 'gas' } });
  });
  it('a rating that is there takes its own unit only', () => {
    const once = familyFromVariants(bare(), { head: ['Variant', 'Heater'], rows: [['One', '1800 W']] }).family;
    const { problems } = familyFromVariants(once, { head: ['Variant', 'Heater'], rows: [['One', '230 V']] });
    expect(problems[0]?.says).toBe('“230 V” is no power for Heater');
  });
});
