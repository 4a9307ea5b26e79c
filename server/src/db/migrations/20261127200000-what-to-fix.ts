import type { Knex } from 'knex';

/** How many findings a published bundle has, counted as it is stored; null for those stored before. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE bundles ADD COLUMN IF NOT EXISTS to_fix INT NULL');
}

export async function down(): Promise<void> {
  throw new Error('forward only');
}
