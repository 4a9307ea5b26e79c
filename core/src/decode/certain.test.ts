import { describe, expect, it } from 'vitest';
import { type Decoded, decode, isTold, type Listed, type Look, type Readout } from '../index.ts';
import { madeLook, usualSlipping } from '../testing/made-looks.ts';
import { lampsStage, readoutOf, stageOf } from '../testing/readouts.ts';

const listedOf = (texts: readonly string[]): Listed[] => texts.map((text) => ({ text, frequency: 1 }));
const looking = (readout: Readout, listed: readonly Listed[], ...looks: object[]): Decoded =>
  decode(readout, listed, { slot: 1, looks: looks as Look[] });
const top = ({ candidates }: Decoded): string | undefined => candidates[0]?.code;

const display = (more: object = {}): Readout =>
  readoutOf([
    stageOf('t', { kind: 'text', sign: 'd', length: 3, face: 'segments', characters: '0123456789EFHLOPT', ...more }),
  ]);
const text = (typed: string) => ({ kind: 'text', stage: 't', text: typed });

describe('text of another length', () => {
  const fixed = display();
  const codes = listedOf(['E03', 'E06', 'E10', 'E21', 'F05']);
  it.each([
    ['7', null, true],
    ['E5', null, true],
    ['12345', null, true],
    ['E2', 'E21', true],
    ['E221', 'E21', true],
    ['F5', 'F05', true],
    ['E 21', 'E21', true],
    ['E21', 'E21', false],
    ['FO5', 'F05', false],
  ])('%s is read as %s', (typed, reads, isPattern) => {
    const decoded = looking(fixed, codes, text(typed));
    expect(isTold(decoded) ? top(decoded) : null).toBe(reads);
    if (reads === null) expect(decoded.noSuchPattern).toBe(isPattern);
  });
  it.each([
    ['E2', { kind: 'place-missing', position: 2, shows: '1' }],
    ['E221', { kind: 'place-extra', seen: '2' }],
    ['E2I', null],
    ['E71', { kind: 'character', position: 1, seen: '7', shows: '2' }],
  ])('%s says what is otherwise', (typed, misread) => {
    const decoded = looking(fixed, listedOf(['E21', 'F05']), text(typed));
    const e21 = decoded.candidates.find((c) => c.code === 'E21');
    expect(e21?.misread).toMatchObject(misread ? [misread] : []);
    expect(e21?.slips).toBe(misread ? 1 : 0);
  });
  it.each(['P4', 'P.4', 'P 4', 'p-4'])('%s is P-4: what stands between is told as one likes', (typed) => {
    const dashed = display({ characters: '0123456789EFP-' });
    const decoded = looking(dashed, listedOf(['P-4', 'P-7', 'E03']), text(typed));
    expect([isTold(decoded), top(decoded), decoded.candidates[0]?.slips]).toEqual([true, 'P-4', 0]);
  });
  it('a display may show codes of several lengths, and words', () => {
    const mixed = display({ length: 3, shortest: 1, words: ['LO', 'HOT'] });
    const listed = listedOf(['7', 'E7', 'E17', 'LO', 'HOT']);
    for (const typed of ['7', 'E7', 'E17', 'LO', 'hot', 'lo']) {
      const decoded = looking(mixed, listed, text(typed));
      expect([decoded.literal, top(decoded), decoded.candidates[0]?.slips]).toEqual([
        typed.toUpperCase(),
        typed.toUpperCase(),
        0,
      ]);
    }
    expect(looking(mixed, listed, text('HOTE')).literal).toBeNull();
  });
});

const row = (n: number, more: Record<string, unknown> = {}) =>
  lampsStage(
    'n',
    Array.from({ length: n }, (_, i) => ({ sign: `l${i}`, weight: 2 ** i })),
    { kind: 'number', least: 0, most: 2 ** n - 1, digits: 2 },
    more,
  );
const lamps = (states: string, stage = 'n') => ({
  kind: 'lamps',
  stage,
  lamps: Object.fromEntries(
    [...states].map((c, i) => [`l${i}`, c === '?' ? 'unsure' : c === '1' ? 'lit' : c === '~' ? 'dim' : 'dark']),
  ),
});

describe('room for what no table lists', () => {
  it('a pattern that fits and is not listed stays a candidate, and nothing is certain beside it', () => {
    const decoded = looking(readoutOf([row(4)]), listedOf(['05', '02']), lamps('10?0'));
    expect(decoded.candidates.map((c) => [c.code, c.kind])).toEqual([
      ['05', 'listed'],
      ['01', 'unlisted'],
    ]);
    expect(decoded.candidates[0]?.certainty).toBeLessThan(0.99);
  });
  it('nothing is ever wholly certain', () => {
    const many = Array.from({ length: 8 }, () => lamps('1010'));
    expect(looking(readoutOf([row(4)]), listedOf(['05', '08']), ...many).candidates[0]?.certainty).toBeLessThan(0.99);
  });
  it('what takes three misreadings is not offered as the result', () => {
    const decoded = looking(readoutOf([row(6)]), listedOf(['63']), lamps('111000'));
    expect(isTold(decoded) && top(decoded) === '63').toBe(false);
    const typed = looking(display(), listedOf(['E21']), text('F05'));
    expect(isTold(typed) && top(typed) === 'E21').toBe(false);
  });
  it('all there is adds up to one, with what is none of them', () => {
    for (let seed = 1; seed < 200; seed++) {
      const { readout, listed, seen } = madeLook(seed);
      const { candidates, rest } = decode(readout, listed, seen);
      const sum = candidates.reduce((s, c) => s + c.certainty, 0);
      expect(sum + rest).toBeLessThanOrEqual(1.000001);
      expect(rest).toBeGreaterThan(0);
    }
  });
  it('a readout without codes reads what it shows, with doubt like the others', () => {
    const role = readoutOf([row(3)], { tells: 'role' });
    const decoded = looking(role, [], lamps('1?0'));
    expect(decoded.candidates.slice(0, 2).map((c) => c.code)).toEqual(['01', '03']);
    expect(decoded.undecided[0]).toMatchObject({ kind: 'lamp', sign: 'l1' });
    expect(top(looking(role, [], lamps('110')))).toBe('03');
  });
});

const halves = readoutOf([
  row(4),
  {
    ...row(4),
    id: 'm',
    comes: { kind: 'sign', shown: { kind: 'lamp', sign: 'phase', state: 'lit' } },
  },
]);
const counted = (leadIn: boolean) =>
  readoutOf([
    stageOf('c', {
      kind: 'blinks',
      sign: 'x',
      most: 12,
      to: { kind: 'number', least: 1, most: 12 },
      ...(leadIn && { leadIn: { steadyMs: 4000, means: 'the other unit' } }),
    }),
  ]);
const blinks = (count: number, more: object = {}) => ({ kind: 'blinks', stage: 'c', count, ...more });

describe('the usual confusions, by name', () => {
  it.each<[string, Readout, readonly string[], object[], string]>([
    ['the halves exchanged', halves, ['0105', '0809'], [lamps('1010'), lamps('1000', 'm')], 'halves-swapped'],
    ['begun with the second half', halves, ['1401', '0114'], [lamps('0111'), lamps('1000', 'm')], 'as-told'],
    ['counted from the other end', readoutOf([row(5)]), ['03', '09'], [lamps('00011')], 'other-end'],
    ['the phase lamp counted', halves, ['0103', '0905'], [lamps('1000'), lamps('0110', 'm')], 'phase-lamp-counted'],
    ['the lead-in counted', counted(true), ['5', '9'], [blinks(6)], 'lead-in-counted'],
    ['two rounds as one', counted(false), ['4', '11'], [blinks(8)], 'told-twice'],
    ['a display told twice', display(), ['E21'], [text('E21E21')], 'told-twice'],
  ])('%s', (_, readout, listed, looks, confusion) => {
    const [first] = looking(readout, listedOf(listed), ...looks).candidates.filter((c) => c.kind === 'listed');
    expect([first?.code, first?.confusion ?? 'as-told', first?.misread]).toEqual([listed[0], confusion, []]);
  });
  it('asks back where that decides', () => {
    const open = looking(halves, listedOf(['0105', '0401']), lamps('1010'), lamps('1000', 'm'));
    expect(open.undecided.find((u) => u.kind === 'ask')).toMatchObject({ confusion: 'halves-swapped' });
  });
  it('whoever told the steady light did not count it', () => {
    const told = looking(counted(true), listedOf(['5', '6']), blinks(6, { lead: true }));
    expect(told.candidates.map((c) => c.confusion)).not.toContain('lead-in-counted');
  });
});

describe('made-up looks with slips', () => {
  const judged = (seeds: number, slipping = usualSlipping) =>
    Array.from({ length: seeds }, (_, i) => {
      const made = madeLook(40_000 + i, slipping);
      return { ...made, ...decode(made.readout, made.listed, made.seen) };
    });
  it('what agrees with what was seen is never left out, listed or not', () => {
    for (const made of judged(700)) {
      if (made.slips > 0 || made.confused) continue;
      expect(made.candidates.map((c) => c.code)).toContain(made.truth);
    }
  });
  it('what is listed and one misreading or one confusion away is always named', () => {
    for (const made of judged(700)) {
      if (!made.isListed || made.slips + (made.confused ? 1 : 0) !== 1) continue;
      expect([made.seed, made.candidates.some((c) => c.code === made.truth && c.slips <= 1)]).toEqual([
        made.seed,
        true,
      ]);
    }
  });
  it.each([0.5, 1, 2])(
    'of what is said to be as good as certain nine in ten are right, slips %s times as often',
    (rate) => {
      const sure = judged(800, { ...usualSlipping, rate }).filter((m) => (m.candidates[0]?.certainty ?? 0) >= 0.9);
      expect(sure.length).toBeGreaterThan(300);
      expect(sure.filter((m) => m.candidates[0]?.code === m.truth).length / sure.length).toBeGreaterThan(0.9);
    },
  );
});
