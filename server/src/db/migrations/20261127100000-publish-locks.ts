import type { Knex } from 'knex';

/** One row a family, and one for the library (''): whoever publishes holds the rows of what is touched. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`CREATE TABLE IF NOT EXISTS publish_locks (
    family VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY)`);
  await db.raw(`INSERT IGNORE INTO publish_locks (family) VALUES ('')`);
}

export async function down(): Promise<void> {
  throw new Error('migrations only go forward');
}
