import type { Knex } from 'knex';

/**
 * Sessions say where and when they were used, and may be ended from afar; one-time links to a new password; tries of signing
 * in, counted for all servers; tries of routes, kept by walk; what the Log pages through.
 */
export async function up(db: Knex): Promise<void> {
  const exact = 'CHARACTER SET ascii COLLATE ascii_bin';
  await db.raw(`ALTER TABLE sessions
    ADD COLUMN IF NOT EXISTS begun_at DATETIME(3) NULL,
    ADD COLUMN IF NOT EXISTS seen_at DATETIME(3) NULL,
    ADD COLUMN IF NOT EXISTS agent VARCHAR(300) NOT NULL DEFAULT '',
    ADD COLUMN IF NOT EXISTS ended_at DATETIME(3) NULL`);
  await db.raw(`CREATE TABLE IF NOT EXISTS password_links (
    id CHAR(64) ${exact} NOT NULL PRIMARY KEY,
    user_id INT UNSIGNED NOT NULL,
    expires_at DATETIME(3) NOT NULL,
    FOREIGN KEY (user_id) REFERENCES users (id) ON DELETE CASCADE)`);
  await db.raw(`CREATE TABLE IF NOT EXISTS sign_in_tries (
    \`key\` VARCHAR(255) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL PRIMARY KEY,
    points INT NOT NULL DEFAULT 0,
    expire BIGINT UNSIGNED NULL)`);
  await db.raw(`CREATE TABLE IF NOT EXISTS walk_tries (
    walk_id CHAR(36) ${exact} NOT NULL,
    family VARCHAR(64) ${exact} NOT NULL,
    route VARCHAR(64) ${exact} NOT NULL,
    tries INT UNSIGNED NOT NULL,
    took INT UNSIGNED NOT NULL,
    PRIMARY KEY (walk_id, route),
    KEY by_family (family, route, tries, took),
    FOREIGN KEY (walk_id) REFERENCES walks (id))`);
  await db.raw(`INSERT IGNORE INTO walk_tries (walk_id, family, route, tries, took)
    SELECT e.walk_id, w.family, JSON_VALUE(e.body, '$.route'), COUNT(*), SUM(JSON_VALUE(e.body, '$.took') IN ('1', 'true'))
    FROM walk_events e JOIN walks w ON w.id = e.walk_id
    WHERE w.family IS NOT NULL AND JSON_VALUE(e.body, '$.kind') = 'tried'
      AND NOT EXISTS (SELECT 1 FROM walk_events t WHERE t.walk_id = e.walk_id
        AND JSON_VALUE(t.body, '$.kind') = 'taken-back' AND JSON_VALUE(t.body, '$.event') = e.id)
    GROUP BY 1, 2, 3`);
  await db.raw(`ALTER TABLE walks
    ADD INDEX IF NOT EXISTS by_time (last_at, id),
    ADD INDEX IF NOT EXISTS of_user (user_id, last_at, id),
    ADD INDEX IF NOT EXISTS of_family (family, last_at, id),
    ADD INDEX IF NOT EXISTS by_state (state, last_at, id)`);
  await db.raw(
    'ALTER TABLE machines ADD INDEX IF NOT EXISTS by_serial (serial), ADD INDEX IF NOT EXISTS by_model (model)',
  );
}

export async function down(): Promise<void> {
  throw new Error('migrations only go forward');
}
