import type { Knex } from 'knex';

/** Tries of routes say what they failed by, as far as somebody said: the pace, a count, or that the unit went elsewhere. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`ALTER TABLE walk_tries
    ADD COLUMN IF NOT EXISTS pace INT UNSIGNED NOT NULL DEFAULT 0,
    ADD COLUMN IF NOT EXISTS counted INT UNSIGNED NOT NULL DEFAULT 0,
    ADD COLUMN IF NOT EXISTS elsewhere INT UNSIGNED NOT NULL DEFAULT 0`);
  await db.raw(`UPDATE walk_tries t JOIN (
      SELECT e.walk_id, JSON_VALUE(e.body, '$.route') AS route,
        SUM(JSON_VALUE(e.body, '$.happened') IN ('too-slow', 'too-fast')) AS pace,
        SUM(COALESCE(JSON_VALUE(e.body, '$.happened') = 'count-over', 0)) AS counted,
        SUM(COALESCE(JSON_VALUE(e.body, '$.happened') = 'other-mode', 0)) AS elsewhere
      FROM walk_events e
      WHERE JSON_VALUE(e.body, '$.kind') = 'tried' AND JSON_VALUE(e.body, '$.happened') IS NOT NULL
        AND NOT EXISTS (SELECT 1 FROM walk_events b WHERE b.walk_id = e.walk_id
          AND JSON_VALUE(b.body, '$.kind') = 'taken-back' AND JSON_VALUE(b.body, '$.event') = e.id)
      GROUP BY 1, 2
    ) s ON s.walk_id = t.walk_id AND s.route = t.route
    SET t.pace = s.pace, t.counted = s.counted, t.elsewhere = s.elsewhere`);
}

export async function down(): Promise<void> {
  throw new Error('migrations only go forward');
}
