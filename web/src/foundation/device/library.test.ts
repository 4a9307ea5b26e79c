import 'fake-indexeddb/auto';
import type { Answer } from '@wire-trail/core';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { standInServer } from '../../testing/server.ts';
import { keepNamed } from './database.ts';
import { freshLibrary } from './library.ts';

type Page = Answer<'families'>;
type Card = Page['cards'][number];
const card = (id: string, hash: string): Card => ({
  family: { id: id as never, name: `The ${id}`, sort: 'machine', badges: [], recognisedBy: [], pictures: [] },
  hash,
  toFix: 0,
  counts: { codes: 1, symptoms: 0, charts: 0, routes: 0 },
});
const first = '0b9a7e52-41b3-4c6e-9d55-000000000001';
const second = '0b9a7e52-41b3-4c6e-9d55-000000000002';

/** A library in the order of publishing, told in pages of two. */
const tells =
  (library: string, order: ReadonlyArray<readonly [number, Card]>) =>
  ({ query }: { query: string }): Page => {
    const asked = new URLSearchParams(query);
    const [since, after] = [Number(asked.get('since') ?? 0), asked.get('after')];
    const rest = order.filter(([n, c]) => n > since || (after !== null && n === since && c.family.id > after));
    const page = rest.slice(0, 2);
    const last = page.at(-1);
    return {
      library,
      cards: page.map(([, c]) => c),
      place: last ? { since: last[0], after: last[1].family.id } : { since, after: after as never },
      more: rest.length > 2,
    };
  };

const hashes = async () => {
  const read = await freshLibrary();
  return read.kind === 'cards' ? read.cards.map((c) => `${c.family.id} ${c.hash}`) : read.refused.code;
};

beforeEach(() => keepNamed('library', undefined));
afterEach(() => vi.unstubAllGlobals());

it('reads page after page, then no more than what was published since', async () => {
  const order = [
    [1, card('b', '1')],
    [1, card('c', '1')],
    [2, card('a', '1')],
  ] as const;
  const calls = standInServer({ families: tells(first, order) });
  expect(await hashes()).toEqual(['a 1', 'b 1', 'c 1']);
  expect(calls).toHaveLength(2);
  vi.unstubAllGlobals();
  const later = standInServer({ families: tells(first, [...order.slice(1), [3, card('b', '2')]]) });
  expect(await hashes()).toEqual(['a 1', 'b 2', 'c 1']);
  expect(later.map((c) => c.query)).toEqual(['?since=2&after=a']);
});

it('shows what it has while there is no connection, and says so where it has nothing', async () => {
  standInServer({});
  expect(await hashes()).toBe('offline');
  vi.unstubAllGlobals();
  standInServer({ families: tells(first, [[1, card('a', '1')]]) });
  await hashes();
  vi.unstubAllGlobals();
  standInServer({});
  expect(await hashes()).toEqual(['a 1']);
});

it('a library that was brought back from a backup is read from its beginning', async () => {
  standInServer({
    families: tells(first, [
      [1, card('a', '1')],
      [9, card('b', '9')],
    ]),
  });
  expect(await hashes()).toEqual(['a 1', 'b 9']);
  vi.unstubAllGlobals();
  standInServer({
    families: tells(second, [
      [1, card('a', 'old')],
      [2, card('c', '1')],
    ]),
  });
  expect(await hashes()).toEqual(['a old', 'c 1']);
});

it('a refusal is passed on, whatever is kept', async () => {
  standInServer({ families: tells(first, [[1, card('a', '1')]]) });
  await hashes();
  vi.unstubAllGlobals();
  standInServer({ families: { refuses: 'not-signed-in' } });
  expect(await hashes()).toBe('not-signed-in');
});
