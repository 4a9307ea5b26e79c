import { describe, expect, it } from 'vitest';
import type { MissKind } from '../../testing/made-hands.ts';
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

/** Draws that can be told in two ways, and are told in the other: by kind, their seeds. */
const toldOtherwise: Partial<Record<MissKind, readonly number[]>> = {
  'key that looks alike': [9006],
  'the other way': [9018],
  'step left out': [9003, 9007],
};

describe('made-up units', () => {
  it('take whatever is done within the times their ways declare', () => {
    const refused = some(madeTake, 300, 7000).filter((made) => !taken(made));
    expect(refused.map((m) => m.seed)).toEqual([]);
  });
  it.each(missKinds.map((kind) => [kind] as const))('name a try with: %s', (kind) => {
    const tried: MadeMiss[] = some((seed) => madeMiss(seed, kind), 16, 9000);
    const otherwise = tried.filter((miss) => !judged(miss).named).map((miss) => miss.seed);
    expect(otherwise).toEqual(toldOtherwise[kind] ?? []);
  });
});
