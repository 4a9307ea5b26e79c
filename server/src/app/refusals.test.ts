import { contract, type Declared, routeNames } from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openSchool, Person, type School } from '../testing/school.ts';

let school: School;
let admin: Person;
beforeAll(async () => {
  school = await openSchool({ WIRE_TRAIL_LOG: 'silent' });
  admin = await school.person('admin');
});
afterAll(() => school.close());

/** What may stand in an address, typed, pasted or made up by a program. */
const odd = ['é', '😀', 'ﬁ', '%', '%25', 'a\u0000b', '..', 'x'.repeat(900), '0', '-1', 'null', "a'b", 'A B', '\ud800'];
const encoded = (text: string) => {
  try {
    return encodeURIComponent(text);
  } catch {
    return '%ED%A0%80';
  }
};
const withParams = routeNames
  .map((name) => ({ name, route: contract[name] as Declared }))
  .filter(({ route }) => route.path.includes(':') || route.query);

describe('whatever stands in an address', () => {
  it.each(withParams)('$name is answered or refused with a reason, never broken', async ({ route }) => {
    const method = route.method.toUpperCase();
    const body = method === 'GET' || method === 'DELETE' ? undefined : {};
    for (const text of odd) {
      const path = route.path.replace(/:\w+/g, encoded(text));
      const query = Object.keys((route.query as { shape?: object })?.shape ?? {})
        .map((key) => `${key}=${encoded(text)}`)
        .join('&');
      const { status } = await admin.send(method, query ? `${path}?${query}` : path, body);
      expect([path, query, status < 500]).toEqual([path, query, true]);
    }
  });
});

describe('what is sent', () => {
  const key = (id: string) => ({ family: 'somewhere', kind: 'code', id, number: 1 });
  it.each<[string, string, string, unknown, number]>([
    ['the same entry twice in a set', 'POST', '/publish-sets', { title: 'x', items: [key('a'), key('a')] }, 400],
    ['an id that is not ASCII in a set', 'POST', '/publish-sets', { title: 'x', items: [key('é')] }, 400],
    ['half a character in the settings', 'PUT', '/settings', { schoolName: 'a\ud800b', ownReview: false }, 200],
    ['a NUL in the settings', 'PUT', '/settings', { schoolName: 'a\u0000b', ownReview: false }, 200],
    ['emoji in the settings', 'PUT', '/settings', { schoolName: '😀'.repeat(60), ownReview: false }, 200],
    [
      'a name that is too long for its column',
      'PUT',
      '/settings',
      { schoolName: 'x'.repeat(121), ownReview: false },
      400,
    ],
    [
      'discarding the same twice',
      'POST',
      '/drafts/discard',
      { items: [key('a'), key('a')].map(({ number, ...k }) => k) },
      404,
    ],
  ])('%s is taken or refused with a reason', async (_, method, path, body, status) => {
    expect((await admin.send(method, path, body)).status).toBe(status);
  });
});

describe('behind a proxy that does not say how it was reached', () => {
  it('signing in is refused with what the proxy has to say', async () => {
    const behind = await openSchool({ WIRE_TRAIL_TRUST_PROXY: '1', WIRE_TRAIL_LOG: 'silent' });
    try {
      const person = new Person(behind.base);
      const body = { signIn: 'trainer', password: 'a long password' };
      const refused = await person.post('/session', body);
      expect(refused).toMatchObject({
        status: 403,
        body: { code: 'not-secure', detail: expect.stringContaining('X-Forwarded-Proto') },
      });
      expect((await person.send('POST', '/session', body, { 'x-forwarded-proto': 'https' })).status).toBe(200);
    } finally {
      await behind.close();
    }
  });
});
