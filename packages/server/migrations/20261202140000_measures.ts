import type { Knex } from 'knex';

/** The measures that a new board starts with, and with them the stock it is built on. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('workshop', (table) => {
    table.text('measures').notNullable().defaultTo('metric');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('workshop', (table) => {
    table.dropColumn('measures');
  });
}
