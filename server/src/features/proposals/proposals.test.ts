import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { Answer } from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openSchool, type Person, type School } from '../../testing/school.ts';

let school: School;
let technician: Person;
let trainer: Person;
beforeAll(async () => {
  school = await openSchool();
  await school.publish(
    JSON.parse(readFileSync(new URL('../../../../demo/brindlewick-g4.json', import.meta.url), 'utf8')),
  );
  [technician, trainer] = [await school.person('technician'), await school.person('trainer')];
});
afterAll(() => school.close());

const fix = { kind: 'fix', code: 'k17', symptom: null, part: 'drain-pump' };
const way = { kind: 'way', route: 'erase-memory', steps: [{ kind: 'press', control: 'any', times: 2 }] };

/** A walk on which this was offered, sent. */
async function offered(offer: object, more: (id: string) => object[] = () => []): Promise<string> {
  const [walk, id] = [randomUUID(), randomUUID()];
  const event = (seq: number, body: object, own = randomUUID()) => ({
    id: own,
    walk,
    seq,
    at: new Date(Date.UTC(2026, 4, 1, 8, seq)).toISOString(),
    ...body,
  });
  const { body } = await technician.post('/events', {
    events: [
      event(0, { kind: 'started', family: 'brindlewick-g4', bundle: 'x', from: { kind: 'code', code: 'k17' } }),
      event(1, {
        kind: 'unit',
        machine: randomUUID(),
        serial: `P-${id.slice(0, 6)}`,
        model: 'G4-20A',
        software: '2.6',
        variant: null,
        options: {},
        composition: [],
      }),
      event(2, { kind: 'proposed', offer, words: 'It held since.' }, id),
      ...more(id).map((m, i) => event(3 + i, m)),
    ],
  });
  expect((body as Answer<'takeEvents'>).refused).toEqual([]);
  return id;
}
const listed = async (person: Person, query = '') =>
  (await person.get(`/proposals${query}`)).body as Answer<'proposals'>;
const settle = (id: string, as: string, answer = '') => trainer.post(`/proposals/${id}/settle`, { as, answer });

describe('what the field offers', () => {
  it('waits for a trainer with who, what and on which unit; the one who offered it sees what became of it', async () => {
    const id = await offered(fix);
    const [first] = (await listed(trainer)).filter((p) => p.id === id);
    expect(first).toMatchObject({
      family: 'brindlewick-g4',
      offer: fix,
      words: 'It held since.',
      by: 'The technician',
      model: 'G4-20A',
      settled: null,
    });
    expect((await settle(id, 'declined', 'It was the float.')).body).toEqual({ drafts: [] });
    expect((await listed(trainer)).some((p) => p.id === id)).toBe(false);
    expect((await listed(technician)).find((p) => p.id === id)?.settled).toEqual({
      as: 'declined',
      answer: 'It was the float.',
      by: 'The trainer',
    });
    // a trainer who asks for their own sees none of others
    expect((await listed(trainer, '?mine=yes')).length).toBe(0);
    expect((await settle(id, 'taken')).status).toBe(404);
  });
  it('taken, it is a draft beside what is there, in the trainer’s hands; what is published stays', async () => {
    const path = '/families/brindlewick-g4/entries/code/k17';
    const before = (await trainer.get(path)).body as Answer<'entry'>;
    const id = await offered(fix);
    expect((await settle(id, 'taken')).body).toEqual({
      drafts: [
        { family: 'brindlewick-g4', kind: 'source', id: 'field-the-technician' },
        { family: 'brindlewick-g4', kind: 'code', id: 'k17' },
      ],
    });
    const after = (await trainer.get(path)).body as Answer<'entry'>;
    expect(after.latest).toMatchObject({ state: 'draft', author: 'The trainer', number: before.latest.number + 1 });
    expect(after.published?.number).toBe(before.published?.number);
    const claims = (view: Answer<'entry'>) => (view.latest.body.kind === 'code' ? view.latest.body.claims : []);
    expect(claims(after).slice(0, -1)).toEqual(claims(before));
    expect(claims(after).at(-1)).toMatchObject({ source: 'field-the-technician', standing: 'field-report' });
    // a second one of the same person needs no second source
    const again = await offered(way);
    expect((await settle(again, 'taken')).body).toMatchObject({
      drafts: [{ kind: 'account', id: `field-${again.slice(0, 8)}` }],
    });
  });
  it('settled by two at once, it is settled once', async () => {
    const id = await offered(fix);
    const answers = await Promise.all([settle(id, 'taken'), settle(id, 'taken')]);
    expect(answers.map((a) => a.status).sort()).toEqual([200, 404]);
  });
  it('what was taken back on the walk, or is about what is no more, becomes nothing', async () => {
    const gone = await offered(fix, (id) => [{ kind: 'taken-back', event: id }]);
    expect((await listed(trainer)).some((p) => p.id === gone)).toBe(false);
    expect((await settle(gone, 'taken')).status).toBe(404);
    const nowhere = await offered({ ...fix, code: 'no-such-code' });
    expect((await settle(nowhere, 'taken')).status).toBe(409);
    // and it is still there to be declined
    expect((await settle(nowhere, 'declined')).status).toBe(200);
  });
});
