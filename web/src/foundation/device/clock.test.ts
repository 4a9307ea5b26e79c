import { beforeEach, expect, it } from 'vitest';
import { learnClock, stampOf } from './clock.ts';

beforeEach(() => localStorage.clear());
const now = Date.parse('2026-05-01T08:00:00.000Z');
const header = (ms: number) => new Date(ms).toUTCString();

it.each([
  ['as the server’s', 0],
  ['a little ahead', 60_000],
  ['a little behind', -60_000],
])('a clock %s is believed', (_, off) => {
  learnClock(header(now - off), now, now + 300);
  expect(stampOf(now)).toEqual({ at: new Date(now).toISOString() });
});

it.each([
  ['years ahead', 4 * 365 * 86_400_000],
  ['two hours behind', -7_200_000],
])('a clock %s is set right, and what it said is kept', (_, off) => {
  const says = now + off;
  learnClock(header(now), says, says + 400);
  const { at, saidAt } = stampOf(says + 10_000);
  expect(Math.abs(Date.parse(at) - (now + 10_000))).toBeLessThan(1000);
  expect(saidAt).toBe(new Date(says + 10_000).toISOString());
  // set right by its owner, it is believed again
  learnClock(header(now), now, now + 400);
  expect(stampOf(now).saidAt).toBeUndefined();
});

it.each<[string, string | null, number]>([
  ['no header', null, 100],
  ['a header that is no time', 'soon', 100],
  ['an answer that took long', header(now - 9_000_000), 60_000],
  ['a clock that was set meanwhile', header(now - 9_000_000), -5000],
])('%s teaches nothing', (_, said, took) => {
  learnClock(said, now, now + took);
  expect(stampOf(now)).toEqual({ at: new Date(now).toISOString() });
});
