import knex, { type Knex } from 'knex';
import { z } from 'zod';
import type { DatabaseConfig } from '../config.ts';
import { migrations } from './migrations/index.ts';

export type Db = Knex;
export type Transaction = Knex.Transaction;

/** Opens the pool. Times are UTC; JSON columns come parsed. */
export function connect(database: DatabaseConfig): Db {
  return knex({
    client: 'mysql2',
    connection: { ...database, charset: 'utf8mb4', timezone: 'Z', supportBigNumbers: true, dateStrings: false },
    pool: { min: 0, max: 10 },
  });
}

const sourceOf = (names: readonly string[]): Knex.MigrationSource<string> => ({
  getMigrations: async () => [...names].sort(),
  getMigrationName: (name) => name,
  getMigration: async (name) => {
    const migration = migrations[name];
    if (!migration) throw new Error(`migration ${name} is not part of this version`);
    return migration;
  },
});
const migrationSource = sourceOf(Object.keys(migrations));

const tableName = 'schema_migrations';
/** So long one server waits for another that is bringing the tables up to date, in s. */
const patienceS = 600;

/** The tables were made by a version that came after this one. */
export class NewerDatabase extends Error {
  constructor(unknown: readonly string[]) {
    super(
      `The database was made by a newer version of Wire Trail: this one does not know ${unknown.join(', ')}. Nothing was touched. Start that version again, or restore a backup of this one into an empty database.`,
    );
  }
}

/** Of some migrations, those this version does not know. */
export const unknownOf = (names: readonly string[]): string[] => names.filter((name) => !(name in migrations));

async function refuseNewer(db: Db): Promise<void> {
  if (!(await db.schema.hasTable(tableName))) return;
  const applied = z.array(z.string()).parse(await db(tableName).orderBy('name').pluck('name'));
  const unknown = unknownOf(applied);
  if (unknown.length > 0) throw new NewerDatabase(unknown);
}

/**
 * Brings the tables up to date, one server at a time: the others wait. Where one was killed on the way, the next goes on: its
 * lock went with its connection, and what it left half done is done again.
 */
export async function migrate(db: Db): Promise<string[]> {
  return db.transaction(async (trx) => {
    const [rows] = z
      .tuple([z.array(z.object({ got: z.unknown() })), z.unknown()])
      .parse(await trx.raw('SELECT GET_LOCK(CONCAT(DATABASE(), ?), ?) AS got', ['.migrate', patienceS]));
    if (Number(rows[0]?.got) !== 1)
      throw new Error('another server has been bringing the tables up to date for too long');
    try {
      await refuseNewer(db);
      await db.migrate.forceFreeMigrationsLock({ migrationSource, tableName });
      const [, applied] = (await db.migrate.latest({ migrationSource, tableName })) as [number, string[]];
      return applied;
    } finally {
      await trx.raw('SELECT RELEASE_LOCK(CONCAT(DATABASE(), ?))', ['.migrate']);
    }
  });
}

/** Makes the tables of an empty database as they were after these migrations. */
export async function migrateTo(db: Db, names: readonly string[]): Promise<void> {
  await db.migrate.latest({ migrationSource: sourceOf(names), tableName });
}

/** Creates the database itself where it is missing; the account must be allowed to. */
export async function createDatabase(database: DatabaseConfig): Promise<void> {
  const { database: name, ...server } = database;
  const db = knex({ client: 'mysql2', connection: server, pool: { min: 0, max: 1 } });
  try {
    await db.raw('CREATE DATABASE IF NOT EXISTS ?? CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_ai_ci', [name]);
  } finally {
    await db.destroy();
  }
}
