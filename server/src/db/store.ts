import { z } from 'zod';
import type { Db } from './connect.ts';

/** Large enough that room has to be found for it, in bytes. */
const trialSize = 200_000;

/** Writes something of some size, and takes it away again; throws where that cannot be. */
export async function writesARow(db: Db, id: string): Promise<void> {
  await db.raw('INSERT INTO trial_writes (id, room) VALUES (?, REPEAT(?, ?))', [id, 'x', trialSize]);
  await db('trial_writes').where({ id }).delete();
}

/** Whether nobody has an account and nothing was written. */
export async function isEmpty(db: Db): Promise<boolean> {
  const [users, entries] = await Promise.all([db('users').first('id'), db('entries').first('id')]);
  return !users && !entries;
}

/** Every table there is, by name. */
export async function tablesOf(db: Db): Promise<string[]> {
  const [rows] = z.tuple([z.array(z.record(z.string(), z.string())), z.unknown()]).parse(await db.raw('SHOW TABLES'));
  return rows.flatMap((row) => Object.values(row)).sort();
}

/** Drops every table there is. */
export async function dropTables(db: Db): Promise<void> {
  const tables = await tablesOf(db);
  await db.transaction(async (trx) => {
    await trx.raw('SET FOREIGN_KEY_CHECKS = 0');
    for (const table of tables) await trx.raw('DROP TABLE IF EXISTS ??', [table]);
    await trx.raw('SET FOREIGN_KEY_CHECKS = 1');
  });
}
