import { afterAll, beforeAll, expect, it } from 'vitest';
import { loggedError } from '../http/log.ts';
import { openSchool, type School } from '../testing/school.ts';
import { watchDatabase } from './watch.ts';

let school: School;
beforeAll(async () => {
  school = await openSchool({ WIRE_TRAIL_LOG: 'silent' });
});
afterAll(() => school.close());

it('an error of the database is logged with its statement and never with a value', async () => {
  const { db } = school.services;
  const row = {
    sign_in: 'trainer',
    name: 'a secret name',
    role: 'trainer',
    password_hash: 'secret hash',
    created_at: new Date(),
  };
  const error = await db('users')
    .insert(row)
    .catch((e: unknown) => e);
  expect(String(error)).toContain('secret hash');
  const said = JSON.stringify(loggedError(error));
  expect(said).toContain('insert into `users`');
  expect(said).toContain('ER_DUP_ENTRY');
  expect(said).not.toContain('secret');
  expect(said).not.toContain("'trainer'");
});

it('a slow statement is told, without its values', async () => {
  const { db } = school.services;
  const told: object[] = [];
  const log = { warn: (line: object) => void told.push(line) } as never;
  let [clock, perLook] = [0, 0];
  watchDatabase(db, log, () => {
    clock += perLook;
    return clock;
  });
  await db.raw('SELECT ? AS quick', ['secret']);
  expect(told).toEqual([]);
  perLook = 600;
  await db.raw('SELECT ? AS slow', ['secret']);
  expect(told).toEqual([{ ms: 600, statement: 'SELECT ? AS slow' }]);
});

it('a server whose database has no room left is alive, and not ready', async () => {
  const person = await school.person();
  expect((await person.get('/ready')).status).toBe(200);
  const { db } = school.services;
  await db.transaction(async (trx) => {
    await trx.raw('SET SESSION max_heap_table_size = 16384');
    await trx.raw('CREATE TEMPORARY TABLE little (x VARCHAR(1000)) ENGINE = MEMORY');
    const fill = async () => {
      for (;;) await trx('little').insert({ x: 'x'.repeat(1000) });
    };
    await expect(fill()).rejects.toThrow(/full/);
  });
  await new Promise((resolve) => setTimeout(resolve, 1100));
  expect(await person.get('/ready')).toMatchObject({
    status: 503,
    body: { code: 'not-ready', detail: 'the database could not write a moment ago' },
  });
  expect((await person.get('/health')).status).toBe(200);
});
