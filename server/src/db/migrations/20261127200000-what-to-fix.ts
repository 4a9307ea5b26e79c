import type { Knex } from 'knex';

/** How many findings a published bundle has, counted as it is stored; null for those stored before. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('bundles', (table) => {
    table.integer('to_fix').nullable();
  });
}

export async function down(): Promise<void> {
  throw new Error('forward only');
}
