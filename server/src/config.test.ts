import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { readConfig } from './config.ts';
import { connect, createDatabase, migrate } from './db/connect.ts';
import { migrations } from './db/migrations/index.ts';
import { transact } from './db/transact.ts';
import { sessionCache } from './http/services.ts';
import { serve } from './serve.ts';
import { openSchool, Person, type School } from './testing/school.ts';

const secret = { WIRE_TRAIL_SECRET: 's'.repeat(40) };

describe('readConfig', () => {
  it('listens on loopback, with the demo, unless told otherwise', () => {
    expect(readConfig(secret)).toMatchObject({
      host: '127.0.0.1',
      port: 4180,
      demo: true,
      tls: null,
      trustProxy: false,
    });
  });
  it.each<[string, Record<string, string>, RegExp]>([
    ['no secret', {}, /WIRE_TRAIL_SECRET/],
    ['a short secret', { WIRE_TRAIL_SECRET: 'short' }, /at least 32/],
    ['a port that is none', { ...secret, WIRE_TRAIL_PORT: 'x' }, /WIRE_TRAIL_PORT/],
    ['a flag that is none', { ...secret, WIRE_TRAIL_DEMO: 'yes' }, /WIRE_TRAIL_DEMO/],
    ['a certificate without its key', { ...secret, WIRE_TRAIL_TLS_CERT: 'c' }, /belong together/],
  ])('%s is refused by name', (_, environment, words) => expect(() => readConfig(environment)).toThrow(words));
});

describe('behind https', () => {
  let school: School;
  beforeAll(async () => {
    school = await openSchool({ WIRE_TRAIL_TRUST_PROXY: '1' });
  });
  afterAll(() => school.close());
  it('cookies are Secure and the browser is told to stay on https', async () => {
    const person = new Person(school.base);
    const answer = await person.send(
      'POST',
      '/session',
      { signIn: 'trainer', password: 'a long password' },
      { 'x-forwarded-proto': 'https' },
    );
    expect(answer.headers.getSetCookie().join('\n')).toMatch(/; secure/i);
    expect(answer.headers.get('strict-transport-security')).toContain('max-age');
  });
});

describe('the built application', () => {
  let folder: string;
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'wire-trail-web-'));
    mkdirSync(join(folder, 'assets'));
    writeFileSync(join(folder, 'index.html'), '<title>shell</title>');
    writeFileSync(join(folder, 'assets/a-1.js'), 'export {}');
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('is served with the API, the shell for every address within it, and stops cleanly', async () => {
    const config = readConfig({
      ...secret,
      WIRE_TRAIL_PORT: '0',
      WIRE_TRAIL_DB_PORT: String(inject('databasePort')),
      WIRE_TRAIL_DB_PASSWORD: inject('databasePassword'),
      WIRE_TRAIL_DB_NAME: `serve_${process.pid}`,
      WIRE_TRAIL_WEB_FOLDER: folder,
    });
    const running = await serve(config);
    try {
      const get = async (path: string) => {
        const response = await fetch(`${running.address}${path}`);
        return { status: response.status, text: await response.text(), cache: response.headers.get('cache-control') };
      };
      expect(running.demoLoaded).toBe(false);
      expect(await get('/')).toMatchObject({ status: 200, text: '<title>shell</title>', cache: 'no-cache' });
      expect(await get('/shelf/brindlewick-g4')).toMatchObject({ status: 200, text: '<title>shell</title>' });
      expect((await get('/assets/a-1.js')).cache).toContain('immutable');
      expect((await get('/assets/gone.js')).status).toBe(404);
      expect((await get('/../../etc/passwd')).text).toBe('<title>shell</title>');
      expect(await get('/api/v1/health')).toMatchObject({ status: 200, text: '{"ok":true}' });
      expect((await get('/api/v1/gone')).status).toBe(404);
    } finally {
      await running.services.db.raw('DROP DATABASE ??', [config.database.database]);
      await running.stop();
    }
    await expect(fetch(running.address)).rejects.toThrow();
  });
});

describe('the database', () => {
  const config = () =>
    readConfig({
      ...secret,
      WIRE_TRAIL_DB_PORT: String(inject('databasePort')),
      WIRE_TRAIL_DB_PASSWORD: inject('databasePassword'),
      WIRE_TRAIL_DB_NAME: `db_${process.pid}`,
    });

  it('is migrated once; one that this version does not know is refused', async () => {
    const { database } = config();
    await createDatabase(database);
    const db = connect(database);
    try {
      expect((await migrate(db)).length).toBeGreaterThan(0);
      expect(await migrate(db)).toEqual([]);
      // one that was killed on the way leaves its mark, and a table that is there already
      await db('schema_migrations_lock').update({ is_locked: 1 });
      await db('schema_migrations').orderBy('id', 'desc').limit(1).delete();
      expect(await migrate(db)).toHaveLength(1);
      // two servers that start at once: one works, the other waits
      await db('schema_migrations').delete();
      const other = connect(database);
      const both = await Promise.all([migrate(db), migrate(other)]);
      await other.destroy();
      expect(both.map((applied) => applied.length).sort()).toEqual([0, Object.keys(migrations).length]);
      await db('schema_migrations').insert({
        name: '29991231000000-from-the-future',
        batch: 9,
        migration_time: new Date(),
      });
      await expect(migrate(db)).rejects.toThrow(/made by a newer version of .*from-the-future/);
    } finally {
      await db.raw('DROP DATABASE ??', [database.database]);
      await db.destroy();
    }
  });

  it('a transaction that lost a deadlock is run again, others are not', async () => {
    const { database } = config();
    await createDatabase(database);
    const db = connect(database);
    try {
      await db.raw('CREATE TABLE pair (id INT PRIMARY KEY, n INT NOT NULL)');
      await db('pair').insert([1, 2].map((id) => ({ id, n: 0 })));
      let runs = 0;
      const both = (first: number, second: number) =>
        transact(db, async (trx) => {
          runs += 1;
          await trx('pair').where({ id: first }).increment('n', 1);
          await new Promise((resolve) => setTimeout(resolve, 150));
          await trx('pair').where({ id: second }).increment('n', 1);
        });
      await Promise.all([both(1, 2), both(2, 1)]);
      expect(await db('pair').orderBy('id').pluck('n')).toEqual([2, 2]);
      expect(runs).toBeGreaterThan(2);
      let tried = 0;
      const wrong = transact(db, async () => {
        tried += 1;
        throw new Error('no');
      });
      await expect(wrong).rejects.toThrow('no');
      expect(tried).toBe(1);
    } finally {
      await db.raw('DROP DATABASE ??', [database.database]);
      await db.destroy();
    }
  });
});

describe('sessionCache', () => {
  const user = { id: 7, name: 'n', signIn: 's', role: 'trainer' } as const;
  it('remembers for ten seconds, and forgets at once when told', () => {
    const cache = sessionCache();
    cache.set('a', user, 0);
    cache.set('b', { ...user, id: 8 }, 0);
    expect([cache.get('a', 9_999), cache.get('a', 10_000), cache.get('c', 0)]).toEqual([user, null, null]);
    cache.forgetUser(7);
    expect([cache.get('a', 1), cache.get('b', 1)?.id]).toEqual([null, 8]);
    cache.forget('b');
    expect(cache.get('b', 1)).toBeNull();
  });
});
