import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { run } from './run.ts';

const washer = fileURLToPath(new URL('../../demo/brindlewick-g4.json', import.meta.url));
async function cli(...argv: string[]) {
  const [out, err]: [string[], string[]] = [[], []];
  const status = await run(argv, { env: {}, out: (t) => out.push(t), err: (t) => err.push(t) });
  return { status, out: out.join('\n'), err: err.join('\n') };
}

describe('prove', () => {
  it('says how many cycles, how long, and why; by the code as it is shown or by its id', async () => {
    const { status, out } = await cli('prove', washer, '--code', 'K19');
    expect([status, out]).toEqual([
      0,
      '3 × warm-up, 27 min at the least\nthe first is not watched\nit takes 2 in a row to store K19',
    ]);
    const json = JSON.parse((await cli('prove', washer, '--code', 'k19', '--json')).out);
    expect(json).toMatchObject({ code: 'k19', cycles: 3, notWatched: 1, leastMs: 27 * 60_000, erasesWithin: false });
  });
});

describe('lockout', () => {
  it('says how long it has been in trouble, and until it locks out', async () => {
    const said = async (attempts: string) =>
      (await cli('lockout', washer, '--code', 'C03', '--attempts', attempts)).out;
    expect(await said('1')).toBe('in trouble for 6 min at the least\nlocks out after 2 more, in 16 min');
    expect(await said('2')).toBe('in trouble for 14 min at the least\nlocks out after 1 more, in 8 min');
    expect(await said('3')).toBe('in trouble for 22 min at the least\nhas locked out');
    const json = JSON.parse((await cli('lockout', washer, '--code', 'c03', '--attempts', '2', '--json')).out);
    expect(json).toMatchObject({
      soFarMs: 840_000,
      left: { attempts: 1, ms: 480_000 },
      locksOutAfter: 3,
      wholeMs: 1_320_000,
    });
  });
});

it.each([
  [['prove', washer], /names the code: k17, k19/],
  [['prove', washer, '--code', 'Z9'], /has no code “Z9”; it has k17/],
  [['prove', washer, '--code', 'K19', '--variant', 'none-such'], /names a variant/],
  [['lockout', washer, '--code', 'C03'], /how often it has tried/],
  [['lockout', washer, '--code', 'C03', '--attempts', '0'], /how often it has tried/],
  [['lockout', washer, '--code', 'K19', '--attempts', '2'], /does not say how long an attempt/],
])('%j is refused with a word at its place', async (argv, words) => {
  const { status, err } = await cli(...argv);
  expect([status, err]).toEqual([2, expect.stringMatching(words)]);
});
