import type { Knex } from 'knex';

/**
 * What is published is numbered in the order of commits, and what the Shelf lists of a family stands beside its current
 * bundle. Whoever publishes writes to the rows of what is touched: on a cluster the second is refused and comes again.
 */
export async function up(db: Knex): Promise<void> {
  const exact = 'CHARACTER SET ascii COLLATE ascii_bin';
  await db.raw('ALTER TABLE publish_locks ADD COLUMN IF NOT EXISTS version INT UNSIGNED NOT NULL DEFAULT 0');
  await db.raw(`CREATE TABLE IF NOT EXISTS library_order (
    one TINYINT UNSIGNED NOT NULL PRIMARY KEY,
    number BIGINT UNSIGNED NOT NULL,
    library CHAR(36) ${exact} NOT NULL)`);
  await db.raw('INSERT IGNORE INTO library_order (one, number, library) VALUES (1, 0, UUID())');
  await db.raw(`ALTER TABLE current_bundles
    ADD COLUMN IF NOT EXISTS number BIGINT UNSIGNED NOT NULL DEFAULT 0,
    ADD COLUMN IF NOT EXISTS card JSON NULL,
    ADD INDEX IF NOT EXISTS by_number (number, family)`);
  await db.raw(
    `CREATE TABLE IF NOT EXISTS trial_writes (id CHAR(36) ${exact} NOT NULL PRIMARY KEY, room MEDIUMBLOB NOT NULL)`,
  );
  await db.raw('ALTER TABLE bundles DROP COLUMN IF EXISTS to_fix');
  await db.raw(`CREATE TABLE IF NOT EXISTS family_authors (
    user_id INT UNSIGNED NOT NULL,
    family VARCHAR(64) ${exact} NOT NULL,
    PRIMARY KEY (user_id, family),
    FOREIGN KEY (user_id) REFERENCES users (id))`);
  await db.raw(`INSERT IGNORE INTO family_authors (user_id, family)
    SELECT DISTINCT r.author_id, e.family FROM revisions r JOIN entries e ON e.id = r.entry_id
    WHERE r.author_id IS NOT NULL AND e.family <> ''`);
}

export async function down(): Promise<void> {
  throw new Error('migrations only go forward');
}
