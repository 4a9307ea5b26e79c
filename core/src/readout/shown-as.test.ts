import { describe, expect, it } from 'vitest';
import { encode, schedule } from '../index.ts';
import { madeLook } from '../testing/made-looks.ts';
import { lampsStage, readoutOf, stageOf } from '../testing/readouts.ts';
import { litAt, rowsOfStages, sceneAt } from './schedule.ts';

const shownWords = (shown: object): string => Object.values(shown).join(' ');

/** Everything a readout shows for some of its codes, sign by sign over time. */
function told(readout: ReturnType<typeof readoutOf>, codes: readonly string[]): string[] {
  return codes.flatMap((code) => {
    const shows = encode(readout, code);
    const scenes = schedule(readout, code);
    if (!shows.ok || !scenes.ok) return [`${code}: ${JSON.stringify(shows.ok || shows.error)}`];
    return [
      `${code}: ${shows.value.map((s) => `${s.stage} ${s.blinks} ${s.pattern} [${s.shown.map(shownWords).join(', ')}]`).join(' | ')}`,
      ...scenes.value.flatMap((scene) => [
        `  ${scene.stages} after ${scene.after}, every ${scene.periodMs}`,
        ...scene.cues.slice(0, 9).map((c) => `    ${c.fromMs}–${c.toMs} ${shownWords(c.shown)}`),
        `    at 700: ${sceneAt(scene, 700 - scene.periodMs)
          .map(shownWords)
          .join(', ')}`,
      ]),
    ];
  });
}

const weights = ['a', 'b', 'c'].map((sign, i) => ({ sign, weight: 2 ** i }));
const odd = [
  readoutOf([
    lampsStage(
      'n',
      [...weights, { sign: 'idle' }],
      { kind: 'characters', characters: 'ABCDEFG', first: 1 },
      { onIs: 'slow' },
    ),
    {
      ...lampsStage('m', weights, { kind: 'number', least: 1, most: 7 }),
      comes: { kind: 'colour', colour: 'red', everyMs: 2000 },
    },
    { ...lampsStage('k', weights, { kind: 'number', least: 1, most: 7 }), comes: { kind: 'route', route: 'next' } },
  ]),
  readoutOf([
    stageOf('c', {
      kind: 'rhythm',
      sign: 'x',
      leadIn: { steadyMs: 3000, means: 'y' },
      rows: [{ pattern: 'ls', value: 'P' }],
    }),
    stageOf(
      'd',
      { kind: 'blinks', sign: 'x', heard: true, most: 3, to: { kind: 'number', least: 1, most: 3 } },
      { kind: 'alternates', everyMs: 1500 },
    ),
  ]),
  readoutOf([stageOf('p', { kind: 'pair', sign: 'd', between: '.' })]),
  readoutOf([stageOf('b', { kind: 'bytes', sign: 'd' })]),
];
const oddCodes = [
  ['A12', 'G77', 'B3', 'H11'],
  ['P2', 'P9'],
  ['412-7', '600000-1', '12-40'],
  ['412-7', '524287-31'],
];

/** What shows for made-up codes, to the letter: whatever changes a word of it is looked at. `vitest -u` writes it anew. */
describe('every word of what shows', () => {
  it('for made-up readouts', async () => {
    const lines = Array.from({ length: 40 }, (_, i) => {
      const { readout, listed, truth } = madeLook(62_000 + i);
      return told(readout, [truth, ...listed.slice(0, 2).map((l) => l.text)]);
    }).flat();
    const more = odd.flatMap((readout, i) => told(readout, oddCodes[i] ?? []));
    await expect(`${[...lines, ...more].join('\n')}\n`).toMatchFileSnapshot('shown-as/codes.txt');
  });
  it('stages that come by a gesture begin a row', () => {
    expect(odd.map((r) => rowsOfStages(r.stages).map((row) => row.map((s) => s.id).join('+')))).toEqual([
      ['n+m', 'k'],
      ['c+d'],
      ['p'],
      ['b'],
    ]);
  });
  it.each([
    ['dark', 0, false],
    ['lit', 777, true],
    ['slow', 0, true],
    ['slow', 499, true],
    ['slow', 500, false],
    ['slow', 1001, true],
    ['fast', 0, true],
    ['fast', 130, false],
    ['fast', 251, true],
  ] as const)('%s at %i ms: %s', (state, at, lit) => expect(litAt(state, at, { slowHz: 1, fastHz: 4 })).toBe(lit));
});
