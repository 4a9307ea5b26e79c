import { describe, expect, it } from 'vitest';
import { decode, encode, type Look, schedule } from '../index.ts';
import { readoutOf, stageOf } from '../testing/readouts.ts';
import { shownNumber } from './live-value.ts';

const live = readoutOf(
  [
    stageOf('a', { kind: 'text', sign: 'd', length: 2, characters: '0123456789' }),
    stageOf(
      'v',
      {
        kind: 'value',
        sign: 'd',
        after: 'a',
        fields: [
          { when: '07', name: 'Air', quantity: 'temperature', decimals: 1, least: -10, most: 60 },
          { when: '12', name: 'Fan', quantity: 'current', decimals: 2, least: 0, most: 9.99 },
          { when: null, name: 'Count', quantity: 'count', least: 0, most: 99 },
        ],
      },
      { kind: 'alternates', everyMs: 3000 },
    ),
  ],
  { compose: [{ kind: 'stage', stage: 'a' }] },
);
const told = (address: string, value: string) =>
  decode(live, [], {
    slot: 1,
    looks: [
      { kind: 'text', stage: 'a', text: address },
      { kind: 'text', stage: 'v', text: value },
    ] as unknown as Look[],
  }).values[0] ?? null;

describe('live values', () => {
  it.each([
    ['07', '21.5', { name: 'Air', quantity: 'temperature', shown: 21.5, canShow: true, withPoint: null }],
    ['07', '-4,5', { shown: -4.5, canShow: true }],
    ['07', '215', { shown: 215, canShow: false, withPoint: 21.5 }],
    ['07', '9000', { shown: 9000, canShow: false, withPoint: null }],
    ['12', '321', { name: 'Fan', shown: 321, withPoint: 3.21 }],
    ['33', '41', { name: 'Count', shown: 41, canShow: true }],
    ['33', '410', { canShow: false, withPoint: null }],
  ])('%s shows %s', (address, value, expected) => expect(told(address, value)).toMatchObject(expected));
  it.each(['', 'oP', '1.2.3', '--'])('%j is no value', (value) => expect(told('07', value)).toBeNull());
  it.each([
    ['−4', -4],
    ['.5', 0.5],
    ['5.', 5],
    ['5,25', 5.25],
    ['5 0', null],
    ['x', null],
  ])('%j is read as %s', (text, n) => expect(shownNumber(text)).toBe(n));
  it('shows the address and what stands behind it in turn', () => {
    const shows = encode(live, '07', new Map([['v' as never, '21.5']]));
    expect(shows.ok && shows.value.map((s) => s.shown[0])).toMatchObject([{ text: '07' }, { text: '21.5' }]);
    const scenes = schedule(live, '07', new Map([['v' as never, '21.5']]));
    expect(scenes.ok && scenes.value[0]?.cues.map((c) => [c.fromMs, c.toMs])).toEqual([
      [0, 3000],
      [3000, 6000],
    ]);
  });
});

describe('a sub code', () => {
  const table = (...rows: Array<[string, string]>) => ({
    kind: 'table',
    rows: rows.map(([value, unit]) => ({ value, unit })),
  });
  const readout = readoutOf(
    [
      stageOf('t', { kind: 'text', sign: 'd', length: 2, characters: 'FD0123456789' }),
      stageOf('w', { kind: 'text', sign: 'd', length: 2, characters: '0123456789' }, { kind: 'route', route: 'next' }),
    ],
    {
      compose: [{ kind: 'stage', stage: 't' }],
      sub: {
        stage: 'w',
        names: table(['10', 'main deck'], ['11', 'side deck']),
        byCode: [{ codes: ['D1', 'D2'], names: table(['10', 'left wheel']) }],
      },
    },
  );
  it.each([
    ['F1', '10', 'main deck'],
    ['D1', '10', 'left wheel'],
    ['D2', '10', 'left wheel'],
    ['D3', '10', 'main deck'],
    ['D1', '11', null],
    ['F1', '99', null],
  ])('%s with %s names %s', (code, value, unit) => {
    const looks = [
      { kind: 'text', stage: 't', text: code },
      { kind: 'text', stage: 'w', text: value },
    ] as unknown as Look[];
    expect(decode(readout, [], { slot: 1, looks }).place?.unit ?? null).toBe(unit);
  });
});
