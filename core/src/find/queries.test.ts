import { describe, expect, it } from 'vitest';
import { find } from '../index.ts';
import { demoIndex, missedIn } from '../testing/find-queries.ts';
import { rhythmsNear, rhythmsSaid } from './rhythm.ts';

/** Found otherwise: a symptom that says the word stands before the unit, and two codes of one steam pan. */
const otherwise = ['coffee brewer', 'no steam'];

describe('what people type', () => {
  it('finds what they mean first', () => {
    const { missed, of } = missedIn(['queries.txt', 'queries-2.txt']);
    expect(of).toBeGreaterThan(200);
    expect(missed.filter((q) => !otherwise.includes(q))).toEqual([]);
  });
  it('takes no plain word for a misread code', () => {
    const index = demoIndex();
    for (const word of ['no', 'on', 'hot', 'it is', 'water', 'is'])
      expect(find(index, word).filter((f) => f.kind === 'code' && f.why.some((w) => w.kind === 'misread'))).toEqual([]);
  });
  it('shows what begins so before what may be misread for it', () => {
    const ways = find(demoIndex(), 'brindlewick K1').map((f) => f.why[0]?.kind);
    expect(ways.slice(0, 2)).toEqual(['beginning', 'beginning']);
  });
});

describe('blinks among other words', () => {
  it.each<[string, readonly string[]]>([
    ['brewer five blinks', ['sssss']],
    ['three blinks then four', ['sss ssss']],
    ['flashes 2 then once', ['ss s']],
    ['long then two short', ['lss']],
    ['short short long', ['ssl']],
    ['a long light then three blinks', ['_ sss', 'lsss']],
    ['air sensor short', []],
    ['takes too long', []],
    ['water', []],
  ])('%s', (query, rhythms) => expect(rhythmsSaid(query)[0] ?? null).toBe(rhythms[0] ?? null));
  it('one more or less is near, and so is a steady light nobody told', () => {
    expect(rhythmsNear('ss').map((r) => `${r.rhythm} ${r.off}`)).toEqual(['ss 0', '_ ss 1', 'sss 1', 's 1']);
    expect(rhythmsNear('_ s').map((r) => r.rhythm)).toEqual(['_ s', '_ ss']);
  });
});
