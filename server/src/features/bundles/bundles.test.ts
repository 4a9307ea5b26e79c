import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import type { Answer, Bundle } from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openSchool, type Person, type School } from '../../testing/school.ts';
import { checkBundles, type Fault, fillCards } from './check.ts';

const demo = (name: string) =>
  JSON.parse(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8')) as Bundle;

let school: School;
let trainer: Person;
beforeAll(async () => {
  school = await openSchool();
  await school.publish(demo('quorrin-b2'));
  await school.publish(demo('brindlewick-g4'));
  trainer = await school.person('trainer');
});
afterAll(() => school.close());

type Page = Answer<'families'>;
const page = async (query = '', headers = {}) => trainer.get(`/families${query}`, headers);
const nextOf = ({ place }: Page) => `?since=${place.since}${place.after ? `&after=${place.after}` : ''}`;

describe('the list of families', () => {
  it('comes in the order of publishing, and from a place on only what was published since', async () => {
    const all = (await page()).body as Page;
    // the second brought shared entries, which changed the first one's bundle too
    expect(all.cards.map((c) => c.family.id)).toEqual(['brindlewick-g4', 'quorrin-b2']);
    expect(all.more).toBe(false);
    const none = (await page(nextOf(all))).body as Page;
    expect(none).toEqual({ ...all, cards: [] });
    const washer = demo('quorrin-b2');
    await school.publish({
      ...washer,
      entries: washer.entries.map((e) => (e.kind === 'code' && e.id === 'b1' ? { ...e, title: 'Air is cold' } : e)),
    });
    const news = (await page(nextOf(all))).body as Page;
    expect(news.cards.map((c) => c.family.id)).toEqual(['quorrin-b2']);
    expect(news.place.since).toBeGreaterThan(all.place.since);
    expect(news.cards[0]?.hash).toBe(((await trainer.get('/families/quorrin-b2/bundle')).body as Bundle).pinned?.hash);
  });

  it('says nothing anew to whoever holds the tag of the place they ask from', async () => {
    const first = await page();
    const tag = first.headers.get('etag') ?? '';
    const asked = nextOf(first.body as Page);
    expect((await page(asked, { 'if-none-match': tag })).status).toBe(304);
    expect((await page('', { 'if-none-match': tag })).status).toBe(304);
    expect((await page('?since=1', { 'if-none-match': '"another"' })).status).toBe(200);
  });

  it.each(['?since=-1', '?since=x', '?after=No Family', '?page=2'])('refuses %s at its place', async (query) => {
    expect((await page(query)).status).toBe(400);
  });

  it('is read page by page without missing or doubling any, however many carry one number', async () => {
    const { db } = school.services;
    const { card } = await db('current_bundles').where({ family: 'quorrin-b2' }).first('card');
    const [bundle] = await db('bundles').where({ family: 'quorrin-b2' });
    const names = Array.from({ length: 450 }, (_, i) => `made-${String(i).padStart(3, '0')}`);
    const shown = typeof card === 'string' ? JSON.parse(card) : card;
    const place = (i: number) => 100 + Math.floor(i / 300);
    await db.batchInsert(
      'bundles',
      names.map((family) => ({ ...bundle, family })),
    );
    await db.batchInsert(
      'current_bundles',
      names.map((family, i) => ({
        family,
        hash: bundle.hash,
        number: place(i),
        card: JSON.stringify({ ...shown, family: { ...shown.family, id: family } }),
      })),
    );
    try {
      const seen: string[] = [];
      let [asked, pages, more] = ['?since=99', 0, true];
      while (more) {
        const read = (await page(asked)).body as Page;
        seen.push(...read.cards.map((c) => c.family.id));
        [asked, pages, more] = [nextOf(read), pages + 1, read.more];
      }
      expect(pages).toBe(5);
      expect(seen).toEqual(names);
    } finally {
      await db('current_bundles').where('family', 'like', 'made-%').delete();
      await db('bundles').where('family', 'like', 'made-%').delete();
    }
  });
});

describe('what is stored against what was published', () => {
  const family = 'quorrin-b2' as Bundle['family'];
  const faults = async (mend = false) =>
    (await checkBundles(school.services, { mend })).filter((c) => c.fault).map((c) => [c.family, c.fault, c.mended]);
  const pack = (bundle: object) => gzipSync(JSON.stringify(bundle));

  it.each<[string, Fault, (now: Bundle) => Promise<unknown>]>([
    [
      'lacks an entry',
      'differs',
      (now) =>
        school.services
          .db('bundles')
          .where({ family, hash: now.pinned?.hash })
          .update({ body: pack({ ...now, entries: now.entries.slice(1) }) }),
    ],
    [
      'is broken',
      'unreadable',
      () =>
        school.services
          .db('bundles')
          .where({ family })
          .update({ body: Buffer.from('x') }),
    ],
    ['is gone', 'missing', () => school.services.db('current_bundles').where({ family }).delete()],
    [
      'is listed with wrong counts',
      'card',
      () =>
        school.services
          .db('current_bundles')
          .where({ family })
          .update({ card: school.services.db.raw(`JSON_SET(card, '$.counts.codes', 99)`) }),
    ],
  ])('a bundle that %s is named, and mended', async (_, fault, harm) => {
    expect(await faults()).toEqual([]);
    const right = (await trainer.get(`/families/${family}/bundle`)).body as Bundle;
    await harm(right);
    expect(await faults()).toEqual([[family, fault, false]]);
    expect(await faults(true)).toEqual([[family, fault, true]]);
    expect(await faults()).toEqual([]);
    expect(((await trainer.get(`/families/${family}/bundle`)).body as Bundle).entries).toEqual(right.entries);
  });

  it('a line of the Shelf that was never written is written at the start', async () => {
    await school.services.db('current_bundles').update({ card: null });
    expect(((await page()).body as Page).cards).toEqual([]);
    await fillCards(school.services);
    expect(((await page()).body as Page).cards).toHaveLength(2);
    expect(await faults()).toEqual([]);
  });
});
