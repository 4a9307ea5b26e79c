import { createHash, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { Entry, type Job } from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openSchool, type Person, type School } from '../testing/school.ts';
import { addRevisions } from './entries/bulk-store.ts';

const demo = JSON.parse(readFileSync(new URL('../../../demo/brindlewick-g4.json', import.meta.url), 'utf8'));
const family = 'brindlewick-g4';
let school: School;
let trainer: Person;
beforeAll(async () => {
  school = await openSchool();
  await school.publish(demo);
  trainer = await school.person('trainer');
});
afterAll(() => school.close());

const like = demo.entries.find((e: { id: string }) => e.id === 'k19');
const code = (text: string, change: object = {}) => ({
  ...like,
  id: text.toLowerCase(),
  text,
  readout: null,
  seeAlso: [],
  ...change,
});
const items = (texts: string[]) => texts.map((text) => ({ basedOn: 0, body: code(text) }));
const begin = (list: object[], submit: string | null = null) =>
  trainer.post('/drafts', { note: 'pasted', submit, items: list });

async function ended(id: string): Promise<Job> {
  for (;;) {
    const { body } = await trainer.get(`/jobs/${id}`);
    if ((body as Job).state !== 'running') return body;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}
const numbersOf = async (prefix: string) => {
  const { body } = await trainer.get(`/families/${family}/working`);
  return (body as Array<{ id: string; number: number }>).filter((w) => w.id.startsWith(prefix)).map((w) => w.number);
};

describe('many drafts at once', () => {
  it('each body stands under its own entry, even where the database counts in steps', async () => {
    const { db } = school.services;
    const bodies = ['STEP3', 'STEP1', 'STEP2', 'STEP9'].map((text) => ({ basedOn: 0, body: Entry.parse(code(text)) }));
    const added = await db.transaction(async (trx) => {
      await trx.raw('SET SESSION auto_increment_increment = 7, auto_increment_offset = 3');
      const made = await addRevisions(trx, bodies, { note: 'steps', authorId: null, at: new Date() });
      await trx.raw('SET SESSION auto_increment_increment = 1, auto_increment_offset = 1');
      return made;
    });
    const rows = await db('revisions')
      .join('entries', 'entries.id', 'revisions.entry_id')
      .where('revisions.note', 'steps')
      .select('revisions.id', 'revisions.entry_id', 'entries.slug', 'revisions.body');
    expect(rows).toHaveLength(4);
    for (const { id, entry_id, slug, body } of rows) {
      expect(body).toMatchObject({ id: slug });
      expect(added.find((a) => a.key.id === slug)).toMatchObject({ id: Number(id), entryId: Number(entry_id) });
    }
  });

  it('are written whole, with progress, and handed to a reviewer as one set', async () => {
    const texts = Array.from({ length: 1200 }, (_, i) => `M${i}`);
    const { status, body } = await begin(items(texts), 'Pasted table');
    expect([status, (body as Job).state, (body as Job).total]).toEqual([202, 'running', 1200]);
    const job = await ended((body as Job).id);
    expect(job).toMatchObject({ state: 'done', done: 1200, result: { setId: expect.any(Number) } });
    expect(await numbersOf('m')).toHaveLength(
      1200 + demo.entries.filter((e: { id: string }) => e.id.startsWith('m')).length,
    );
    const { setId } = job.result as { setId: number };
    const set = (await trainer.get(`/publish-sets/${setId}`)).body as { items: object[] };
    expect(set.items).toHaveLength(1200);
    const reviewer = await school.person('reviewer');
    expect((await reviewer.post(`/publish-sets/${setId}/publish`, { note: '' })).status).toBe(200);
    expect((await trainer.get('/codes?text=m-700')).body).toMatchObject([{ family, text: 'M700' }]);
  });

  it('on top of what is there: the next revision of each', async () => {
    await ended(((await begin(items(['NN1', 'NN2']))).body as Job).id);
    const again = ['NN1', 'NN2'].map((text) => ({ basedOn: 1, body: code(text, { title: 'Changed' }) }));
    expect(await ended(((await begin(again)).body as Job).id)).toMatchObject({ state: 'done' });
    expect(await numbersOf('nn')).toEqual([2, 2]);
  });

  it.each<[string, () => object[], RegExp]>([
    ['one that moved on meanwhile', () => [...items(['Q1']), { basedOn: 0, body: like }], /is revision 1 by now/],
    ['one that stands twice', () => items(['Q1', 'Q1']), /stands here twice/],
  ])('%s: nothing is written, and its place is named', async (_, list, words) => {
    const job = await ended(((await begin(list())).body as Job).id);
    expect(job).toMatchObject({ state: 'failed', problem: { code: 'stale-save' } });
    expect(job.problem?.fields[0]?.reason).toMatch(words);
    expect(job.problem?.fields[0]?.path).toEqual(['items', 1]);
    expect(await numbersOf('q')).toEqual([]);
  });

  it('never published, they can be taken back; what is published or waits for a reviewer cannot', async () => {
    const { id } = (await begin(items(['J1', 'J2']), 'For review')).body as Job;
    const { setId } = (await ended(id)).result as { setId: number };
    const keys = ['j1', 'j2'].map((slug) => ({ family, kind: 'code', id: slug }));
    expect((await trainer.post('/drafts/discard', { items: keys })).status).toBe(409);
    await trainer.post(`/publish-sets/${setId}/return`, { note: '' });
    const published = { family, kind: 'code', id: 'k19' };
    expect((await trainer.post('/drafts/discard', { items: [...keys, published] })).status).toBe(409);
    expect(await numbersOf('j')).toEqual([1, 1]);
    expect((await trainer.post('/drafts/discard', { items: keys })).body).toEqual({ discarded: 2 });
    expect(await numbersOf('j')).toEqual([]);
    expect((await trainer.post('/drafts/discard', { items: keys })).status).toBe(404);
  });

  it('a body that is no code refuses the whole before anything begins', async () => {
    const { status, body } = await begin([...items(['R1']), { basedOn: 0, body: code('R2', { title: '' }) }]);
    expect([status, (body as { fields: Array<{ path: unknown[] }> }).fields[0]?.path]).toEqual([
      400,
      ['items', 1, 'body', 'title'],
    ]);
  });

  it('cancelled: rolled back, and it says so', async () => {
    const texts = Array.from({ length: 3000 }, (_, i) => `Z${i}`);
    const { id } = (await begin(items(texts))).body as Job;
    await trainer.send('DELETE', `/jobs/${id}`);
    expect(await ended(id)).toMatchObject({ state: 'cancelled' });
    expect(await numbersOf('z')).toEqual([]);
  });

  it('somebody else’s work is not seen', async () => {
    const { id } = (await begin(items(['Y1']))).body as Job;
    const other = await school.person('reviewer');
    expect((await other.get(`/jobs/${id}`)).status).toBe(404);
    expect((await other.get(`/jobs/${randomUUID()}`)).status).toBe(404);
    await ended(id);
  });
});

describe('pictures', () => {
  const png = Buffer.concat([Buffer.from([137, 80, 78, 71, 13, 10, 26, 10]), Buffer.from('a board')]);
  const hash = createHash('sha256').update(png).digest('hex');
  const base64 = png.toString('base64');
  const asset = (change: object = {}) => ({
    kind: 'asset',
    id: hash,
    family,
    name: 'Board',
    type: 'image/png',
    bytes: png.length,
    mayBeShared: false,
    marks: [{ number: 1, x: 0.5, y: 0.5, label: 'plug 3' }],
    ...change,
  });

  it('are kept once by their hash, and given to a technician as they came', async () => {
    expect((await trainer.post('/assets', { base64 })).body).toEqual({ hash, type: 'image/png', bytes: png.length });
    expect((await trainer.post('/assets', { base64 })).status).toBe(201);
    const got = await (await school.person('technician')).get(`/assets/${hash}`);
    expect([got.status, got.headers.get('content-type'), got.headers.get('cache-control')]).toEqual([
      200,
      'image/png',
      expect.stringContaining('immutable'),
    ]);
  });
  it('that are none are refused, whatever they are called', async () => {
    const { status, body } = await trainer.post('/assets', { base64: Buffer.from('<svg/>').toString('base64') });
    expect([status, (body as { fields: object[] }).fields]).toEqual([
      400,
      [{ path: ['base64'], reason: expect.stringContaining('no PNG') }],
    ]);
  });
  it('that may not be shared stay behind when a bundle is given away; others go with it and come back in', async () => {
    const withPicture = (mayBeShared: boolean) => ({
      ...demo,
      entries: [
        ...demo.entries.map((e: { id: string }) => (e.id === 'k19' ? { ...e, pictures: [hash] } : e)),
        asset({ mayBeShared, base64 }),
      ],
    });
    const exported = async () =>
      (await trainer.get(`/families/${family}/export`)).body as {
        entries: Array<Record<string, unknown>>;
        pinned?: unknown;
      };
    await school.publish(withPicture(false));
    const without = await exported();
    expect(JSON.stringify(without)).not.toContain(hash);
    expect(without.pinned).toBeUndefined();
    await school.publish(withPicture(true));
    const given = await exported();
    expect(given.entries.find((e) => e.id === hash)).toMatchObject({ kind: 'asset', base64 });
    expect((await trainer.post('/imports/preview', given)).status).toBe(200);
    const spoilt = {
      ...given,
      entries: given.entries.map((e) =>
        e.id === hash ? { ...e, base64: Buffer.concat([png, png]).toString('base64') } : e,
      ),
    };
    expect((await trainer.post('/imports', spoilt)).status).toBe(400);
  });
});

it('a family that was begun is there for trainers before it is published', async () => {
  const begun = {
    ...demo.entries.find((e: { kind: string }) => e.kind === 'family'),
    id: 'tallowmere-k1',
    name: 'Tallowmere K1',
  };
  const saved = await trainer.put('/families/tallowmere-k1/entries/family/tallowmere-k1/draft', {
    basedOn: 0,
    note: '',
    body: begun,
  });
  expect(saved.status).toBe(201);
  expect((await trainer.get('/begun-families')).body).toMatchObject([{ family: { id: 'tallowmere-k1' }, panels: [] }]);
  expect(
    ((await trainer.get('/library/working')).body as Array<{ family: null }>).every((e) => e.family === null),
  ).toBe(true);
});
