import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { gunzipSync, gzipSync } from 'node:zlib';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { z } from 'zod';
import type { DatabaseConfig } from '../config.ts';
import { loadDemo } from '../demo.ts';
import { openSchool, Person, type School } from '../testing/school.ts';
import { backUp, checkBackup, restore } from './backup-store.ts';
import { connect, createDatabase, type Db, migrate, migrateTo } from './connect.ts';
import { migrations } from './migrations/index.ts';
import { tablesOf } from './store.ts';

let school: School;
let folder: string;
let file: string;
let target: DatabaseConfig;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'wire-trail-backup-'));
  file = join(folder, 'all.backup');
  school = await openSchool();
  await school.services.db('users').delete();
  await loadDemo(fileURLToPath(new URL('../../../demo', import.meta.url)), school.services);
  const trainer = new Person(school.base);
  await trainer.signIn('trainer', 'orrimar-demo');
  // a picture, a draft, an odd name: whatever rows may hold
  const png = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';
  expect((await trainer.post('/assets', { base64: png })).status).toBe(201);
  await school.services.db('users').where({ sign_in: 'admin' }).update({ name: 'Ö “quoted” \\ 😀\n\u0001' });
  await backUp(school.config.database, file, new Date());
});
afterAll(async () => {
  await school.close();
  rmSync(folder, { recursive: true, force: true });
});
beforeEach(() => {
  target = { ...school.config.database, database: `b_${randomUUID().replaceAll('-', '')}` };
});
const inTarget = async <T>(work: (db: Db) => Promise<T>): Promise<T> => {
  const db = connect(target);
  try {
    return await work(db);
  } finally {
    await db.destroy();
  }
};
const drop = () => inTarget((db) => db.raw('DROP DATABASE IF EXISTS ??', [target.database]));

const momentary = new Set(['sign_in_tries', 'trial_writes', 'schema_migrations_lock', 'schema_migrations']);

/** Every row of every table, as the database writes it. */
async function contents(db: Db): Promise<Record<string, string[]>> {
  const all: Record<string, string[]> = {};
  for (const table of (await tablesOf(db)).filter((t) => !momentary.has(t))) {
    const rows = z.array(z.record(z.string(), z.unknown())).parse(await db(table));
    all[table] = rows
      .map((row) => JSON.stringify(table === 'library_order' ? { ...row, library: 'another' } : row, (_, v) => v))
      .sort();
  }
  return all;
}

describe('a backup', () => {
  it('brought back into an empty database is the old one, table by table, and serves', async () => {
    await restore(target, file, { replace: false });
    try {
      const [was, is] = [await contents(school.services.db), await inTarget(contents)];
      expect(Object.keys(is)).toEqual(Object.keys(was));
      expect(Object.keys(is).length).toBeGreaterThan(15);
      for (const table of Object.keys(was)) expect([table, is[table]]).toEqual([table, was[table]]);
      expect(is.users).toHaveLength(4);
      expect(is.assets?.length).toBeGreaterThan(0);
      // its tables are tied to each other as before
      await expect(
        inTarget((db) =>
          db('revisions').insert({
            entry_id: 1,
            number: 9999,
            state: 'draft',
            body: '{}',
            note: '',
            author_id: 424242,
            created_at: new Date(),
          }),
        ),
      ).rejects.toThrow(/foreign key/);
      expect(await inTarget(migrate)).toEqual([]);
      // a device that knows the library reads it anew
      const library = (db: Db) => db('library_order').pluck('library');
      expect(await inTarget(library)).not.toEqual(await library(school.services.db));
    } finally {
      await drop();
    }
  });

  it('is of one moment, while others write', async () => {
    const person = new Person(school.base);
    await person.signIn('technician', 'orrimar-demo');
    let over = false;
    const writing = (async () => {
      while (!over) {
        const walk = randomUUID();
        const events = ['started', 'noted', 'noted'].map((kind, seq) => ({
          id: randomUUID(),
          walk,
          seq,
          at: new Date().toISOString(),
          kind,
          ...(kind === 'started' ? { family: 'brindlewick-g4', bundle: 'x', from: { kind: 'panel' } } : { text: 'x' }),
        }));
        expect((await person.post('/events', { events })).status).toBe(200);
      }
    })();
    const while_ = join(folder, 'while.backup');
    await backUp(school.config.database, while_, new Date());
    over = true;
    await writing;
    await restore(target, while_, { replace: false });
    try {
      const torn = await inTarget((db) =>
        db('walk_events')
          .groupBy('walk_id')
          .havingRaw('COUNT(*) < 3')
          .whereRaw(`JSON_VALUE(body, '$.text') = 'x' OR JSON_VALUE(body, '$.bundle') = 'x'`)
          .pluck('walk_id'),
      );
      expect(torn).toEqual([]);
    } finally {
      await drop();
    }
  });

  it('takes the place of what is there only where that is wanted', async () => {
    await createDatabase(target);
    try {
      await inTarget(async (db) => {
        await migrate(db);
        await db('users').insert({
          sign_in: 'x',
          name: 'x',
          role: 'admin',
          password_hash: 'x',
          created_at: new Date(),
        });
        await db.raw('CREATE TABLE something_else (id INT)');
      });
      await expect(restore(target, file, { replace: false })).rejects.toThrow(/--replace/);
      expect(await inTarget((db) => db('users').pluck('sign_in'))).toEqual(['x']);
      await restore(target, file, { replace: true });
      expect(await inTarget((db) => db('users').pluck('sign_in'))).toHaveLength(4);
      expect(await inTarget(tablesOf)).not.toContain('something_else');
    } finally {
      await drop();
    }
  });

  it('of an earlier version is brought back as it was, and brought up to date at the next start', async () => {
    const names = Object.keys(migrations).sort();
    const early = { ...target, database: `${target.database}_early` };
    await createDatabase(early);
    const db = connect(early);
    try {
      await migrateTo(db, names.slice(0, 4));
      await db('users').insert({
        sign_in: 'old',
        name: 'x',
        role: 'admin',
        password_hash: 'x',
        created_at: new Date(),
      });
      await backUp(early, join(folder, 'early.backup'), new Date());
      await restore(target, join(folder, 'early.backup'), { replace: false });
      expect(await inTarget(migrate)).toEqual(names.slice(4));
      expect(await inTarget((to) => to('users').pluck('sign_in'))).toEqual(['old']);
    } finally {
      await db.raw('DROP DATABASE ??', [early.database]);
      await db.destroy();
      await drop();
    }
  });

  it('says what it holds without touching anything', async () => {
    const { tables } = await checkBackup(file);
    expect(tables.find((t) => t.table === 'users')).toEqual({ table: 'users', rows: 4 });
  });

  const lines = () => gunzipSync(readFileSync(file)).toString('utf8').split('\n');
  it.each<[string, () => Buffer, RegExp]>([
    ['cut short', () => readFileSync(file).subarray(0, 20_000), /no whole backup/],
    ['without its end', () => gzipSync(lines().slice(0, -2).join('\n')), /ends too early/],
    [
      'without a row',
      () =>
        gzipSync(
          lines()
            .filter((l) => !l.includes('quoted'))
            .join('\n'),
        ),
      /table users is not as it was/,
    ],
    [
      'with a letter changed',
      () => gzipSync(lines().join('\n').replace('quoted', 'quotes')),
      /table users is not as it was/,
    ],
    ['that is something else', () => Buffer.from('hello'), /no whole backup/],
    ['of a later version', () => gzipSync(lines().join('\n').replace('"version":1', '"version":2')), /does not begin/],
  ])('%s is refused, and what is there stays', async (_, make, words) => {
    const broken = join(folder, 'broken.backup');
    writeFileSync(broken, make());
    await createDatabase(target);
    try {
      await inTarget((db) => db.raw('CREATE TABLE users (id INT)'));
      await expect(restore(target, broken, { replace: true })).rejects.toThrow(words);
      expect(await inTarget(tablesOf)).toEqual(['users']);
    } finally {
      await drop();
    }
  });
});
