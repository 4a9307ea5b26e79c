import { describe, expect, it } from 'vitest';
import { oneAtATime } from './one-at-a-time.ts';

describe('oneAtATime', () => {
  it('a run that fails says so, and the next one runs', async () => {
    const failures: unknown[] = [];
    let runs = 0;
    const run = oneAtATime(
      async () => {
        runs++;
        if (runs < 3) throw new Error(`the store is closed ${runs}`);
      },
      (error) => failures.push(String(error)),
    );
    for (let i = 0; i < 3; i++) await run();
    expect([runs, failures]).toEqual([3, ['Error: the store is closed 1', 'Error: the store is closed 2']]);
  });

  it('asked for again meanwhile, it runs once more afterwards, never two at a time', async () => {
    let [runs, now, most] = [0, 0, 0];
    const run = oneAtATime(
      async () => {
        runs++;
        most = Math.max(most, ++now);
        await new Promise((resolve) => setTimeout(resolve, 5));
        now--;
      },
      () => {},
    );
    await Promise.all([run(), run(), run(), run()]);
    expect([runs, most]).toEqual([2, 1]);
    await run();
    expect(runs).toBe(3);
  });
});
