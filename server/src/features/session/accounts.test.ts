import type { Answer } from '@wire-trail/core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { openSchool, Person, type School } from '../../testing/school.ts';

let school: School;
let admin: Person;
beforeAll(async () => {
  school = await openSchool({ WIRE_TRAIL_TRUST_PROXY: '1', WIRE_TRAIL_LOG: 'error' });
});
afterAll(() => school.close());
const forgetTries = () => school.services.db('sign_in_tries').delete();
beforeEach(forgetTries);

/** Somebody whose requests come through the proxy, from an address. */
class Outside extends Person {
  private readonly from: string;
  constructor(base: string, from: string) {
    super(base);
    this.from = from;
  }
  override send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}) {
    return super.send(method, path, body, { 'x-forwarded-proto': 'https', 'x-forwarded-for': this.from, ...headers });
  }
}
const at = (from = '192.0.2.1') => new Outside(school.base, from);
const signed = async (name: string, password?: string, from?: string) => {
  const person = at(from);
  expect((await person.signIn(name, password)).status).toBe(200);
  return person;
};
let made = 0;
const newPerson = async (role = 'technician') => {
  made += 1;
  admin ??= await signed('admin');
  const signIn = `person-${made}`;
  const answer = await admin.post('/users', { name: `Person ${made}`, signIn, role, password: 'seven quiet owls' });
  expect(answer.status).toBe(201);
  return { signIn, id: (answer.body as { id: number }).id };
};

describe('passwords', () => {
  it.each([
    ['blank', ' '.repeat(10), /five different/],
    ['one letter', 'aaaaaaaaaaaa', /five different/],
    ['short', 'q7!xP0z', /ten/],
    ['among the most used', 'qwertyuiop', /most used/],
    ['figures', '0123456789', /figures/],
    ['a most used one with figures', 'password2026', /most used/],
    ['the name', 'xx-somebody-xx', /name/],
  ])('%s are refused at their field, with the reason', async (_, password, reason) => {
    admin ??= await signed('admin');
    const answer = await admin.post('/users', { name: 'Some Body', signIn: 'somebody', role: 'trainer', password });
    expect(answer.status).toBe(400);
    const { fields } = answer.body as { fields: Array<{ path: string[]; reason: string }> };
    expect(fields[0]?.path).toEqual(['password']);
    expect(fields[0]?.reason).toMatch(reason);
  });

  it('one’s own is changed with the old one; other sessions end, this one goes on', async () => {
    const { signIn } = await newPerson();
    const [here, elsewhere] = [await signed(signIn, 'seven quiet owls'), await signed(signIn, 'seven quiet owls')];
    const wrong = await here.put('/session/password', { old: 'six quiet owls', password: 'nine loud geese' });
    expect(wrong).toMatchObject({ status: 401, body: { code: 'sign-in-wrong' } });
    expect((await here.put('/session/password', { old: 'seven quiet owls', password: '0123456789' })).status).toBe(400);
    expect((await here.put('/session/password', { old: 'seven quiet owls', password: 'nine loud geese' })).status).toBe(
      204,
    );
    expect((await here.get('/session')).status).toBe(200);
    expect(await elsewhere.get('/session')).toMatchObject({ status: 401, body: { code: 'not-signed-in' } });
    expect((await at().signIn(signIn, 'seven quiet owls')).status).toBe(401);
    expect((await at().signIn(signIn, 'nine loud geese')).status).toBe(200);
  });

  it('are set anew by a link, once, within a day', async () => {
    const { signIn, id } = await newPerson();
    const old = await signed(signIn, 'seven quiet owls');
    const link = async () => {
      const answer = await admin.post(`/users/${id}/password-link`, {});
      expect(answer.status).toBe(201);
      return (answer.body as Answer<'passwordLink'>).path.split('#')[1] ?? '';
    };
    const [first, second] = [await link(), await link()];
    const reset = (token: string, password = 'nine loud geese') => at().post('/password-resets', { token, password });
    expect((await reset(first)).status).toBe(410);
    expect((await reset(second, 'password12')).status).toBe(400);
    expect((await reset(second)).status).toBe(204);
    expect((await reset(second)).status).toBe(410);
    expect((await old.get('/session')).status).toBe(401);
    await signed(signIn, 'nine loud geese');
    const late = await link();
    await school.services.db('password_links').update({ expires_at: new Date(Date.now() - 1000) });
    expect((await reset(late, 'ten loud geese')).status).toBe(410);
    const stored = await school.services.db('password_links').pluck('id');
    expect(stored.join()).not.toContain(late);
    expect((await admin.post('/users/99999/password-link', {})).status).toBe(404);
  });

  it('every session of one’s own ends at once', async () => {
    const { signIn } = await newPerson();
    const [a, b] = [await signed(signIn, 'seven quiet owls'), await signed(signIn, 'seven quiet owls')];
    expect((await a.send('DELETE', '/sessions')).status).toBe(204);
    for (const person of [a, b]) expect((await person.get('/session')).status).toBe(401);
  });
});

describe('tries', () => {
  it('of one name count however it is spelled, and at whichever server', async () => {
    const { signIn } = await newPerson();
    const second = new Outside(await school.secondServer(), '192.0.2.9');
    const spelled = [signIn, signIn.toUpperCase(), `${signIn} `, signIn.replace('e', 'é'), signIn.replace('o', 'Ö')];
    const tries = spelled.map((name, i) => (i % 2 ? second : at('192.0.2.9')).signIn(name, 'wrong'));
    for (const answer of await Promise.all(tries)) expect(answer.status).toBe(401);
    const refused = await at('192.0.2.9').signIn(signIn.replace('p', 'P'), 'seven quiet owls');
    expect(refused.status).toBe(429);
    expect(Number(refused.headers.get('retry-after'))).toBeGreaterThan(0);
    // somebody else at that address, and the person at another
    await signed('trainer', undefined, '192.0.2.9');
    await signed(signIn, 'seven quiet owls', '192.0.2.10');
  });

  it('many behind one address sign in, and names that are guessed from one do not go on, all at once neither', async () => {
    const from = '192.0.2.20';
    const counted = () => school.services.db('sign_in_tries').where('key', `address:${from}`);
    for (let i = 0; i < 20; i += 1) await signed('trainer', undefined, from);
    expect((await counted().first('points')).points).toBe(0);
    // as many as may be wrong, but two; and no clock in it: a busy machine takes longer than a minute for so many
    expect(await counted().update({ points: 118, expire: Date.now() + 3_600_000 })).toBe(1);
    const statuses = await Promise.all(Array.from({ length: 12 }, (_, i) => at(from).signIn(`nobody ${i}`, 'wrong')));
    expect(statuses.filter((s) => s.status === 429)).toHaveLength(10);
    expect((await at(from).signIn('trainer')).status).toBe(429);
  });

  it('what a caller writes into the forwarded header changes nothing', async () => {
    const { signIn } = await newPerson();
    const answers = [];
    for (let i = 0; i < 7; i += 1)
      answers.push((await at(`203.0.113.${i}, 192.0.2.30`).signIn(signIn, 'wrong')).status);
    expect(answers).toEqual([401, 401, 401, 401, 401, 429, 429]);
  });
});

describe('a phone that was lost', () => {
  it('is seen by an admin, signed out from afar, and told so at its next contact', async () => {
    const { signIn, id } = await newPerson();
    const phone = at();
    await phone.send('POST', '/session', { signIn, password: 'seven quiet owls' }, { 'user-agent': 'Phone of P.' });
    const desk = await signed(signIn, 'seven quiet owls');
    const list = async () => (await admin.get(`/users/${id}/sessions`)).body as Answer<'sessions'>;
    const lost = (await list()).find((s) => s.browser === 'Phone of P.');
    expect(lost).toMatchObject({ ended: false, own: false });
    expect((await admin.send('DELETE', `/users/${id}/sessions/${lost?.id}`)).status).toBe(204);
    expect(await phone.get('/session')).toMatchObject({ status: 401, body: { code: 'session-ended' } });
    expect(await phone.get('/families')).toMatchObject({ status: 401, body: { code: 'session-ended' } });
    expect((await desk.get('/session')).status).toBe(200);
    expect((await list()).map((s) => s.ended).sort()).toEqual([false, true]);
    // it may sign in anew, with the password
    expect((await phone.signIn(signIn, 'seven quiet owls')).status).toBe(200);
    expect((await phone.get('/session')).status).toBe(200);
    expect((await admin.send('DELETE', `/users/${id}/sessions/0123456789abcdef`)).status).toBe(404);
    expect((await desk.get(`/users/${id}/sessions`)).status).toBe(403);
  });
});
