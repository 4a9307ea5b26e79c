import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ControllerId, FamilyId, ModeId, SignId } from '../base/ids.ts';
import { decode, encode, entriesOf, looksOf, Panel, panelFromWords } from '../index.ts';
import { demoBundles } from '../testing/bundles.ts';
import { liveReadout, liveValuesIn, readoutAsAsked, type ShowsBy, showsBy, signsFor, waysOf } from './by-asking.ts';

const panelOf = (words: string): Panel[] => [
  Panel.parse({
    kind: 'panel',
    id: 'p',
    family: 'u',
    name: 'P',
    controller: 'main',
    faces: panelFromWords(words).faces,
  }),
];
const about = {
  id: 'codes',
  family: 'u' as FamilyId,
  name: 'Codes',
  controller: 'main' as ControllerId,
  modes: ['stored-codes' as ModeId],
};
const every = panelOf('a display of 6 digits, four lamps in a row, a beeper');
const asked = (by: Exclude<ShowsBy, 'lamps' | 'parts'>, codes: readonly string[], nothing = '') => {
  const [sign] = signsFor(by, every);
  if (!sign) throw new Error(by);
  return readoutAsAsked({ by, sign: sign.id as SignId, codes, nothing }, every, about);
};

describe('how a code is shown, by asking', () => {
  it('only what the panel can do is offered', () => {
    expect(waysOf(every)).toEqual([...showsBy]);
    expect(waysOf(panelOf('a lamp'))).toEqual(['blinks', 'runs', 'parts']);
    expect(waysOf(panelOf('a display of 3 digits'))).toEqual(['display', 'pair', 'parts']);
    expect(waysOf([])).toEqual([]);
  });
  it.each<[Exclude<ShowsBy, 'lamps' | 'parts'>, string[]]>([
    ['blinks', ['1', '4', '9', '12']],
    ['runs', ['11', '34', '99']],
    ['beeps', ['1', '2']],
    ['display', ['E1', 'E12', 'F4']],
    ['pair', ['412-7', '9-1']],
  ])('%s shows every code it was asked for, and reads it back', (by, codes) => {
    const readout = asked(by, codes);
    for (const code of codes) {
      const shown = encode(readout, code);
      if (!shown.ok) throw new Error(`${code}: ${JSON.stringify(shown.error)}`);
      const { candidates } = decode(
        readout,
        codes.map((text) => ({ text, frequency: 1 })),
        { slot: 1, looks: looksOf(readout, shown.value) },
      );
      expect(candidates.map((c) => c.code)).toContain(code);
    }
  });
  it('whatever codes a unit has, its display takes all of them', () => {
    const code = fc.stringMatching(/^[A-Z0-9]{1,6}$/);
    fc.assert(
      fc.property(fc.uniqueArray(code, { minLength: 1, maxLength: 12 }), (codes) => {
        const readout = asked('display', codes, '---');
        for (const text of codes) expect(encode(readout, text).ok).toBe(true);
        expect(readout.specials.map((s) => s.means)).toEqual(['nothing-stored']);
      }),
      { numRuns: 60 },
    );
  });
  it('live values as people write them down; a line that is none is told', () => {
    const read = liveValuesIn('t1 cabinet, -10 to 60 °C\nP high pressure 0 to 30 bar\n');
    if (!read.ok) throw new Error('not read');
    expect(read.value.map((v) => [v.key, v.name, v.quantity, v.least, v.most])).toEqual([
      ['t1', 'cabinet', 'temperature', -10, 60],
      ['P', 'high pressure', 'pressure', 0, 30],
    ]);
    const [sign] = signsFor('display', every);
    const live = liveReadout(read.value, sign?.id as SignId, every, { ...about, id: 'live' });
    expect(live.stages[1]?.reads).toMatchObject({ kind: 'value', after: 'name' });
    expect(encode(live, 't1').ok).toBe(true);
    expect(liveValuesIn('t1 cabinet')).toEqual({ ok: false, error: { line: 1, text: 't1 cabinet' } });
    expect(liveValuesIn('t1 cabinet 60 to -10 °C').ok).toBe(false);
  });
  it('of every unit of the demo, what shows its codes is among what is offered', () => {
    for (const [, bundle] of demoBundles()) {
      const panels = entriesOf(bundle, 'panel');
      const offered = new Set<string>(waysOf(panels));
      const kinds = entriesOf(bundle, 'readout').flatMap((r) => r.stages.map((s) => s.reads.kind));
      if (kinds.includes('blinks')) expect(offered.has('blinks') || offered.has('beeps')).toBe(true);
      if (kinds.includes('text')) expect(offered.has('display')).toBe(true);
      if (kinds.includes('lamps')) expect(offered.has('lamps') || offered.has('blinks')).toBe(true);
    }
  });
});
