import { describe, expect, it } from 'vitest';
import { familyEntry, type Part, repairCost } from '../index.ts';
import { glasswasher } from '../testing/bundles.ts';
import { yearsOf } from './repair-cost.ts';

const part = (price?: Part['price']): Part => ({
  ...(familyEntry(glasswasher()).parts[0] as Part),
  ...(price && { price }),
});
const limit = { fromYears: 6, most: 100, currency: 'EUR' };
const is = (amount: number, age: string | undefined, more: object = {}, quantity = 1) =>
  repairCost(part({ amount, currency: 'EUR' }), quantity, { limit, age, thisYear: 2026, ...more })?.is;

describe('repair or replace', () => {
  it.each<[string | undefined, number | null]>([
    ['7 years', 7],
    ['2019', 7],
    ['built 2026', 0],
    ['about 12', 12],
    ['6,5 y', 6],
    ['old', null],
    [undefined, null],
  ])('%j is %j years', (told, years) => expect(yearsOf(told, 2026)).toBe(years));
  it('is said only where price, age and limit are known, in one currency; never decided', () => {
    expect([is(101, '6 years'), is(100, '6 years'), is(60, '6 years', {}, 2)]).toEqual(['over', 'within', 'over']);
    expect([is(500, '5 years'), is(500, undefined), is(500, '9', { limit: undefined })]).toEqual([
      'younger',
      'age-unknown',
      'no-limit',
    ]);
    expect(is(500, '9 years', { limit: { ...limit, currency: 'ISK' } })).toBe('other-currency');
    expect(repairCost(part(), 1, { limit, age: '9', thisYear: 2026 })).toBeNull();
  });
});
