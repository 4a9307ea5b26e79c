import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entriesOf, litAt, type Readout, type Scene, sceneAt, schedule } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { lampsStage, readoutOf, stageOf } from '../testing/readouts.ts';

const scenes = (readout: Readout, text: string): Scene[] => {
  const made = schedule(readout, text);
  if (!made.ok) throw new Error(made.error.code);
  return made.value;
};
/** What one sign does, as `1` and `0` every so many milliseconds. */
const strip = (scene: Scene, sign: string, everyMs: number, n: number): string =>
  Array.from({ length: n }, (_, i) => {
    const shown = sceneAt(scene, i * everyMs + everyMs / 2).find((s) => s.sign === sign);
    return shown?.kind === 'lamp'
      ? shown.state === 'dark'
        ? '0'
        : '1'
      : shown?.kind === 'sound'
        ? shown.state === 'off'
          ? '0'
          : '1'
        : '?';
  }).join('');

const counts = (more: object = {}) =>
  readoutOf([
    stageOf('c', {
      kind: 'blinks',
      sign: 'x',
      most: 9,
      onMs: 300,
      offMs: 300,
      pauseMs: 1200,
      to: { kind: 'number', least: 1, most: 9 },
      ...more,
    }),
  ]);

describe('what each sign does over time', () => {
  it.each([
    ['blinks and a pause', counts(), '3', '1010100001010100'],
    ['a steady lead-in first', counts({ leadIn: { steadyMs: 1200, means: 'the other' } }), '2', '1111001010000111'],
    ['beeps alike', counts({ heard: true }), '2', '1010000101000010'],
    [
      'long and short',
      readoutOf([
        stageOf('r', {
          kind: 'rhythm',
          sign: 'x',
          shortMs: 300,
          longMs: 900,
          gapMs: 300,
          pauseMs: 1200,
          rows: [{ pattern: 'sl', value: 'A' }],
        }),
      ]),
      'A',
      '1011100001011100',
    ],
  ])('%s', (_, readout, text, expected) =>
    expect(strip(scenes(readout, text)[0] as Scene, 'x', 300, 16)).toBe(expected),
  );

  it('which lamp blinks, and how often: the others stay dark', () => {
    const readout = readoutOf([
      stageOf('w', {
        kind: 'which',
        lamps: [
          { sign: 'x', value: 'A' },
          { sign: 'y', value: 'B' },
        ],
        most: 4,
      }),
    ]);
    const [scene] = scenes(readout, 'B2');
    expect([strip(scene as Scene, 'x', 300, 8), strip(scene as Scene, 'y', 300, 8)]).toEqual(['00000000', '10100000']);
  });

  it('halves told by colour follow each other in one scene', () => {
    const [scene, more] = scenes(entriesOf(glasswasher(), 'readout')[0] as Readout, 'K19');
    expect(more).toBeUndefined();
    const shown = (atMs: number) =>
      sceneAt(scene as Scene, atMs).flatMap((s) =>
        s.kind === 'lamp' && s.state === 'lit' ? [`${s.sign.at(-1)} ${s.colour}`] : [],
      );
    expect([shown(100), shown(4000)]).toEqual([
      ['b amber', 'd amber', 'e amber'],
      ['a green', 'd green', 'e green'],
    ]);
  });

  it('a gesture between begins a scene of its own', () => {
    const readout = readoutOf([
      lampsStage('a', [{ sign: 'p', weight: 1 }], { kind: 'number', least: 0, most: 1 }),
      stageOf(
        'b',
        { kind: 'blinks', sign: 'x', most: 3, to: { kind: 'number', least: 1, most: 3 } },
        { kind: 'route', route: 'next' },
      ),
    ]);
    expect(scenes(readout, '12').map((s) => [s.stages, s.after])).toEqual([
      [['a'], null],
      [['b'], 'next'],
    ]);
  });

  it('a code and its value alternate, and the value is no part of the code', () => {
    const readout = readoutOf(
      [
        stageOf('code', { kind: 'text', sign: 'd', length: 2, characters: 'E0123456789' }),
        stageOf(
          'value',
          { kind: 'value', sign: 'd', fields: [{ name: 'air', quantity: 'temperature', least: 0, most: 90 }] },
          { kind: 'alternates', everyMs: 2000 },
        ),
      ],
      { compose: [{ kind: 'stage', stage: 'code' }] },
    );
    const made = schedule(readout, 'E5', new Map([['value' as never, '38']]));
    const scene = made.ok ? (made.value[0] as Scene) : null;
    const text = (atMs: number) => sceneAt(scene as Scene, atMs).map((s) => (s.kind === 'text' ? s.text : ''));
    expect([text(100), text(2500), scene?.periodMs]).toEqual([['E5'], ['38'], 4000]);
  });

  it('repeats after its period, whatever the instant', () => {
    const [scene] = scenes(counts(), '4');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60_000 }), (atMs) => {
        expect(sceneAt(scene as Scene, atMs + 3 * (scene?.periodMs ?? 1))).toEqual(sceneAt(scene as Scene, atMs));
      }),
    );
  });

  it.each([
    ['dark', 0],
    ['lit', 1],
    ['slow', 0.5],
    ['fast', 0.5],
  ] as const)('a lamp that is %s gives light %d of the time', (state, share) => {
    const instants = Array.from({ length: 1200 }, (_, i) => litAt(state, i * 10, { slowHz: 1, fastHz: 4 }));
    expect(instants.filter(Boolean).length / instants.length).toBeCloseTo(share, 1);
  });
});
