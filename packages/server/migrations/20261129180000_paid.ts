import type { Knex } from 'knex';

/** What was paid for what was bought. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('shelf_moves', (table) => {
    table.integer('paid_minor');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('shelf_moves', (table) => {
    table.dropColumn('paid_minor');
  });
}
