import { describe, expect, it } from 'vitest';
import { asBuilt, type Bundle, casesOfRoute, entriesOf, entryOf, printSteps } from '../index.ts';
import { boardBundle } from '../testing/unit.ts';

type Loose = Record<string, unknown>;
/** A board of two generations: the newer has a key and a test the older lacks, and counts to five where that counts to three. */
function generations(): Bundle {
  const bundle = boardBundle(
    [
      { id: 'in', script: 'from idle\npress a 3 times\n  - amount count\nreach service' },
      { id: 'new-way', script: 'from idle\npress c\nreach service' },
      { id: 'both', script: 'from idle\ndo in\npress b\nreach service' },
      { id: 'bound', script: 'from idle\ndo in with count 9\nreach service' },
    ],
    [
      {
        kind: 'code',
        id: 'e1',
        family: 'bench',
        controller: 'main',
        readout: null,
        text: 'E1',
        title: 'E1',
        saw: '',
        does: '',
        suspects: [],
        scope: 'technician',
        harmless: 'Nothing moves.',
        source: null,
        standing: 'document',
        detection: {
          inARow: 3,
          locksOutAfter: 3,
          forMs: 1000,
          amounts: [
            { of: 'inARow', is: 'count' },
            { of: 'locksOutAfter', is: 'count' },
            { of: 'forMs', is: 'count' },
          ],
        },
      },
      {
        kind: 'mode',
        id: 'new-only',
        family: 'bench',
        controller: 'main',
        name: 'New only',
        sort: 'live',
      },
    ],
    {
      tests: [
        { number: '1', name: 'One', starts: '', expected: '' },
        { number: '2', name: 'Two', starts: '', expected: '' },
      ],
    },
  );
  const variant = (id: string, values: Loose) => ({ id, name: id, models: [], serials: [], options: {}, values });
  const change = (e: Loose): Loose => {
    if (e.kind === 'family') return { ...e, variants: [variant('old', {}), variant('new', { count: 5 })] };
    if (e.id === 'new-way' || e.id === 'new-only') return { ...e, onlyVariants: ['new'] };
    if (e.id === 'service') {
      const tests = e.tests as Loose[];
      return { ...e, tests: tests.map((t) => (t.number === '2' ? { ...t, onlyVariants: ['new'] } : t)) };
    }
    if (e.kind !== 'panel') return e;
    const [front, ...rest] = (e as unknown as { faces: Array<{ controls: Loose[] }> }).faces;
    const controls = front?.controls.map((c) => (c.id === 'c' ? { ...c, onlyVariants: ['new'] } : c));
    return { ...e, faces: [{ ...front, controls }, ...rest] };
  };
  return {
    ...bundle,
    entries: bundle.entries.map((e) => change(e as unknown as Loose)) as unknown as Bundle['entries'],
  };
}

const stored = generations();
const at = (...alive: string[]) => asBuilt(stored, alive as never);
const script = (bundle: Bundle, id: string) => printSteps(entryOf(bundle, 'route', id)?.steps ?? []).trim();
const keys = (bundle: Bundle) =>
  entriesOf(bundle, 'panel').flatMap((p) => p.faces.flatMap((f) => f.controls.map((c) => c.id as string)));
const detected = (bundle: Bundle) => entryOf(bundle, 'code', 'e1')?.detection;

describe('a family as a unit of it is built', () => {
  it('has the numbers of its variant, and what is not its own is left out', () => {
    expect([script(at('old'), 'in'), script(at('new'), 'in')]).toEqual(['press a 3 times', 'press a 5 times']);
    expect([keys(at('old')).includes('c'), keys(at('new')).includes('c')]).toEqual([false, true]);
    const tests = (b: Bundle) => entryOf(b, 'mode', 'service')?.tests.map((t) => t.number as string);
    expect([tests(at('old')), tests(at('new'))]).toEqual([['1'], ['1', '2']]);
    expect([entryOf(at('old'), 'mode', 'new-only'), entryOf(at('old'), 'route', 'new-way')]).toEqual([
      undefined,
      undefined,
    ]);
    expect(entryOf(at('new'), 'route', 'new-way')?.id).toBe('new-way');
  });
  it('ways made of ways have them too, unless told otherwise where they are done', () => {
    const inner = (bundle: Bundle, id: string) => {
      const [done] = entryOf(bundle, 'route', id)?.steps ?? [];
      return done?.kind === 'do' ? printSteps(done.steps ?? []).trim() : '';
    };
    expect([inner(at('old'), 'both'), inner(at('new'), 'both')]).toEqual(['press a 3 times', 'press a 5 times']);
    expect([inner(at('old'), 'bound'), inner(at('new'), 'bound')]).toEqual(['press a 9 times', 'press a 9 times']);
  });
  it('where both are possible nothing is left out, and what is safe to count on is taken', () => {
    expect([script(at('old', 'new'), 'in'), keys(at('old', 'new')).includes('c')]).toEqual(['press a 3 times', true]);
    // so many in a row prove it on either; it may lock out after the fewer
    expect(detected(at('old', 'new'))).toMatchObject({ inARow: 5, locksOutAfter: 3, forMs: 5000 });
    expect(detected(at('old'))).toMatchObject({ inARow: 3, locksOutAfter: 3, forMs: 3000 });
    expect(detected(at('new'))).toMatchObject({ inARow: 5, locksOutAfter: 5, forMs: 5000 });
  });
  it('without a variant it is the family, whole; built once it stays so', () => {
    const whole = asBuilt(stored, null);
    expect(whole.entries.map((e) => e.id)).toEqual(stored.entries.map((e) => e.id));
    expect(asBuilt(stored, null)).toBe(whole);
    const old = at('old');
    expect(asBuilt(old, null)).toBe(old);
    expect(script(asBuilt(old, null), 'in')).toBe('press a 3 times');
  });
  it('no order of variants changes anything', () => {
    expect(JSON.stringify(at('old', 'new'))).toBe(JSON.stringify(at('new', 'old')));
  });
});

describe('casesOfRoute', () => {
  const cases = (id: string, ...alive: string[]) =>
    casesOfRoute(stored, id as never, alive as never).map((c) => [
      c.variants.join('+'),
      printSteps(c.route.steps).trim(),
    ]);
  it('tells apart the variants on which a way is not the same, and no others', () => {
    expect(cases('in', 'old', 'new')).toEqual([
      ['old', 'press a 3 times'],
      ['new', 'press a 5 times'],
    ]);
    expect(cases('in', 'new')).toEqual([['new', 'press a 5 times']]);
    expect(cases('both', 'old', 'new')).toHaveLength(2);
    expect(cases('bound', 'old', 'new')).toHaveLength(1);
    // one that only one of them has is the same wherever there is one
    expect(cases('new-way', 'old', 'new')).toEqual([['new', 'press c']]);
    expect(cases('nowhere', 'old')).toEqual([]);
  });
});
