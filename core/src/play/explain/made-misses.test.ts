import { describe, expect, it } from 'vitest';
import { judged, type MadeMiss, madeMiss, madeTake, missKinds, taken } from '../../testing/made-misses.ts';

/** So many that the draw gives, from a seed on. */
function some<T>(draw: (seed: number) => T | null, n: number, from: number): T[] {
  const all: T[] = [];
  for (let seed = from; all.length < n && seed < from + n * 80; seed += 1) {
    const one = draw(seed);
    if (one !== null) all.push(one);
  }
  expect(all.length).toBe(n);
  return all;
}

describe('made-up units', () => {
  it('take whatever is done within the times their ways declare', () => {
    const refused = some(madeTake, 300, 7000).filter((made) => !taken(made));
    expect(refused.map((m) => m.seed)).toEqual([]);
  });
  it.each(missKinds.map((kind) => [kind] as const))('name a try with: %s', (kind) => {
    const tried: MadeMiss[] = some((seed) => madeMiss(seed, kind), 16, 9000);
    const named = tried.filter((miss) => judged(miss).named);
    // a few of them can be told in two ways
    expect(named.length).toBeGreaterThanOrEqual(14);
  });
});
