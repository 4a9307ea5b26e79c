import { describe, expect, it } from 'vitest';
import { madeMiss, madeStray, madeTake, missKinds, saidOf } from '../../testing/made-misses.ts';

/** So many draws from a seed on, each with all the unit said of it. */
function told<T extends Parameters<typeof saidOf>[0] & { seed: number }>(
  draw: (seed: number) => T | null,
  n: number,
): string {
  const lines: string[] = [];
  let found = 0;
  for (let seed = 20_000; found < n && seed < 21_500; seed += 1) {
    const one = draw(seed);
    if (!one) continue;
    found += 1;
    lines.push(`# ${seed}`, ...saidOf(one));
  }
  return `${lines.join('\n')}\n`;
}

/**
 * What is said of made-up tries, to the letter: whatever changes a word of it is looked at. `vitest -u` writes it anew.
 */
describe('every word of what is told of', () => {
  it.each(missKinds.map((kind) => [kind] as const))('a try with: %s', async (kind) => {
    await expect(told((seed) => madeMiss(seed, kind), 24)).toMatchFileSnapshot(
      `told-as/${kind.replaceAll(' ', '-')}.txt`,
    );
  });
  it('a try that is right', async () => {
    await expect(told(madeTake, 60)).toMatchFileSnapshot('told-as/right.txt');
  });
  it('a hand that strays', async () => {
    await expect(told(madeStray, 160)).toMatchFileSnapshot('told-as/straying.txt');
  });
});
