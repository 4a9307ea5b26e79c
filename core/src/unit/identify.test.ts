import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  familyEntry,
  identify,
  lintTraits,
  type Panel,
  type SeenTraits,
  type TraitSubject,
  traitsOf,
} from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';

const subject = (id: string, traits: Record<string, string>): TraitSubject => ({
  id,
  traits: new Map(Object.entries(traits)),
});
const shelf = [
  subject('washer', { lamps: '5', knob: 'no', board: 'green' }),
  subject('brewer', { lamps: '5', knob: 'yes', board: 'green' }),
  subject('oven', { lamps: '2', knob: 'yes', board: 'brown' }),
  subject('cart', { lamps: '2', knob: 'no' }),
];
const left = (seen: SeenTraits) => identify(shelf, seen).left.map((s) => s.id);

describe('identify', () => {
  it.each<[SeenTraits, string[], string | null]>([
    [{}, ['washer', 'brewer', 'oven', 'cart'], 'knob'],
    [{ lamps: '5' }, ['washer', 'brewer'], 'knob'],
    [{ lamps: null }, ['washer', 'brewer', 'oven', 'cart'], 'board'],
    [{ lamps: '2', knob: null }, ['oven', 'cart'], null],
    [{ board: 'brown' }, ['oven', 'cart'], 'knob'],
    [{ lamps: '9' }, [], null],
  ])('%j leaves %j and asks for %s', (seen, expected, ask) => {
    expect(left(seen)).toEqual(expected);
    expect(identify(shelf, seen).ask?.trait ?? null).toBe(ask);
  });

  it('every answer names who is left after it, those with an unknown trait among them', () => {
    expect(identify(shelf, { lamps: '2', knob: null, board: null }).ask).toBeNull();
    const { ask } = identify(shelf, { lamps: null, knob: null });
    expect(ask).toMatchObject({
      trait: 'board',
      answers: [
        { value: 'green', left: ['washer', 'brewer', 'cart'] },
        { value: 'brown', left: ['oven', 'cart'] },
      ],
    });
  });

  const anyShelf = fc.array(fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd', 'e'), fc.constantFrom('1', '2', '3')), {
    minLength: 1,
    maxLength: 30,
  });
  it('a family that is answered truthfully is never lost, whatever could not be told, and asking ends', () => {
    fc.assert(
      fc.property(anyShelf, fc.nat(), fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }), (rows, pick, mute) => {
        const subjects = rows.map((traits, i) => subject(`f${i}`, traits));
        const truth = subjects[pick % subjects.length] as TraitSubject;
        const seen: Record<string, string | null> = {};
        for (let asked = 0; asked < 6; asked++) {
          const now = identify(subjects, seen);
          expect(now.left).toContain(truth);
          if (!now.ask) return;
          expect(now.ask.bits).toBeGreaterThan(0);
          seen[now.ask.trait] = mute[asked] ? null : (truth.traits.get(now.ask.trait) ?? null);
        }
        throw new Error('asked more often than there are traits');
      }),
    );
  });
});

describe('traitsOf', () => {
  const bundle = glasswasher();
  const panels = bundle.entries.filter((e): e is Panel => e.kind === 'panel');
  it('reads off the drawn front what can be seen at a glance', () => {
    const traits = traitsOf(familyEntry(bundle), panels);
    expect(Object.fromEntries(traits)).toMatchObject({
      'lamps on the front': '5',
      'display on the front': 'none',
      'rocker switch': 'yes',
      'what it is': 'appliance',
    });
  });
  it('knows nothing of a panel that is not drawn, and takes the trainer’s word', () => {
    const traits = traitsOf({ ...familyEntry(bundle), traits: { 'board colour': 'green' } }, []);
    expect(Object.fromEntries(traits)).toEqual({ 'what it is': 'appliance', 'board colour': 'green' });
  });
});

it('two families that look the same are a loose end, with what is known of one only', () => {
  const twin = subject('twin', { lamps: '2', knob: 'no', board: 'white' });
  expect(lintTraits([...shelf, twin]).map((f) => f.code === 'families-alike' && [f.families, f.missing])).toEqual([
    [['cart', 'twin'], ['board']],
  ]);
});
