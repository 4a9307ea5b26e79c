import fc from 'fast-check';
import { expect, it } from 'vitest';
import { betweenNowAndPublished } from '../index.ts';

const found = (severity: 'error' | 'warning' | 'hint', accepted: unknown = null) => ({ severity, accepted });
const states = ['draft', 'in-review', 'published', 'retired'] as const;

it.each([
  [[], [], []],
  [[found('error')], ['published'], []],
  [
    [found('error'), found('warning')],
    ['draft', 'draft'],
    ['fix 1', 'submit 2'],
  ],
  [[found('warning')], ['draft', 'in-review'], ['submit 1', 'review 1']],
  [[], ['in-review', 'published'], ['review 1']],
] as const)('%j with %j: %j', (findings, all, wanted) => {
  const between = betweenNowAndPublished(
    findings,
    all.map((state) => ({ state })),
  );
  expect(between.map((b) => `${b.what} ${b.count}`)).toEqual(wanted);
});

it('counts every draft and every entry with a reviewer once, and nothing where all is published', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...states)), fc.nat(5), (all, errors) => {
      const between = betweenNowAndPublished(
        Array.from({ length: errors }, () => found('error')),
        all.map((state) => ({ state })),
      );
      const open = all.filter((s) => s === 'draft' || s === 'in-review').length;
      expect(between.filter((b) => b.what !== 'fix').reduce((sum, b) => sum + b.count, 0)).toBe(open);
      expect(between.some((b) => b.what === 'fix')).toBe(errors > 0 && open > 0);
    }),
  );
});
