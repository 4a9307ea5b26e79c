import fc from 'fast-check';
import { expect, it } from 'vitest';
import { groupBy } from './group.ts';

it('every element is in the group of its key, once, in its order', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(40)), (list) => {
      const groups = groupBy(list, (n) => n % 5);
      expect([...groups.keys()]).toEqual([...new Set(list.map((n) => n % 5))]);
      for (const [key, group] of groups) expect(group).toEqual(list.filter((n) => n % 5 === key));
    }),
  );
});
