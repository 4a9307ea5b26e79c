import { apiPrefix, contract, type Declared, refusalCodes, roles, routeNames } from '@wire-trail/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ProblemError } from '../http/problem.ts';
import { type Answer, openSchool, type Person, type School } from '../testing/school.ts';
import { apiDocument } from './openapi.ts';

let school: School;
beforeAll(async () => {
  school = await openSchool();
});
afterAll(() => school.close());

const routes: readonly Declared[] = routeNames.map((name) => contract[name]);
const uuid = '0b9a7e52-41b3-4c6e-9d55-6a1f8f0c1d11';
/** An address of the right shape that leads nowhere: enough to see who is let in. */
const addressOf = (path: string) =>
  path
    .replace(':family', 'nothing')
    .replace(':kind', 'code')
    .replace(':number', '1')
    .replace(':serial', 's')
    .replace(':session', '0123456789abcdef')
    .replace(
      ':id',
      path.startsWith('/questions') || path.startsWith('/proposals') || path.startsWith('/walks')
        ? uuid
        : path.includes('entries')
          ? 'x'
          : '999',
    );
const call = (person: Person, one: Declared): Promise<Answer> =>
  person.send(one.method.toUpperCase(), addressOf(one.path), one.method === 'get' ? undefined : {});

describe('access', () => {
  const guarded = routes.filter((one) => one.role !== 'anybody');
  it.each(guarded.map((one) => [`${one.method} ${one.path}`, one] as const))(
    '%s asks for a sign-in',
    async (_, one) => {
      expect((await call(await school.person(), one)).status).toBe(401);
    },
  );

  it.each(roles)('a %s is let in exactly where the table says', async (role) => {
    let person = await school.person(role);
    for (const one of guarded) {
      const { status } = await call(person, one);
      const may = one.role !== 'anybody' && roles.indexOf(role) >= roles.indexOf(one.role);
      expect({ route: `${one.method} ${one.path}`, refused: status === 403 }).toEqual({
        route: `${one.method} ${one.path}`,
        refused: !may,
      });
      expect(status).not.toBe(500);
      // one of them signs out
      if ((await person.get('/session')).status === 401) person = await school.person(role);
    }
  });

  it('a closed account is out at once', async () => {
    const admin = await school.person('admin');
    const added = await admin.post('/users', {
      name: 'Leaver',
      signIn: 'leaver',
      role: 'trainer',
      password: 'a long password',
    });
    const leaver = await school.person();
    await leaver.signIn('leaver');
    expect((await leaver.get('/publish-sets')).status).toBe(200);
    await admin.put(`/users/${(added.body as { id: number }).id}`, { role: 'trainer', disabled: true });
    expect((await leaver.get('/publish-sets')).status).toBe(401);
  });

  it('the last admin stays', async () => {
    const admin = await school.person('admin');
    const { id } = (await admin.get('/session')).body as { id: number };
    expect((await admin.put(`/users/${id}`, { role: 'trainer', disabled: false })).status).toBe(409);
  });
});

describe('sign-in', () => {
  it('says the same for a wrong password and an unknown name', async () => {
    const person = await school.person();
    const wrong = await person.signIn('trainer', 'not the password');
    const unknown = await person.signIn('nobody', 'not the password');
    expect([wrong.status, unknown.status]).toEqual([401, 401]);
    expect(wrong.body).toEqual(unknown.body);
  });

  it('is slowed down after five wrong tries, with when to come back', async () => {
    const person = await school.person();
    const answers = [];
    for (let i = 0; i < 6; i++) answers.push(await person.signIn('technician', 'wrong'));
    expect(answers.map((a) => a.status)).toEqual([401, 401, 401, 401, 401, 429]);
    expect(Number(answers[5]?.headers.get('retry-after'))).toBeGreaterThan(0);
  });

  it('gives a cookie no script can read, and signing out ends it', async () => {
    const person = await school.person();
    const signed = await person.signIn('reviewer');
    const cookies = signed.headers.getSetCookie().join('\n');
    expect(cookies).toMatch(/httponly/i);
    expect(cookies).toMatch(/samesite=lax/i);
    expect((await person.get('/session')).status).toBe(200);
    await person.send('DELETE', '/session');
    expect((await person.get('/session')).status).toBe(401);
  });
});

describe('other sites', () => {
  it.each<[string, Record<string, string>]>([
    ['without the header', { 'x-wire-trail': '' }],
    ['from a foreign origin', { origin: 'http://elsewhere.invalid' }],
    ['called cross-site by the browser', { 'sec-fetch-site': 'cross-site' }],
  ])('a write %s is refused', async (_, headers) => {
    const person = await school.person('trainer');
    expect((await person.send('POST', '/publish-sets', { title: 't', items: [] }, headers)).status).toBe(403);
  });

  it('every answer carries the security headers', async () => {
    const { headers } = await (await school.person()).get('/health');
    const policy = headers.get('content-security-policy') ?? '';
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    expect([
      headers.get('x-content-type-options'),
      headers.get('x-powered-by'),
      headers.get('strict-transport-security'),
    ]).toEqual(['nosniff', null, null]);
  });
});

describe('bad input', () => {
  it.each<[string, string, unknown, number, RegExp]>([
    ['a wrong field', '/publish-sets', { title: 7, items: [] }, 400, /title/],
    ['an unknown field', '/publish-sets', { title: 't', items: [], extra: 1 }, 400, /extra/],
    ['broken JSON', '/publish-sets', '{"title":', 400, /body-malformed/],
    ['a list where an object belongs', '/publish-sets', '[1]', 400, /field-wrong/],
  ])('%s is named', async (_, path, body, status, words) => {
    const answer = await (await school.person('trainer')).post(path, body);
    expect([answer.status, JSON.stringify(answer.body)]).toEqual([status, expect.stringMatching(words)]);
    expect(answer.headers.get('content-type')).toContain('application/problem+json');
  });

  it('a body over the limit is refused before it is read', async () => {
    const answer = await (await school.person('trainer')).post(
      '/publish-sets',
      JSON.stringify({ title: 'x'.repeat(2_000_000) }),
    );
    expect(answer.status).toBe(413);
  });

  it('something that is no JSON is refused by its type', async () => {
    const answer = await (await school.person('trainer')).send('POST', '/imports', 'PK\u0003\u0004', {
      'content-type': 'application/zip',
    });
    expect(answer.status).toBe(415);
  });

  it('an unknown address is a problem document, not the shell', async () => {
    expect((await (await school.person()).get('/no/such/thing')).body).toMatchObject({
      code: 'not-found',
      status: 404,
    });
  });

  it.each(['/%', '/families/%E0%A4%A/bundle', '/families/größe/bundle', '/walks/%00'])(
    '%s is refused, not a fault',
    async (path) => {
      const { status } = await (await school.person('trainer')).get(path);
      expect(status).toBeGreaterThanOrEqual(400);
      expect(status).toBeLessThan(500);
    },
  );
});

describe('problems and the API document', () => {
  it('every problem has a status and a title', () => {
    for (const code of refusalCodes)
      expect(new ProblemError(code).toProblem()).toMatchObject({ code, title: expect.stringMatching(/\.$/) });
  });

  it('names every route with its role', async () => {
    const document = (await (await school.person()).get('/openapi.json')).body as {
      openapi: string;
      paths: Record<string, Record<string, { 'x-role': string }>>;
    };
    expect(document.openapi).toBe('3.1.0');
    const named = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, o]) => `${method} ${path} ${o['x-role']}`),
    );
    expect(named.sort()).toEqual(
      routes.map((r) => `${r.method} ${apiPrefix}${r.path.replace(/:(\w+)/g, '{$1}')} ${r.role}`).sort(),
    );
    expect(JSON.parse(JSON.stringify(apiDocument()))).toEqual(document);
  });

  it('is a document of OpenAPI 3.1', async () => {
    const { Validator } = await import('@seriousme/openapi-schema-validator');
    const found = await new Validator().validate(JSON.parse(JSON.stringify(apiDocument())));
    expect(found).toMatchObject({ valid: true });
  });

  it('has no reference that leads nowhere', () => {
    const document = JSON.parse(JSON.stringify(apiDocument()));
    const refs = [...JSON.stringify(document).matchAll(/"\$ref":"#\/([^"]+)"/g)].map((m) => m[1] ?? '');
    expect(refs.length).toBeGreaterThan(0);
    for (const ref of new Set(refs))
      expect(
        ref.split('/').reduce((at: Record<string, unknown> | undefined, key) => at?.[key] as never, document),
        ref,
      ).toBeDefined();
  });
});
