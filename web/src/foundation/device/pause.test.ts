import { describe, expect, it } from 'vitest';
import { pauseMs } from './pause.ts';

describe('how long the queue waits', () => {
  it.each([
    [0, 0.5, 15_000],
    [1, 0.5, 15_000],
    [2, 0.5, 30_000],
    [4, 0.5, 120_000],
    [6, 0.5, 300_000],
    [40, 0.5, 300_000],
  ])('after %i tries that reached nobody, at %f: %i ms', (failures, random, ms) =>
    expect(pauseMs(failures, random)).toBeCloseTo(ms, 6),
  );
  it('is spread, and never less than without a failure', () => {
    expect(pauseMs(3, 0)).toBeLessThan(pauseMs(3, 1));
    expect(pauseMs(0, 0)).toBeGreaterThan(12_000);
  });
});
