import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { attemptsSoFar, lockOutMs } from '../index.ts';

const min = 60_000;
const primes = { locksOutAfter: 40, attempt: { runMs: 2 * min, restMs: 13 * min } };

describe('a counter of attempts', () => {
  // worked by hand: 40 × 2 min + 39 × 13 min = 587 min
  it.each([
    [1, 2 * min, { attempts: 39, ms: 39 * 15 * min }],
    [13, (26 + 156) * min, { attempts: 27, ms: 27 * 15 * min }],
    [40, 587 * min, null],
    [41, 602 * min, null],
  ])('%d attempts', (attempts, soFarMs, left) => expect(attemptsSoFar(primes, attempts)).toEqual({ soFarMs, left }));
  it.each([0, -1, 1.5, Number.NaN])('%d attempts are none', (n) => expect(attemptsSoFar(primes, n)).toBeNull());
  it('without a run and a rest nothing can be said', () => expect(attemptsSoFar({ locksOutAfter: 3 }, 2)).toBeNull());
  it('so far and what is left add up to the lock-out, whenever one looks', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 39 }), (n) => {
        const at = attemptsSoFar(primes, n);
        const all = lockOutMs({
          ...primes,
          stored: true,
          notWatchedCycles: 0,
          inARow: 1,
          erasedAfterCleanCycles: null,
          cycle: 'cycle',
        });
        expect((at?.soFarMs ?? 0) + (at?.left?.ms ?? 0)).toBe(all);
      }),
    );
  });
});
