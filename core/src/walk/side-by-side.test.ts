import { describe, expect, it } from 'vitest';
import type { Walk } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { sideBySideWords } from '../words/beside.ts';
import { likeOnes, sideBySide } from './side-by-side.ts';

const at = { chart: 'c' as never, node: 'n' as never };
const reading = (typed: string, value: number | null, atCelsius: number | null = null) => ({
  typed,
  quantity: 'resistance' as const,
  value,
  atCelsius,
  least: null,
  most: null,
  verdict: 'pass' as const,
  instrument: 'meter' as never,
});
type One = readonly [one: string, ohm: number | null, isGood?: boolean | null, celsius?: number];
/** The first is the unit's own. */
const laid = (...[own, ...others]: readonly One[]) =>
  sideBySide(
    {
      answers: own
        ? [{ ...at, answer: 'pass', reading: reading(`${own[1] ?? 'OL'}`, own[1], own[3]), skipped: null, at: '' }]
        : [],
      beside: others.map(([one, ohm, isGood = null, celsius]) => ({
        ...at,
        one,
        isGood,
        reading: reading(`${ohm ?? 'OL'}`, ohm, celsius),
        at: '',
      })),
    },
    at,
    () => ({ accuracyRatio: 0.01, ranges: [], testVolts: [] }),
  );
const told = (...rows: readonly One[]) => {
  const side = laid(...rows);
  return side && [side.rows.map((r) => r.is).join(' '), side.against, side.wanted];
};

describe('several of a kind, side by side', () => {
  it.each<[string, One[], unknown]>([
    ['alone there is nothing beside it', [['own', 30]], null],
    [
      'two alike',
      [
        ['own', 30],
        ['b', 31],
      ],
      ['alike alike', null, null],
    ],
    [
      'two that differ: nobody can tell which',
      [
        ['own', 30],
        ['b', 40],
      ],
      ['cannot-tell cannot-tell', null, 'another'],
    ],
    [
      'one that works settles it',
      [
        ['own', 30],
        ['b', 40, true],
      ],
      ['apart reference', 'good-one', null],
    ],
    [
      'three: the odd one',
      [
        ['own', 30],
        ['b', 40],
        ['c', 40.5],
      ],
      ['apart alike alike', 'most', null],
    ],
    [
      'three of which none agree',
      [
        ['own', 30],
        ['b', 40],
        ['c', 52],
      ],
      ['cannot-tell cannot-tell cannot-tell', null, 'good-one'],
    ],
    [
      'two of four are no more than half',
      [
        ['own', 30],
        ['b', 30],
        ['c', 60],
        ['d', 61],
      ],
      ['cannot-tell cannot-tell cannot-tell cannot-tell', null, 'good-one'],
    ],
    [
      'open beside closed',
      [
        ['own', null],
        ['b', 40, true],
      ],
      ['apart reference', 'good-one', null],
    ],
    [
      'open beside open',
      [
        ['own', null],
        ['b', null],
      ],
      ['alike alike', null, null],
    ],
    [
      'at another temperature nothing is said',
      [
        ['own', 9000, null, 24],
        ['b', 14000, true, 12],
      ],
      ['other-warmth reference', 'good-one', null],
    ],
    // 30 and 33.9: a tenth of the larger, a hundredth of each, and half a last place, is 4.6 and more
    [
      'what the meters may be off by counts',
      [
        ['own', 30],
        ['b', 33.9, true],
      ],
      ['alike reference', 'good-one', null],
    ],
  ])('%s', (_, rows, says) => expect(told(...rows)).toEqual(says));
  it('says by how much, and that alike is not good', () => {
    expect(laid(['own', 30], ['b', 40, true])?.rows[0]?.offRatio).toBeCloseTo(-0.25);
    const side = laid(['own', 30], ['b', 31]);
    expect(side && sideBySideWords(side)).toBe('They agree to 10 %. That says they are alike, not that they are good.');
    const off = laid(['own', 30], ['b', 40, true]);
    const out = off && {
      ...off,
      rows: off.rows.map((r) => ({ ...r, reading: { ...r.reading, verdict: 'high' as const } })),
    };
    expect(out && sideBySideWords(out)).toBe(
      'This one is more than 10 % off the one that works. The one that works is too high for its good band itself: look at the band once more.',
    );
    const odd = laid(['own', 30], ['b', 40], ['c', 40.5]);
    expect(odd && sideBySideWords(odd)).toBe('This one is more than 10 % off most of them.');
  });
  it('the order they were read in changes nothing', () => {
    const rows: One[] = [
      ['b', 40],
      ['c', 40.5],
      ['d', 30],
    ];
    const is = (list: One[]) => new Map((laid(['own', 41], ...list)?.rows ?? []).map((r) => [r.one, r.is] as const));
    expect(is(rows.toReversed())).toEqual(new Map(is(rows)));
  });
  it('what a system holds is asked for by name', () => {
    const unit = {
      composition: [
        { part: 'Pack', count: 3 },
        { part: 'Lid', count: 1 },
      ],
    } as unknown as Walk['unit'];
    expect(likeOnes(glasswasher(), { unit }).slice(0, 3)).toEqual(['Pack 1', 'Pack 2', 'Pack 3']);
    expect(likeOnes(glasswasher(), { unit: null })).not.toContain('Lid 1');
  });
});
