import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { driftOf } from '../index.ts';

type Taken = [day: number, value: number | null, band?: [number | null, number | null], when?: 'before' | 'after'];
const taken = (...all: Taken[]) =>
  all.map(([day, value, [least, most] = [100, 200], when = 'before']) => ({
    day,
    when,
    reading: {
      typed: String(value),
      quantity: 'resistance' as const,
      value,
      atCelsius: null,
      least,
      most,
      verdict:
        (least === null || (value ?? 0) >= least) && (most === null || (value ?? 0) <= most)
          ? ('pass' as const)
          : ('high' as const),
    },
  }));

describe('readings of a step over the walks of a machine', () => {
  it.each<[string, Taken[], object | null]>([
    ['none', [], null],
    ['one', [[0, 150]], null],
    // by hand: 50 left, then 40 after 100 days: the rest is gone after 400 more
    [
      'nearer the upper edge',
      [
        [0, 150],
        [100, 160],
      ],
      { edge: 'upper', sinceDay: 0, from: 0.5, to: 0.4, leavesDay: 500 },
    ],
    [
      'nearer the lower one',
      [
        [0, 150],
        [100, 110],
      ],
      { edge: 'lower', to: 0.1, leavesDay: 125 },
    ],
    [
      'the same at another temperature, by its own band',
      [
        [0, 150],
        [100, 300, [200, 400]],
      ],
      null,
    ],
    [
      'an insulation that falls',
      [
        [0, 8, [2, null]],
        [100, 5, [2, null]],
      ],
      { edge: 'lower', from: 3, to: 1.5, leavesDay: 200 },
    ],
    [
      'within a week',
      [
        [0, 150],
        [6, 190],
      ],
      null,
    ],
    [
      'as good as before',
      [
        [0, 150],
        [100, 155],
      ],
      null,
    ],
    [
      'a repair in between: it begins anew',
      [
        [0, 150],
        [100, 250],
        [100, 150, [100, 200], 'after'],
        [243, 152],
      ],
      null,
    ],
    [
      'what is out of its good range is told elsewhere',
      [
        [0, 150],
        [100, 250],
      ],
      null,
    ],
    [
      'so slow that nobody plans for it',
      [
        [-3652, 150],
        [0, 165],
      ],
      null,
    ],
  ])('%s', (_, all, expected) => {
    const drift = driftOf(taken(...all));
    if (expected === null) expect(drift).toBeNull();
    else expect(drift).toMatchObject(expected);
  });

  it('turned upside down it drifts to the other edge on the same day', () => {
    const values = fc.array(fc.integer({ min: 101, max: 199 }), { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(values, (all) => {
        const drift = driftOf(taken(...all.map((v, i): Taken => [i * 30, v])));
        const turned = driftOf(taken(...all.map((v, i): Taken => [i * 30, 300 - v])));
        if (!drift) {
          expect(turned).toBeNull();
          return;
        }
        expect(turned?.leavesDay).toBeCloseTo(drift.leavesDay, 6);
        expect(turned?.edge).not.toBe(drift.edge);
      }),
    );
  });
});
