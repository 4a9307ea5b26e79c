import { describe, expect, it } from 'vitest';
import type { ControllerId, FamilyId, ModeId, RouteId, SignId } from '../base/ids.ts';
import { decode, encode, looksOf, Panel, panelFromWords, type Readout } from '../index.ts';
import { signsFor } from './by-asking.ts';
import { type Apart, fallsInto, type PartsAsked, type PartWay, partWays, readoutInParts, splitOf } from './in-parts.ts';

const panels = [
  Panel.parse({
    kind: 'panel',
    id: 'p',
    family: 'u',
    name: 'P',
    controller: 'main',
    faces: panelFromWords('a display of 4 digits, four lamps in a row, labelled A, B, C and D, a beeper').faces,
  }),
];
const about = {
  id: 'codes',
  family: 'u' as FamilyId,
  name: 'Codes',
  controller: 'main' as ControllerId,
  modes: ['stored-codes' as ModeId],
};
const at = (by: PartWay, nth = 0): PartsAsked['parts'][0] => {
  const sign = signsFor(by, panels)[nth];
  if (!sign) throw new Error(by);
  return { by, sign: sign.id as SignId };
};
const lamps = signsFor('blinks', panels).map((s) => s.id as SignId);
const time: Apart = { is: 'time', everyMs: 3000 };
const made = (asked: Omit<PartsAsked, 'split'>, codes: readonly string[]): Readout => {
  const readout = readoutInParts({ ...asked, split: splitOf(codes, asked.parts.length) }, codes, panels, about);
  if (!readout.ok) throw new Error(JSON.stringify(readout.error));
  return readout.value;
};
/** Every code as it shows, read back: what it could be. */
const readBack = (readout: Readout, codes: readonly string[]): string[][] =>
  codes.map((code) => {
    const shown = encode(readout, code);
    if (!shown.ok) throw new Error(`${code}: ${JSON.stringify(shown.error)}`);
    const known = codes.map((text) => ({ text, frequency: 1 }));
    const { candidates } = decode(readout, known, { slot: 1, looks: looksOf(readout, shown.value) });
    return candidates.map((c) => c.code);
  });

describe('how codes fall into parts', () => {
  it.each([
    [['E1-2', 'E4-11'], 'E', ['-']],
    [['12', '31', '44'], '', ['']],
    [['M05', 'M31'], 'M', ['']],
    [['A.1', 'B.2'], '', ['.']],
    [['E12-3'], 'E', ['-']],
    [[], '', ['']],
    [['1-2-3', '4-11-2'], '', ['-', '-']],
    [['E1.22', 'E4.31'], 'E', ['.', '']],
    [['1234', '4321'], '', ['', '', '']],
  ])('%j', (codes, before, between) => {
    const split = splitOf(codes, between.length + 1);
    expect(split).toEqual({ before, cuts: between.map((sign) => ({ between: sign, first: 1 })) });
    for (const code of codes) {
      const parts = fallsInto(code, split);
      expect(parts).toHaveLength(between.length + 1);
      expect(`${before}${parts?.map((p, i) => `${p}${between[i] ?? ''}`).join('')}`).toBe(code);
    }
  });
  it.each([
    ['1-2', 3],
    ['-1', 2],
    ['1', 2],
  ])('%s does not fall into %i', (code, parts) => {
    expect(
      fallsInto(code, { before: '', cuts: Array.from({ length: parts - 1 }, () => ({ between: '-', first: 1 })) }),
    ).toBeNull();
  });
});

describe('a code in parts', () => {
  const texts: Readonly<Record<PartWay, readonly string[]>> = {
    blinks: ['1', '4', '9'],
    beeps: ['2', '3', '7'],
    which: ['A1', 'B3', 'D9'],
    display: ['7', 'H', 'P'],
  };
  const pairs = partWays.flatMap((a) => partWays.map((b) => [a, b] as const));
  it.each(pairs)('first by %s, then by %s: every code shows, and reads back as itself', (a, b) => {
    const codes = texts[a].map((first, i) => `${first}-${texts[b][i]}`);
    const readout = made({ parts: [at(a), at(b, a === b && a === 'blinks' ? 1 : 0)], aparts: [time] }, codes);
    const read = readBack(readout, codes);
    codes.forEach((code, i) => {
      expect(read[i]).toContain(code);
    });
  });

  it.each<[string, Apart]>([
    ['time', time],
    ['a lamp that is lit then', { is: 'sign', sign: lamps[3] as SignId }],
    ['another colour of the same lamp', { is: 'colour', first: 'green', second: 'red' }],
    ['something one does', { is: 'route', route: 'next' as RouteId }],
  ])('told apart by %s', (_, apart) => {
    const codes = ['12', '31', '44'];
    const readout = made({ parts: [at('blinks'), at('blinks')], aparts: [apart] }, codes);
    readBack(readout, codes).forEach((read, i) => {
      expect(read).toEqual([codes[i]]);
    });
  });

  it.each<[string, readonly PartWay[], readonly Apart[], readonly string[]]>([
    ['three, one after the other', ['blinks', 'blinks', 'blinks'], [time, time], ['1-2-3', '4-9-1', '2-2-2']],
    [
      'three, by a lamp and by something one does',
      ['blinks', 'display', 'blinks'],
      [
        { is: 'sign', sign: lamps[3] as SignId },
        { is: 'route', route: 'next' as RouteId },
      ],
      ['1-7-3', '4-H-1'],
    ],
    ['four', ['which', 'blinks', 'blinks', 'display'], [time, time, time], ['A1-2-3-7', 'D9-1-1-P']],
  ])('%s: every code shows, and reads back as itself', (_, ways, aparts, codes) => {
    const parts = ways.map((by, i) => at(by, by === 'blinks' ? Math.min(i, 2) : 0));
    const readout = made({ parts, aparts }, codes);
    expect(readout.stages).toHaveLength(ways.length);
    readBack(readout, codes).forEach((read, i) => {
      expect(read).toContain(codes[i]);
    });
  });

  it('what cannot be shown so is told, with the code or the part that cannot', () => {
    const split = { before: '', cuts: [{ between: '', first: 1 }] };
    const asked = (a: PartWay, codes: readonly string[]) =>
      readoutInParts({ parts: [at(a), at('blinks')], aparts: [time], split }, codes, panels, about);
    expect(asked('blinks', ['12', '3'])).toEqual({ ok: false, error: { is: 'no-such-parts', codes: ['3'] } });
    expect(asked('blinks', ['12', 'E4'])).toEqual({ ok: false, error: { is: 'no-number', part: 0, text: 'E' } });
    expect(asked('which', ['A1', 'Z2'])).toEqual({ ok: false, error: { is: 'no-lamp', part: 0, text: 'A' } });
    expect(asked('display', ['H0'])).toEqual({ ok: false, error: { is: 'no-number', part: 1, text: '0' } });
  });

  it.each(pairs)('with no codes yet there is one to look at: first by %s, then by %s', (a, b) => {
    const split = { before: 'E', cuts: [{ between: '', first: 1 }] };
    const readout = readoutInParts({ parts: [at(a), at(b)], aparts: [time], split }, [], panels, about);
    const sample = (by: PartWay): string => (by === 'which' ? 'A1' : '1');
    expect(readout.ok && encode(readout.value, `E${sample(a)}${sample(b)}`).ok).toBe(true);
  });
});
