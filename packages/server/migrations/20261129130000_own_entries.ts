import type { Knex } from 'knex';

/** Entries of the builder's own, as they were typed, whatever becomes of our catalogue; what is not offered any more; and a count that goes up with every change of any of it. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('own_entries', (table) => {
    table.text('kind').notNullable();
    table.text('id').notNullable();
    table.jsonb('body').notNullable();
    table.timestamp('set_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.primary(['kind', 'id']);
  });
  await knex.schema.createTable('out_of_use', (table) => {
    table.text('path').primary();
  });
  await knex.schema.createTable('workshop', (table) => {
    table.integer('id').primary();
    table.integer('edition').notNullable();
    table.text('currency');
  });
  await knex('workshop').insert({ id: 1, edition: 1, currency: null });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('workshop');
  await knex.schema.dropTable('out_of_use');
  await knex.schema.dropTable('own_entries');
}
