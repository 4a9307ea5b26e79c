import { readFileSync } from 'node:fs';
import type { Bundle, Code, Entry, EntryKey } from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openSchool, type Person, type School } from '../../testing/school.ts';

const washer = (): unknown =>
  JSON.parse(readFileSync(new URL('../../../../demo/brindlewick-g4.json', import.meta.url), 'utf8'));
type Read = { latest: { number: number; body: Entry }; published: { number: number } | null };

let school: School;
let trainer: Person;
let reviewer: Person;
beforeAll(async () => {
  school = await openSchool();
  await school.publish(washer());
  trainer = await school.person('trainer');
  reviewer = await school.person('reviewer');
});
afterAll(() => school.close());

const address = ({ family, kind, id }: EntryKey): string =>
  `${family === null ? '/families/library' : `/families/${family}`}/entries/${kind}/${id}`;
const read = async (key: EntryKey): Promise<Read> => (await trainer.get(address(key))).body as Read;
const code = (id: string): EntryKey => ({ family: 'brindlewick-g4' as never, kind: 'code', id });

/** Saves a draft with something changed and hands it in; the change set's number. */
async function handIn(key: EntryKey, change: object): Promise<{ set: number; number: number }> {
  const { latest } = await read(key);
  const saved = await trainer.put(`${address(key)}/draft`, {
    basedOn: latest.number,
    note: 'a change',
    body: { ...latest.body, ...change },
  });
  expect(saved.status).toBe(201);
  const number = latest.number + 1;
  const answer = await trainer.post('/publish-sets', { title: key.id, items: [{ ...key, number }] });
  return { set: (answer.body as { id: number }).id, number };
}
const publish = (set: number) => reviewer.post(`/publish-sets/${set}/publish`, { note: '' });
const bundle = async (): Promise<Bundle> => (await trainer.get('/families/brindlewick-g4/bundle')).body as Bundle;

describe('publishing at the same time', () => {
  it('two change sets of one family: the bundle holds both, every time', async () => {
    for (let round = 0; round < 5; round += 1) {
      const sets = await Promise.all(
        [code('k19'), code('k23'), code('c03')].map(async (key) => ({
          key,
          ...(await handIn(key, { does: `${round}` })),
        })),
      );
      const answers = await Promise.all(sets.map(({ set }) => publish(set)));
      expect(answers.map((a) => a.status)).toEqual([200, 200, 200]);
      const now = await bundle();
      for (const { key, number } of sets) expect(now.pinned?.revisions[`code:${key.id}`]).toBe(number);
      for (const e of now.entries)
        if (e.kind === 'code' && sets.some((s) => s.key.id === e.id)) expect((e as Code).does).toBe(`${round}`);
    }
  });

  it('one of the family and one of the library: the bundle holds both', async () => {
    const hazard = (await bundle()).entries.find((e) => e.kind === 'hazard');
    const key: EntryKey = { family: null, kind: 'hazard', id: hazard?.id ?? '' };
    for (let round = 0; round < 4; round += 1) {
      const sets = [await handIn(code('k19'), { saw: `${round}` }), await handIn(key, { gear: [`gloves ${round}`] })];
      const answers = await Promise.all(sets.map(({ set }) => publish(set)));
      expect(answers.map((a) => a.status)).toEqual([200, 200]);
      const { pinned } = await bundle();
      expect([pinned?.revisions['code:k19'], pinned?.revisions[`hazard:${key.id}`]]).toEqual(sets.map((s) => s.number));
    }
  });

  it('the same change set twice: published once, the other is told', async () => {
    const { set } = await handIn(code('k19'), { saw: 'once' });
    const answers = await Promise.all([publish(set), publish(set)]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409]);
  });
});

describe('an older change set after a newer one', () => {
  it('is refused with both, and the newer one stays published', async () => {
    const older = await handIn(code('k23'), { title: 'The older words' });
    const newer = await handIn(code('k23'), { title: 'The newer words' });
    expect((await publish(newer.set)).status).toBe(200);
    const before = await bundle();
    const refused = await publish(older.set);
    expect(refused).toMatchObject({
      status: 409,
      body: {
        code: 'overtaken',
        fields: [{ path: ['code:k23'] }],
        overtaken: [
          {
            key: code('k23'),
            number: older.number,
            published: {
              number: newer.number,
              body: { title: 'The newer words' },
              author: 'The trainer',
              changes: [{ at: ['title'], from: 'The newer words', to: 'The older words' }],
            },
          },
        ],
      },
    });
    expect((await bundle()).pinned?.hash).toBe(before.pinned?.hash);
    expect((await read(code('k23'))).published?.number).toBe(newer.number);
    // both are shown to whoever looks at the older one, and it can be given back
    const shown = (await reviewer.get(`/publish-sets/${older.set}`)).body as { items: object[] };
    expect(shown.items).toMatchObject([{ number: older.number, published: newer.number }]);
    expect((await reviewer.post(`/publish-sets/${older.set}/return`, { note: 'save it anew' })).status).toBe(204);
  });

  it('at the same moment: the older is refused or comes first, never last', async () => {
    for (let round = 0; round < 4; round += 1) {
      const older = await handIn(code('c03'), { title: `Older ${round}` });
      const newer = await handIn(code('c03'), { title: `Newer ${round}` });
      const [first, second] = await Promise.all([publish(older.set), publish(newer.set)]);
      expect([200, 409]).toContain(first.status);
      expect(second.status).toBe(200);
      expect((await bundle()).pinned?.revisions['code:c03']).toBe(newer.number);
    }
  });
});
