import type { Knex } from 'knex';

/** A review says something of every entry it wants changed: a thousand letters are not enough for that. */
export async function up(db: Knex): Promise<void> {
  await db.raw("ALTER TABLE publish_sets MODIFY note TEXT NOT NULL DEFAULT ''");
}

export async function down(): Promise<void> {
  throw new Error('migrations only go forward');
}
