import { describe, expect, it } from 'vitest';
import { saidFiles, sayingsOf, takenFrom } from '../testing/said-units.ts';

const sortedOut = (means: string): string => means.split(' or ').sort().join(' or ');

/** Sayings that are not taken as they were meant, by their words. */
const otherwise: readonly string[] = [];

describe('what people say of a readout', () => {
  it.each(saidFiles().map((file) => [file.pathname.split('/').at(-1), file] as const))('%s', (_, file) => {
    const all = sayingsOf(file);
    expect(all.length).toBeGreaterThan(40);
    const missed = all.filter((s) => sortedOut(takenFrom(s)) !== sortedOut(s.means)).map((s) => s.said);
    expect(missed).toEqual(otherwise.filter((said) => all.some((s) => s.said === said)));
  });
});
