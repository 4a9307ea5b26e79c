import { expect, it } from 'vitest';
import { isClean } from './tally.ts';
import { kills, races } from './tries.ts';

// short: npm run faults goes on for minutes
it('server and database are killed under eight people who write: nothing acknowledged is lost, doubled or stuck', async () => {
  const tally = await kills(2);
  expect([tally, tally.tried > 20, isClean(tally)]).toEqual([expect.anything(), true, true]);
});

it('what two server processes do at once to one family ends as one after the other would', async () => {
  const tally = await races(3);
  expect([tally, isClean(tally)]).toEqual([expect.anything(), true]);
});
