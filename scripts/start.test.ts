import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Answer } from '@wire-trail/core';
import { afterEach, expect, it } from 'vitest';
import { type Installation, newInstallation, type Started, signedInAt, start } from './started.ts';

const families = ['ostrel-r6', 'quorrin-b2', 'wexmorl-s5'];
const open: Started[] = [];
const places: Installation[] = [];
afterEach(async () => {
  for (const one of open.splice(0)) await one.kill(true);
  for (const place of places.splice(0)) place.remove();
});
const begin = (place: Installation, script?: string, args?: readonly string[]): Started => {
  const one = start(place, script, args);
  open.push(one);
  return one;
};
const newPlace = async (): Promise<Installation> => {
  const place = await newInstallation(families);
  places.push(place);
  return place;
};
/** Another script beside it, to its end: its status, and what it printed. */
async function runs(place: Installation, script: string, ...args: string[]): Promise<[number | null, string]> {
  const one = begin(place, script, args);
  while (one.status() === null) await wait(100);
  return [one.status(), one.printed()];
}
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const listed = async (address: string): Promise<string[]> => {
  const ask = await signedInAt(address, 'trainer');
  const { cards } = (await (await ask('GET', '/families')).json()) as Answer<'families'>;
  return cards.map((c) => c.family.id).sort();
};

it('a second start says that one runs and where, and touches nothing; tools serve themselves of the one that runs', async () => {
  const place = await newPlace();
  const first = begin(place);
  await first.up();
  const ask = await signedInAt(place.address, 'trainer');
  const second = begin(place);
  expect(await second.stop()).not.toBe(0);
  const third = begin({
    ...place,
    environment: { ...place.environment, WIRE_TRAIL_PORT: '0', WIRE_TRAIL_DB_PORT: '1' },
  });
  while (third.status() === null) await wait(100);
  expect(third.status()).toBe(1);
  expect(third.printed()).toContain(`Wire Trail runs already at ${place.address}`);
  expect((await ask('GET', '/families')).status).toBe(200);

  expect(await runs(place, 'check')).toEqual([0, expect.stringContaining('3 bundles, each as its published')]);
  const file = join(place.data, 'all.backup');
  expect(await runs(place, 'backup', file)).toEqual([0, expect.stringContaining('rows of')]);
  expect(await runs(place, 'restore', file)).toEqual([1, expect.stringContaining('Stop it first')]);
  expect((await ask('GET', '/ready')).status).toBe(200);

  // what is in flight when it is stopped is answered, and there afterwards
  const bundle = JSON.parse(
    readFileSync(fileURLToPath(new URL('../demo/brindlewick-g4.json', import.meta.url)), 'utf8'),
  );
  const inFlight = ask('POST', '/imports', bundle);
  await wait(150);
  expect(await first.stop()).toBe(0);
  expect((await inFlight).status).toBe(201);
  const log = readFileSync(join(place.data, 'logs/server.log'), 'utf8');
  expect(log).toContain('"msg":"stopped"');

  // the backup of before does not take its place unasked
  expect(await runs(place, 'restore', file)).toEqual([1, expect.stringContaining('--replace')]);

  const again = begin(place);
  await again.up();
  expect(again.printed()).toContain('Your data from last time is there.');
  const reviewer = await signedInAt(place.address, 'reviewer');
  const [set] = (await (await reviewer('GET', '/publish-sets?state=in-review')).json()) as Answer<'changeSets'>;
  expect(set?.title).toContain('Brindlewick');
  expect(await again.stop()).toBe(0);

  expect(await runs(place, 'restore', file, '--replace')).toEqual([0, expect.stringContaining('are back')]);
  const back = begin(place);
  await back.up();
  expect(await listed(place.address)).toEqual(families);
  const asked = await signedInAt(place.address, 'reviewer');
  expect(await (await asked('GET', '/publish-sets?state=in-review')).json()).toEqual([]);
});

it('a start that was killed on its way, wherever that was, goes on at the next one', async () => {
  const place = await newPlace();
  // within the making of the tables, and within the loading of each family
  for (const [ms, withDatabase] of [
    [250, true],
    [700, false],
    [1100, true],
    [1600, false],
  ] as const) {
    const one = begin(place);
    while (!(await answers(Number(place.environment.WIRE_TRAIL_DB_PORT)))) {
      if (one.status() !== null) throw new Error(one.printed());
      await wait(20);
    }
    await wait(ms);
    await one.kill(withDatabase);
  }
  const last = begin(place);
  await last.up();
  expect(await listed(place.address)).toEqual(families);
  const ask = await signedInAt(place.address, 'trainer');
  const { walks } = (await (await ask('GET', '/walks')).json()) as Answer<'walks'>;
  expect(walks.length).toBeGreaterThan(0);
  expect(await runs(place, 'check')).toEqual([0, expect.stringContaining('3 bundles, each as')]);
});

async function answers(port: number): Promise<boolean> {
  const { connect } = await import('node:net');
  return new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1');
    socket.on('connect', () => {
      socket.destroy();
      resolve(true);
    });
    socket.on('error', () => resolve(false));
  });
}
