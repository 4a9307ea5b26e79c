import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { type Bundle, type Code, type Entry, readBundle } from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openSchool, type Person, type School } from '../testing/school.ts';

const file = (path: string): { entries: Array<Record<string, unknown>> } =>
  JSON.parse(readFileSync(new URL(path, import.meta.url), 'utf8'));
const washer = () => file('../../../demo/brindlewick-g4.json');
const dryer = () => file('../../../core/src/testing/velmarrow-d1.json');
const k19 = '/families/brindlewick-g4/entries/code/k19';
type Read = {
  latest: { number: number; body: Code; state: string };
  published: { number: number } | null;
  changes: Array<{ at: string[] }>;
  history: Array<{ number: number; state: string; note: string }>;
  usedBy: object[];
};

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

const readK19 = async () => (await trainer.get(k19)).body as Read;
const save = (person: Person, basedOn: number, change: Partial<Record<keyof Code, unknown>>, body: Code) =>
  person.put(`${k19}/draft`, { basedOn, note: 'a change', body: { ...body, ...change } });
const submit = async (person: Person, number: number): Promise<number> =>
  (
    (
      await person.post('/publish-sets', {
        title: 'K19',
        items: [{ family: 'brindlewick-g4', kind: 'code', id: 'k19', number }],
      })
    ).body as { id: number }
  ).id;
const bundleNow = async (): Promise<Bundle> => (await trainer.get('/families/brindlewick-g4/bundle')).body as Bundle;

describe('a code from draft to published', () => {
  it('a draft changes nothing for technicians; what it changes is shown; a reviewer publishes it', async () => {
    const before = await readK19();
    const pinned = await bundleNow();
    const saved = await save(trainer, before.latest.number, { title: 'Rinse tank warms too late' }, before.latest.body);
    expect(saved.status).toBe(201);
    const after = await readK19();
    expect(after.latest).toMatchObject({ number: before.latest.number + 1, state: 'draft' });
    expect(after.changes.map((c) => c.at)).toEqual([['title']]);
    expect((await bundleNow()).pinned?.hash).toBe(pinned.pinned?.hash);

    const set = await submit(trainer, after.latest.number);
    expect((await trainer.post(`/publish-sets/${set}/publish`, { note: '' })).status).toBe(403);
    const published = await reviewer.post(`/publish-sets/${set}/publish`, { note: 'seen on the bench' });
    expect(published).toMatchObject({ status: 200, body: { families: ['brindlewick-g4'], ownReview: false } });
    const bundle = await bundleNow();
    expect(bundle.pinned?.hash).not.toBe(pinned.pinned?.hash);
    expect(bundle.pinned?.revisions['code:k19']).toBe(after.latest.number);
    expect(bundle.entries.find((e) => e.id === 'k19')).toMatchObject({ title: 'Rinse tank warms too late' });
    expect((await readK19()).history.map((h) => h.state)).toEqual(['published', 'retired']);
  });

  it('a stale save is refused with both versions, and nothing is lost', async () => {
    const now = await readK19();
    await save(trainer, now.latest.number, { does: 'First writer.' }, now.latest.body);
    const second = await save(reviewer, now.latest.number, { does: 'Second writer.' }, now.latest.body);
    expect(second).toMatchObject({
      status: 409,
      body: {
        code: 'stale-save',
        stale: {
          number: now.latest.number + 1,
          body: { does: 'First writer.' },
          changes: [{ at: ['does'], from: 'First writer.', to: 'Second writer.' }],
        },
      },
    });
    expect((await readK19()).latest.body.does).toBe('First writer.');
    expect((await save(reviewer, now.latest.number + 1, { does: 'Second writer.' }, now.latest.body)).status).toBe(201);
  });

  it('two saves at the same moment: one wins, the other is told', async () => {
    const now = await readK19();
    const both = await Promise.all(
      ['a', 'b', 'c'].map((does) => save(trainer, now.latest.number, { does }, now.latest.body)),
    );
    expect(both.map((r) => r.status).sort()).toEqual([201, 409, 409]);
  });

  it('of first saves of one new entry at the same moment one wins, the others are shown what is there', async () => {
    for (let round = 0; round < 5; round++) {
      const id = `twice-${round}`;
      const body = (await readK19()).latest.body;
      const all = await Promise.all(
        ['a', 'b', 'c', 'd'].map((does) =>
          trainer.put(`/families/brindlewick-g4/entries/code/${id}/draft`, {
            basedOn: 0,
            note: '',
            body: { ...body, id, text: `T${round}9`, does },
          }),
        ),
      );
      expect(all.map((r) => r.status).sort()).toEqual([201, 409, 409, 409]);
      const told = all
        .filter((r) => r.status === 409)
        .map((r) => (r.body as { stale: { body: Code } }).stale.body.does);
      const won = all.filter((r) => r.status === 201).map((r) => (r.body as unknown as { body: Code }).body.does);
      expect(new Set(told)).toEqual(new Set(won));
    }
  });

  it('a wrong field is named with its place', async () => {
    const now = await readK19();
    const answer = await save(trainer, now.latest.number, { suspects: [{ label: '', reason: 'x' }] }, now.latest.body);
    expect(answer.status).toBe(400);
    expect((answer.body as { fields: Array<{ path: unknown[] }> }).fields[0]?.path).toEqual([
      'body',
      'suspects',
      0,
      'label',
    ]);
    expect((await save(trainer, now.latest.number, { id: 'k20' }, now.latest.body)).status).toBe(400);
  });

  it('what names it is listed', async () => {
    expect((await readK19()).usedBy).toContainEqual({ kind: 'code', id: 'k23', title: 'K23 Rinse tank too hot' });
  });

  it('given back, it is a draft again; a submitted one is not submitted twice', async () => {
    const now = await readK19();
    const set = await submit(trainer, now.latest.number);
    expect(
      (
        await trainer.post('/publish-sets', {
          title: 'again',
          items: [{ family: 'brindlewick-g4', kind: 'code', id: 'k19', number: now.latest.number }],
        })
      ).status,
    ).toBe(409);
    expect((await reviewer.post(`/publish-sets/${set}/return`, { note: 'which edition?' })).status).toBe(204);
    expect((await readK19()).latest.state).toBe('draft');
    expect((await trainer.get('/publish-sets?state=returned')).body).toMatchObject([
      { id: set, note: 'which edition?' },
    ]);
    expect((await reviewer.post(`/publish-sets/${set}/publish`, { note: '' })).status).toBe(409);
  });
});

describe('review by the author', () => {
  it('is refused, unless the school allows it; then the history says so', async () => {
    const now = await readK19();
    const own = await save(reviewer, now.latest.number, { does: 'By the reviewer.' }, now.latest.body);
    const set = await submit(reviewer, (own.body as { number: number }).number);
    expect(await reviewer.post(`/publish-sets/${set}/publish`, { note: '' })).toMatchObject({
      status: 403,
      body: { code: 'own-review' },
    });
    const admin = await school.person('admin');
    await admin.put('/settings', { schoolName: 'One', ownReview: true });
    expect((await reviewer.post(`/publish-sets/${set}/publish`, { note: '' })).body).toMatchObject({ ownReview: true });
    expect((await trainer.get(`/publish-sets/${set}`)).body).toMatchObject({
      state: 'published',
      ownReview: true,
      author: 'The reviewer',
      reviewer: 'The reviewer',
    });
    expect((await readK19()).history[0]).toMatchObject({ review: { by: 'The reviewer', ownReview: true } });
    await admin.put('/settings', { schoolName: 'One', ownReview: false });
  });
});

describe('what cannot be published', () => {
  const draftOf = async (kind: string, id: string, body: object) => {
    const saved = await trainer.put(`/families/brindlewick-g4/entries/${kind}/${id}/draft`, {
      basedOn: 0,
      note: 'new',
      body,
    });
    expect(saved.status).toBe(201);
    const set = (
      await trainer.post('/publish-sets', { title: id, items: [{ family: 'brindlewick-g4', kind, id, number: 1 }] })
    ).body as { id: number };
    return reviewer.post(`/publish-sets/${set.id}/publish`, { note: '' });
  };

  it('a step that holds an interlock false, with its place, and nothing of the set is published', async () => {
    const before = (await bundleNow()).pinned?.hash;
    const route = {
      kind: 'route',
      id: 'shortcut',
      family: 'brindlewick-g4',
      name: 'Shortcut',
      purpose: 'enter',
      from: 'any',
      to: 'memory',
      standing: 'hearsay',
      steps: [{ kind: 'bypass', what: 'hood' }],
    };
    expect(await draftOf('route', 'shortcut', route)).toMatchObject({
      status: 422,
      body: {
        code: 'publish-blocked',
        fields: [{ path: ['route:shortcut', 'steps', 0], reason: expect.stringContaining('interlock') }],
      },
    });
    expect((await bundleNow()).pinned?.hash).toBe(before);
    expect((await trainer.get('/families/brindlewick-g4/findings')).body).toContainEqual(
      expect.objectContaining({ code: 'interlock-defeated', severity: 'error' }),
    );
  });

  it('a code that names a chart nobody published', async () => {
    const body = { ...(await readK19()).latest.body, id: 'k29', text: 'K29', chart: 'not-there' };
    expect((await draftOf('code', 'k29', body)).status).toBe(422);
  });
});

describe('bundles', () => {
  it('are served packed with an ETag, and not sent again', async () => {
    const first = await trainer.get('/families/brindlewick-g4/bundle');
    const etag = first.headers.get('etag') ?? '';
    expect(readBundle(first.body).ok).toBe(true);
    const again = await trainer.get('/families/brindlewick-g4/bundle', { 'if-none-match': etag });
    expect([again.status, again.body]).toEqual([304, '']);
    const plain = await trainer.get('/families/brindlewick-g4/bundle', { 'accept-encoding': 'identity' });
    expect(plain.body).toEqual(first.body);
  });

  it('exported and imported again are the same', async () => {
    const bundle = await bundleNow();
    const preview = (await trainer.post('/imports/preview', bundle)).body as Array<{
      what: string;
      key: { id: string };
    }>;
    const differing = preview.filter((l) => l.what !== 'same').map((l) => l.key.id);
    // only entries with newer drafts differ from what is published
    expect(differing).toEqual([]);
  });

  it('hold every meter of the school, and the shared charts their codes use', async () => {
    const { entries } = await bundleNow();
    expect(entries.filter((e) => e.kind === 'instrument').map((e) => e.id)).toContain('bench-meter');
    expect(entries.filter((e) => e.kind === 'chart').map((e) => e.id)).toContain('supply-check');
    expect((await trainer.get('/charts/supply-check/uses')).body).toMatchObject([
      { kind: 'code', id: 'v28', family: 'brindlewick-g4', title: 'V28 Supply too low', through: null },
    ]);
    const technician = await school.person('technician');
    expect((await technician.get('/charts/supply-check/uses')).status).toBe(403);
  });

  it('pin the library’s shared entries by revision too', async () => {
    expect((await bundleNow()).pinned?.revisions).toMatchObject({ 'hazard:mains': 1, 'family:brindlewick-g4': 1 });
  });
});

describe('import', () => {
  const rows = async () => Number((await school.services.db('revisions').count('* as n').first())?.n);

  it('previews without writing, then brings a whole new family in for review', async () => {
    const before = await rows();
    const preview = (await trainer.post('/imports/preview', dryer())).body as Array<{ what: string }>;
    expect(preview.every((l) => l.what === 'new')).toBe(true);
    expect(await rows()).toBe(before);
    const done = (await trainer.post('/imports', dryer())).body as { setId: number };
    expect((await trainer.get('/families/velmarrow-d1/bundle')).status).toBe(404);
    expect((await reviewer.post(`/publish-sets/${done.setId}/publish`, { note: '' })).status).toBe(200);
    expect((await trainer.get('/families')).body).toMatchObject({
      cards: [
        { family: { id: 'brindlewick-g4' } },
        { family: { id: 'velmarrow-d1' }, counts: { codes: 4, charts: 1 } },
      ],
    });
    expect((await trainer.get('/own-families')).body).toContain('velmarrow-d1');
    // what it is recognised by comes on its own, when it is looked at
    const drawn = (await trainer.get('/families/velmarrow-d1/face')).body as { face: { signs: unknown[] } };
    expect(drawn.face.signs.length).toBeGreaterThan(0);
    expect((await trainer.get('/families/unheard-of/face')).body).toEqual({ face: null, standby: null });
    expect((await trainer.get('/alike-families')).body).toEqual([]);
    // once it is published the set still tells what it brought, and not that nothing differs
    expect((await trainer.get(`/publish-sets/${done.setId}`)).body).toMatchObject({
      state: 'published',
      items: expect.arrayContaining([
        expect.objectContaining({ before: null, changes: expect.arrayContaining([expect.anything()]) }),
      ]),
    });
    expect((await trainer.get('/codes?text=t3')).body).toEqual([
      { family: 'velmarrow-d1', text: 'T-3', title: 'Air stays cold' },
    ]);
  });

  it('a very large file holds up nobody else, and one with too many entries is refused at once', async () => {
    const own = dryer() as unknown as { entries: Array<{ kind: string; id: string }> };
    const codes = own.entries.filter((e) => e.kind === 'code');
    const many = (count: number) => ({
      ...own,
      entries: [
        ...own.entries,
        ...Array.from({ length: count }, (_, i) => ({
          ...codes[i % codes.length],
          id: `c${i}`,
          text: `C${i}`,
          title: 'x',
        })),
      ],
    });
    const order: string[] = [];
    const large = trainer.post('/imports/preview', many(12_000)).then((answer) => {
      order.push('large');
      return answer;
    });
    for (let i = 0; i < 5; i += 1) {
      expect((await trainer.get('/session')).status).toBe(200);
      order.push('small');
    }
    expect((await large).status).toBe(200);
    expect(order.slice(0, 3)).toEqual(['small', 'small', 'small']);
    const refused = await trainer.post('/imports/preview', {
      ...own,
      entries: Array.from({ length: 20_001 }, () => ({})),
    });
    expect(refused).toMatchObject({
      status: 422,
      body: { fields: [{ path: ['entries'], reason: expect.stringContaining('20000') }] },
    });
  });

  it.each<[string, (b: ReturnType<typeof dryer>) => unknown, RegExp]>([
    [
      'a dangling id',
      (b) => ({ ...b, entries: b.entries.map((e) => (e.id === 't-3' ? { ...e, chart: 'gone' } : e)) }),
      /gone/,
    ],
    ['a duplicate id', (b) => ({ ...b, entries: [...b.entries, b.entries[0]] }), /twice/],
    ['a wrong shape', (b) => ({ ...b, entries: [{ kind: 'code' }] }), /title/],
    ['something else', () => [], /object/],
  ])('with %s is refused whole, with path and reason', async (_, spoil, words) => {
    const before = await rows();
    const answer = await trainer.post('/imports', spoil(dryer()));
    expect([answer.status, JSON.stringify(answer.body)]).toEqual([422, expect.stringMatching(words)]);
    expect(await rows()).toBe(before);
  });

  it('of 50 MB is refused by its size', async () => {
    const answer = await trainer.post('/imports', JSON.stringify({ entries: 'x'.repeat(50_000_000) }));
    expect(answer.status).toBe(413);
  });
});

describe('storage', () => {
  it('index tables hold what is published, and only that', async () => {
    const codes = (await school.services
      .db('code_index')
      .where({ family: 'brindlewick-g4' })
      .pluck('text')) as string[];
    const published = (await bundleNow()).entries
      .filter((e): e is Extract<Entry, { kind: 'code' }> => e.kind === 'code')
      .map((e) => e.text);
    expect(codes.sort()).toEqual(published.sort());
  });

  it('the stored bundle is the served one', async () => {
    const { hash } = (await school.services.db('current_bundles').where({ family: 'brindlewick-g4' }).first()) as {
      hash: string;
    };
    const row = await school.services.db('bundles').where({ hash }).first();
    expect(JSON.parse(gunzipSync(row.body).toString('utf8'))).toEqual(await bundleNow());
  });
});
