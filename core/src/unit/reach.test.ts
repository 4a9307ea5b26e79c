import { describe, expect, it } from 'vitest';
import { type Bundle, entryOf, familyEntry } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { reachWords } from '../words/reach.ts';
import { fallsShort, reachOf } from './reach.ts';

const proven = (more: object): Bundle => {
  const bundle = glasswasher();
  return {
    ...bundle,
    entries: bundle.entries.map((e) => (e.id === 'bench-0419' ? ({ ...e, ...more } as typeof e) : e)),
  };
};
const variants = familyEntry(glasswasher()).variants;
const all = variants.map((v) => v.id);
const route = { kind: 'route', id: 'erase-memory', standing: 'bench-proven', source: 'bench-0419' as never } as const;
const said = (more: object, of: object = {}) => {
  const reach = reachOf(proven(more), { ...route, ...of });
  return reach && [...reachWords(reach, { variants }).slice(1), fallsShort(reach)];
};

describe('how far a proof carries', () => {
  it.each<[string, object, object, unknown]>([
    ['said of all', { speaksFor: all }, {}, [false]],
    ['nobody said for which', { speaksFor: undefined }, {}, ['For which variants it speaks was not said.', false]],
    ['not for one', { speaksFor: all.slice(1) }, {}, [`Not proven for ${variants[0]?.name}.`, true]],
    [
      'not for one the entry is not for either',
      { speaksFor: all.slice(1) },
      { onlyVariants: all.slice(1, 2) },
      [false],
    ],
    [
      'steps',
      {
        speaksFor: all,
        notSeen: [
          { route: 'erase-memory', at: '2' },
          { route: 'erase-memory', at: '4.steps.0' },
        ],
      },
      {},
      ['Steps 3 and 5.1 were not seen.', true],
    ],
    ['steps of another way', { speaksFor: all, notSeen: [{ route: 'enter-memory', at: '2' }] }, {}, [false]],
    ['not proven at all', { speaksFor: [] }, { standing: 'hearsay' }, null],
    ['by a document', { speaksFor: [] }, { source: 'no-such' }, null],
  ])('%s', (_, proof, of, wanted) => expect(said(proof, of)).toEqual(wanted));
  it('says what it was tried on', () => {
    const words = (on?: string) => {
      const reach = reachOf(proven({ on }), route);
      return reach && reachWords(reach, { variants })[0];
    };
    expect([words('loose-board'), words()]).toEqual([
      'Proven on a loose board on 2026-04-19.',
      'Proven on 2026-04-19.',
    ]);
    expect(entryOf(glasswasher(), 'source', 'bench-0419')).toBeDefined();
  });
});
