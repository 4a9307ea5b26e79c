import knex, { type Knex } from 'knex';
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

const migrationSource: Knex.MigrationSource<string> = {
  getMigrations: async () => Object.keys(migrations).sort(),
  getMigrationName: (name) => name,
  getMigration: async (name) => {
    const migration = migrations[name];
    if (!migration) throw new Error(`migration ${name} is not part of this version`);
    return migration;
  },
};

/** Brings the tables up to date. Throws when the database holds a migration that this version does not know. */
export async function migrate(db: Db): Promise<string[]> {
  const [, applied] = (await db.migrate.latest({ migrationSource, tableName: 'schema_migrations' })) as [
    number,
    string[],
  ];
  return applied;
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
