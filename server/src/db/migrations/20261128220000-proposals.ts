import type { Knex } from 'knex';

const exact = 'CHARACTER SET ascii COLLATE ascii_bin';

/** What the field offers the library, by the event it came with, and what became of it. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`CREATE TABLE IF NOT EXISTS proposals (
    id CHAR(36) ${exact} NOT NULL PRIMARY KEY,
    walk_id CHAR(36) ${exact} NOT NULL,
    family VARCHAR(64) ${exact} NOT NULL,
    user_id INT UNSIGNED NOT NULL,
    offered_at DATETIME(3) NOT NULL,
    settled_at DATETIME(3) NULL,
    settled_by INT UNSIGNED NULL,
    outcome ENUM('taken','declined') NULL,
    answer TEXT NULL,
    KEY (settled_at, offered_at),
    KEY (user_id, offered_at),
    KEY (walk_id),
    FOREIGN KEY (walk_id) REFERENCES walks (id))`);
}

export async function down(): Promise<void> {
  throw new Error('migrations only go forward');
}
