import type { Knex } from 'knex';

/** Figures of the builder's own: kept by where they stand in the catalogue, whatever becomes of that. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('own_values', (table) => {
    table.text('path').primary();
    table.double('value').notNullable();
    table.double('low').notNullable();
    table.double('high').notNullable();
    table.timestamp('set_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('own_values');
}
