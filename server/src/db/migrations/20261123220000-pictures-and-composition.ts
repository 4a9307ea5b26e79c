import type { Knex } from 'knex';

export async function up(db: Knex): Promise<void> {
  await db.raw(`CREATE TABLE IF NOT EXISTS assets (
    hash CHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
    type VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
    bytes MEDIUMBLOB NOT NULL)`);
  await db.raw(`ALTER TABLE machines
    ADD COLUMN IF NOT EXISTS options JSON NOT NULL DEFAULT '{}',
    ADD COLUMN IF NOT EXISTS composition JSON NOT NULL DEFAULT '[]'`);
}

export async function down(): Promise<void> {
  throw new Error('migrations only go forward');
}
