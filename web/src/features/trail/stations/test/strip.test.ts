import { describe, expect, it } from 'vitest';
import { onStrip } from './strip.ts';

describe('the strip of a good band', () => {
  it.each<[string, number | null, number | null, number | null, number, number, number]>([
    ['nothing read: a third is good', 100, 110, null, 100, 0.32, 0.35],
    ['however narrow it is', 100, 103, 101, 103, 0.65, 0.68],
    ['a reading inside does not move it', 100, 110, 105, 110, 0.65, 0.68],
    ['one far off is still on it', 100, 110, 200, 200, 0.85, 0.95],
    ['one past all measure is at the end', 100, 110, 1e6, 1e6, 1, 1],
    ['a short is at the other', 100, 110, 0, 0, 0, 0],
    ['no upper edge', 1e6, null, 5e6, 1e6, 0.05, 0.45],
    ['no lower edge', null, 0.5, 0.1, 0.5, 0.55, 0.8],
    ['below nothing it is straight', -3, -1, -2, -2, 0.5, 0.5],
  ])('%s', (_, least, most, value, at, from, to) => {
    const where = onStrip(least, most, value)(at);
    expect(where).toBeGreaterThanOrEqual(from);
    expect(where).toBeLessThanOrEqual(to);
  });
});
