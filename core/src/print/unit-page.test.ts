import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
  type Bundle,
  entriesOf,
  familyEntry,
  type Panel,
  readBundle,
  type Sheet,
  sheetDefinition,
  sheetText,
  unitPage,
} from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { faceSvg } from './panel-svg.ts';

const demo = new URL('../../../demo/', import.meta.url);
const families = readdirSync(demo).filter((name) => name.endsWith('.json'));
const read = (file: string): Bundle => {
  const bundle = readBundle(JSON.parse(readFileSync(new URL(file, demo), 'utf8')));
  if (!bundle.ok) throw new Error(file);
  return bundle.value;
};
const pageOf = (bundle: Bundle, variant: string | null = null, paper: Sheet['paper'] = 'page') =>
  unitPage({ bundle, variant: variant as never, paper, address: 'https://example.test/shelf/x' });

describe('one page for the unit', () => {
  it.each(families)(
    '%s: has every code with its first suspect, the way in, erasing, cautions, and the panel',
    (file) => {
      const bundle = read(file);
      const text = sheetText(pageOf(bundle));
      for (const code of entriesOf(bundle, 'code')) {
        expect(text).toContain(code.text);
        expect(text).toContain(code.suspects[0]?.label ?? '—');
      }
      for (const heading of ['KEYS', 'WAY IN', 'CODES', 'ERASE', 'WAY OUT']) expect(text).toContain(heading);
      for (const route of entriesOf(bundle, 'route').filter((r) => r.purpose === 'enter'))
        expect(text).toContain(route.name);
      expect(pageOf(bundle).blocks.some((b) => b.kind === 'drawing')).toBe(true);
      expect(() => sheetDefinition(pageOf(bundle, null, 'card'))).not.toThrow();
    },
  );
  it('numbers the keys as on the drawing, says what each lamp counts, and how a code looks', () => {
    const page = pageOf(glasswasher());
    const drawn = page.blocks.find((b) => b.kind === 'drawing');
    const svg = drawn?.kind === 'drawing' ? drawn.svg : '';
    const panel = entriesOf(glasswasher(), 'panel')[0] as Panel;
    for (const [i, control] of (panel.faces[0]?.controls ?? []).entries()) {
      expect(svg).toContain(`>${i + 1}</text>`);
      expect(sheetText(page)).toContain(`${i + 1} · ${control.label}`);
    }
    expect(sheetText(page)).toMatch(/a = \d+, b = \d+/);
    const row = page.blocks.flatMap((b) => (b.kind === 'table' ? b.rows : [])).find((r) => r[0] === 'K19');
    expect(row?.[3]).toMatch(/lit/);
    // a card has no room for that
    const card = pageOf(glasswasher(), null, 'card').blocks.flatMap((b) => (b.kind === 'table' ? b.rows : []));
    expect(card.find((r) => r[0] === 'K19')).toHaveLength(3);
  });
  it('is the variant’s own: its board, its ways, and no other’s', () => {
    const quorrin = read('quorrin-b2.json');
    const [old, late] = [pageOf(quorrin, 'large-early'), pageOf(quorrin, 'large-late')].map(sheetText);
    expect([old?.includes('wheel'), late?.includes('wheel')]).toEqual([false, true]);
    expect([old?.includes('newer boilers'), late?.includes('newer boilers')]).toEqual([false, true]);
    expect(pageOf(quorrin, 'large-late').title).toContain(
      familyEntry(quorrin).variants.find((v) => v.id === 'large-late')?.name,
    );
  });
  it('cautions stand before the step they are about', () => {
    const lines = sheetText(pageOf(read('hobrannet-t12.json'))).split('\n');
    const caution = lines.findIndex((l) => l.includes('The forks may jerk'));
    expect(lines[caution + 1]).toMatch(/\d\. key on/);
  });
  it.each(families)('%s: whoever uses it is told of no service mode, cover or measuring, and whom to call', (file) => {
    const bundle = read(file);
    const text = sheetText(unitPage({ bundle, variant: null, paper: 'page', audience: 'operator', address: 'x' }));
    for (const route of entriesOf(bundle, 'route')) expect(text).not.toContain(route.name);
    for (const code of entriesOf(bundle, 'code')) expect(text).toContain(code.text);
    expect(text).not.toMatch(/WAY IN|ERASE|Ω/);
    for (const contact of familyEntry(bundle).contacts ?? []) expect(text).toContain(contact.reach);
  });
  it('what is written on a unit cannot break the drawing', () => {
    const [face] = (entriesOf(glasswasher(), 'panel')[0] as Panel).faces;
    if (!face) throw new Error('no face');
    const odd = { ...face, controls: face.controls.map((c) => ({ ...c, label: '<script>"&' })) };
    const svg = faceSvg(odd, { numbers: new Map(), weights: new Map() });
    expect(svg).not.toContain('<script>');
    expect(svg).toContain('&lt;script&gt;&quot;&amp;');
  });
});
