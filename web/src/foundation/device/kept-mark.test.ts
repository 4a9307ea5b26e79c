import 'fake-indexeddb/auto';
import { beforeEach, expect, it } from 'vitest';
import { clearStore, keepNamed, keptNamed } from './database.ts';
import { clearedSince, forgetMark, markWaiting } from './kept-mark.ts';
import { wipeDevice } from './wipe.ts';

beforeEach(async () => {
  forgetMark();
  await clearStore();
});

it('a device that is new has lost nothing', async () => {
  expect(await clearedSince()).toBeNull();
  markWaiting(2);
  expect(await clearedSince()).toBeNull();
});

it('a store that the browser cleared is told once, with how much waited in it', async () => {
  await clearedSince();
  markWaiting(2);
  await clearStore();
  expect(await clearedSince()).toBe(2);
  expect(await clearedSince()).toBeNull();
});

it('what is wiped on purpose is gone, with everything that would ask after it', async () => {
  await clearedSince();
  markWaiting(2);
  await keepNamed('library', 'x');
  localStorage.setItem('wire-trail-user', '{}');
  localStorage.setItem('of-another-page', 'stays');
  await wipeDevice();
  expect([await keptNamed('library'), localStorage.getItem('wire-trail-user')]).toEqual([undefined, null]);
  expect(localStorage.getItem('of-another-page')).toBe('stays');
  expect(await clearedSince()).toBeNull();
});
