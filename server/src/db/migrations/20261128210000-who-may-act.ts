import type { Knex } from 'knex';

/** What a person may do and which trades are theirs; a walk that waits for somebody who may do what comes next. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`ALTER TABLE users
    ADD COLUMN IF NOT EXISTS level VARCHAR(12) NOT NULL DEFAULT 'technician',
    ADD COLUMN IF NOT EXISTS trades VARCHAR(600) NOT NULL DEFAULT '[]'`);
  await db.raw(`ALTER TABLE walks MODIFY COLUMN state ENUM('open','waiting','closed','offered') NOT NULL`);
}

export async function down(): Promise<void> {
  throw new Error('migrations only go forward');
}
