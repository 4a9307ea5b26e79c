import { readFileSync } from 'node:fs';
import type { Answer, Entry, EntryKey } from '@wire-trail/core';
import fc from 'fast-check';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { z } from 'zod';
import { openSchool, Person, type School } from '../../testing/school.ts';
import { checkBundles } from '../bundles/check.ts';

const demo = (name: string): unknown =>
  JSON.parse(readFileSync(new URL(`../../../../demo/${name}.json`, import.meta.url), 'utf8'));

let school: School;
let servers: readonly string[];
beforeAll(async () => {
  school = await openSchool();
  await school.publish(demo('brindlewick-g4'));
  await school.publish(demo('quorrin-b2'));
  servers = [school.base, await school.secondServer()];
});
afterAll(() => school.close());

const key = (family: string | null, kind: EntryKey['kind'], id: string): EntryKey => ({
  family: family as EntryKey['family'],
  kind,
  id,
});
const keys = [
  key('brindlewick-g4', 'code', 'k19'),
  key('brindlewick-g4', 'code', 'k23'),
  key('quorrin-b2', 'code', 'b1'),
  key(null, 'hazard', 'mains'),
];
const address = ({ family, kind, id }: EntryKey) => `/families/${family ?? 'library'}/entries/${kind}/${id}`;

/** What one person does next, on which of the entries, through which server. */
const Act = fc.record({
  does: fc.constantFrom('save', 'save', 'save-late', 'submit', 'submit', 'publish', 'publish', 'give-back'),
  entry: fc.nat({ max: keys.length - 1 }),
  server: fc.nat({ max: 1 }),
});
type Act = typeof Act extends fc.Arbitrary<infer T> ? T : never;
type Done = Readonly<{ saved: string[]; published: number[]; odd: unknown[] }>;

/** Everybody signs in once: a limit of tries is not what is tried here. */
const known = new Map<string, Promise<readonly Person[]>>();
function somebody(role: 'reviewer' | 'admin'): Promise<readonly Person[]> {
  const there = known.get(role) ?? Promise.all(servers.map((base) => signedIn(base, role)));
  known.set(role, there);
  return there;
}
async function signedIn(base: string, role: string): Promise<Person> {
  const person = new Person(base);
  expect((await person.signIn(role)).status).toBe(200);
  return person;
}

let notes = 0;

/** Does one thing, and keeps what was acknowledged; whatever is neither done nor refused with a reason is odd. */
async function act({ does, entry, server }: Act, as: readonly Person[], done: Done): Promise<void> {
  const person = as[server] as Person;
  const on = keys[entry] as EntryKey;
  const inReview = async () =>
    ((await person.get('/publish-sets?state=in-review')).body as Answer<'changeSets'>).map((s) => s.id);
  const expecting = (answer: { status: number; body: unknown }, ...known: number[]) => {
    if (!known.includes(answer.status)) done.odd.push([does, answer.status, answer.body]);
    return answer.status < 300;
  };
  const { latest } = (await person.get(address(on))).body as { latest: { number: number; state: string; body: Entry } };
  switch (does) {
    case 'save':
    case 'save-late': {
      notes += 1;
      const note = `note ${notes}`;
      const basedOn = does === 'save' ? latest.number : Math.max(1, latest.number - 1);
      const body = { ...latest.body, ...(on.kind === 'code' ? { does: note } : { gear: [note] }) };
      if (expecting(await person.put(`${address(on)}/draft`, { basedOn, note, body }), 201, 409)) done.saved.push(note);
      return;
    }
    case 'submit': {
      if (latest.state !== 'draft') return act({ does: 'save', entry, server }, as, done);
      const items = [{ ...on, number: latest.number }];
      expecting(await person.post('/publish-sets', { title: 'a set', items }), 201, 409);
      return;
    }
    case 'publish': {
      // a reviewer with two hands, one at each server
      const publish = async (id: number, at: number) => {
        const answer = await as[at % as.length]?.post(`/publish-sets/${id}/publish`, { note: '' });
        if (answer && expecting(answer, 200, 409)) done.published.push(id);
      };
      await Promise.all((await inReview()).slice(0, 3).map(publish));
      return;
    }
    case 'give-back': {
      const id = (await inReview())[0];
      if (id) expecting(await person.post(`/publish-sets/${id}/return`, { note: '' }), 204, 409);
    }
  }
}

/** Reads on from place to place while others publish; gives what it knows of the library at the end. */
async function reader(until: Promise<unknown>): Promise<Record<string, string>> {
  const [person] = await somebody('admin');
  const known: Record<string, string> = {};
  let [place, over] = [{ since: 0, after: null as string | null }, false];
  const end = () => {
    over = true;
  };
  void until.then(end, end);
  for (;;) {
    const last = over;
    const asked = `/families?since=${place.since}${place.after ? `&after=${place.after}` : ''}`;
    const page = (await (person as Person).get(asked)).body as Answer<'families'>;
    for (const card of page.cards) known[card.family.id] = card.hash;
    place = page.place;
    if (last && !page.more) return known;
  }
}

const Item = z.object({ entry_id: z.number(), number: z.number(), set_id: z.number() });

it('whatever several people do at once through two servers ends as some order of it would', async () => {
  const [admin] = await somebody('admin');
  expect((await admin?.put('/settings', { schoolName: 'A school', ownReview: true }))?.status).toBe(200);
  const people = fc.array(fc.array(Act, { minLength: 2, maxLength: 7 }), { minLength: 3, maxLength: 4 });
  await fc.assert(
    fc.asyncProperty(people, async (scripts) => {
      const { db, now } = school.services;
      const before = new Set<string>(await db('revisions').pluck('note'));
      const done: Done = { saved: [], published: [], odd: [] };
      const work = Promise.all(
        scripts.map(async (script, i) => {
          const as = await somebody(i % 2 ? 'admin' : 'reviewer');
          for (const one of script) await act(one, as, done);
        }),
      );
      const [, read] = await Promise.all([work, reader(work)]);
      expect(done.odd).toEqual([]);

      // what was acknowledged is there once, on top of the one before it; what was refused is not
      const revisions = z
        .array(
          z.object({
            entry_id: z.number(),
            number: z.number(),
            based_on: z.number().nullable(),
            state: z.string(),
            note: z.string(),
          }),
        )
        .parse(
          await db('revisions')
            .orderBy(['entry_id', 'number'])
            .select('entry_id', 'number', 'based_on', 'state', 'note'),
        );
      for (const { number, based_on } of revisions) expect(based_on ?? 0).toBe(number - 1);
      const news = revisions.map((r) => r.note).filter((n) => n.startsWith('note ') && !before.has(n));
      expect(news.sort()).toEqual([...done.saved].sort());

      // each set was published once, and of each entry the newest that was published is what is published
      expect(new Set(done.published).size).toBe(done.published.length);
      const items = z
        .array(Item)
        .parse(
          await db('publish_set_items as i')
            .join('publish_sets as s', 's.id', 'i.set_id')
            .join('revisions as r', 'r.id', 'i.revision_id')
            .where('s.state', 'published')
            .select('r.entry_id', 'r.number', 'i.set_id'),
        );
      for (const set of done.published) expect(items.some((i) => i.set_id === set)).toBe(true);
      for (const { entry_id, number, state } of revisions) {
        const newest = Math.max(0, ...items.filter((i) => i.entry_id === entry_id).map((i) => i.number));
        expect(state === 'published').toBe(number === newest);
      }

      // what technicians get is made of it, and who read along has missed nothing
      expect((await checkBundles({ db, now }, { mend: false })).filter((c) => c.fault)).toEqual([]);
      const [person] = await somebody('admin');
      const { cards } = (await (person as Person).get('/families')).body as Answer<'families'>;
      expect(read).toEqual(Object.fromEntries(cards.map((c) => [c.family.id, c.hash])));
    }),
    { numRuns: 6 },
  );
});
