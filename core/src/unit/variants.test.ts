import { describe, expect, it } from 'vitest';
import {
  Attached,
  checkComposition,
  Family,
  findingWords,
  holdsFor,
  leftAfter,
  type Plate,
  resolveParameters,
} from '../index.ts';
import { lintFamily } from './lint.ts';

const family = (change: object): Family =>
  Family.parse({
    kind: 'family',
    id: 'f',
    name: 'F',
    sort: 'machine',
    summary: '',
    controllers: [{ id: 'main', name: 'Main', role: 'lead', authoritative: true }],
    parameters: [{ id: 'limit', name: 'Limit', quantity: 'duration', value: 540 }],
    ...change,
  });
const variant = (id: string, change: object) => ({ id, name: id.toUpperCase(), ...change });
const words = (variants: object[]) => lintFamily(family({ variants }), []).map(findingWords);

describe('lintFamily', () => {
  it.each<[string, object[], string[]]>([
    ['nothing to say of one variant', [variant('a', { models: ['F1*'] })], []],
    [
      'two variants with models that never meet',
      [variant('a', { models: ['F1*'] }), variant('b', { models: ['F2*'] })],
      [],
    ],
    [
      'patterns that meet, with a model number that fits both',
      [variant('a', { models: ['F-1?'] }), variant('b', { models: ['F[12]7', 'G'] })],
      ['“A” and “B” both fit F17: nothing decides between them.'],
    ],
    [
      'software tells them apart',
      [
        variant('a', { models: ['F'], software: { below: '3.9' } }),
        variant('b', { models: ['F'], software: { from: '3.9' } }),
      ],
      [],
    ],
    [
      '3.10 comes after 3.9, so that these meet',
      [variant('a', { software: { below: '3.10' } }), variant('b', { software: { from: '3.9' } })],
      ['“A” and “B” both fit any model, software 3.9: nothing decides between them.'],
    ],
    [
      'a gap in the software, with a model it is about',
      [
        variant('a', { models: ['F1'], software: { below: '2.4' } }),
        variant('b', { models: ['F*'], software: { from: '2.6' } }),
      ],
      ['No variant covers software 2.4 and up, below 2.6 on F1.'],
    ],
    [
      'nobody covers the newest and the oldest',
      [variant('a', { software: { from: '1.2', below: '2.0' } })],
      ['No variant covers software below 1.2.', 'No variant covers software 2.0 and up.'],
    ],
    [
      'serials tell them apart, or do not',
      [
        variant('a', { serials: [{ from: 'S100', to: 'S199' }] }),
        variant('b', { serials: [{ from: 'S200', to: 'S999' }] }),
        variant('c', { serials: [{ from: 'S950', to: 'S2000' }] }),
      ],
      ['“B” and “C” both fit any model, serial S950: nothing decides between them.'],
    ],
    [
      'options tell them apart',
      [variant('a', { options: { fuel: 'gas' } }), variant('b', { options: { fuel: 'oil' } })],
      [],
    ],
    [
      'upside down, unreadable, and everything',
      [variant('a', { models: ['*', 'F('], serials: [{ from: '20', to: '3' }] })],
      [
        '“*” matches every model number.',
        '“F(”: what stands at 2 is opened and not closed.',
        'The serial range from 20 to 3 stands upside down; it holds nothing.',
      ],
    ],
  ])('%s', (_, variants, expected) => expect(words(variants)).toEqual(expected));
});

describe('resolveParameters', () => {
  const own = family({
    variants: [
      variant('early', { models: ['F1'], software: { below: '2.4' } }),
      variant('late', { models: ['F1'], software: { from: '2.4' }, values: { limit: 1080 } }),
      variant('gas', { models: ['F2'], options: { fuel: 'gas' }, values: { limit: 300 } }),
      variant('oil', { models: ['F2'], options: { fuel: 'oil' } }),
    ],
  });
  const nothing: Plate = { model: null, serial: null, software: null };
  it.each<[string, Plate, Array<[number, string[], string[]]>]>([
    [
      'software 2.10 is after 2.4',
      { ...nothing, model: 'F1', software: '2.10' },
      [[1080, ['late'], ['model', 'software']]],
    ],
    ['an option decides', { ...nothing, model: 'F2', options: { fuel: 'Gas' } }, [[300, ['gas'], ['model', 'option']]]],
    [
      'software not readable keeps both values',
      { ...nothing, model: 'F1' },
      [
        [540, ['early'], ['model']],
        [1080, ['late'], ['model']],
      ],
    ],
    [
      'equal values are one case',
      { ...nothing, software: '2.3' },
      [
        [540, ['early', 'oil'], ['software']],
        [300, ['gas'], ['only-one']],
      ],
    ],
    ['no variant fits: the family’s own', { ...nothing, model: 'X' }, [[540, [], []]]],
  ])('%s', (_, plate, expected) => {
    const [limit] = resolveParameters(own, plate);
    expect(limit?.cases.map((c) => [c.value, c.variants, c.why.map((w) => w.kind)])).toEqual(expected);
  });
});

it.each<[string[], string[], string]>([
  [[], ['a', 'b'], 'yes'],
  [['a'], ['a'], 'yes'],
  [['a'], ['a', 'b'], 'maybe'],
  [['a'], ['b'], 'no'],
  [['a'], [], 'maybe'],
])('an entry for %j holds on a unit that may be %j: %s', (only, alive, expected) =>
  expect(holdsFor(only as never, alive as never)).toBe(expected),
);

describe('checkComposition', () => {
  const own = family({
    variants: [variant('early', {}), variant('late', {})],
    attachments: [
      {
        part: 'station',
        least: 1,
        most: 6,
        generations: [
          { name: 'first', variants: ['early'], note: 'other plug' },
          { name: 'second', software: { from: '3.2' } },
        ],
      },
    ],
  });
  const check = (alive: string[], software: string | null, ...attached: Array<Partial<Attached>>) =>
    checkComposition(
      own,
      { alive: alive as never, software },
      attached.map((a) => Attached.parse({ part: 'station', count: 1, ...a })),
    ).map((p) => p.kind);
  it.each<[string, ReturnType<typeof check>, string[]]>([
    ['six are fine', check(['early'], null, { count: 4 }, { count: 2 }), []],
    ['seven in two rows are too many', check(['early'], null, { count: 4 }, { count: 3 }), ['too-many']],
    ['none is too few', check(['early'], null, { count: 0 }), ['too-few']],
    ['a part nobody listed', check(['early'], null, { part: 'trailer' }), ['not-listed']],
    ['an old station on a new unit', check(['late'], '3.5', { generation: 'first' }), ['not-with-variant']],
    ['variant not known', check(['early', 'late'], '3.5', { generation: 'first' }), ['maybe-not-with-variant']],
    ['board swapped for one with older software', check(['late'], '3.1', { generation: 'second' }), ['needs-software']],
    ['software not read yet', check(['late'], null, { generation: 'second' }), ['software-not-known']],
    ['a generation of nobody', check(['late'], null, { generation: 'ninth' }), ['generation-not-listed']],
  ])('%s', (_, found, expected) => expect(found).toEqual(expected));

  it('what is left after locking out', () => {
    const attached = [Attached.parse({ part: 'pack', count: 4 }), Attached.parse({ part: 'pack', count: 2 })];
    expect(leftAfter(attached, 'pack', 1)).toEqual({ left: 5, of: 6 });
    expect(leftAfter(attached, 'station', 1)).toBeNull();
  });
});
