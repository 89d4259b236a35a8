import type { Knex } from 'knex';

/** Catalogues that boards were reckoned with, so that it can be told what changed since. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('editions', (table) => {
    table.text('id').primary();
    table.jsonb('catalogue').notNullable();
    table.timestamp('at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
  await knex.schema.alterTable('boards', (table) => {
    table.text('edition_id').references('id').inTable('editions');
    table.timestamp('edition_since', { useTz: true });
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('boards', (table) => {
    table.dropColumn('edition_id');
    table.dropColumn('edition_since');
  });
  await knex.schema.dropTable('editions');
}
