import type { Knex } from 'knex';

/** Thermo-hygrometers and what they said, each reading with its own clock and when it was heard. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('sensors', (table) => {
    table.text('id').primary();
    table.text('name').notNullable();
    table.boolean('is_simulated').notNullable();
    table.text('plays').notNullable().defaultTo('none');
    table.timestamp('created_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
  await knex.schema.createTable('readings', (table) => {
    table.bigIncrements('id');
    table.text('sensor_id').notNullable().references('id').inTable('sensors').onDelete('CASCADE');
    table.timestamp('at', { useTz: true }).notNullable();
    table.timestamp('heard_at', { useTz: true }).notNullable();
    table.double('air_c').notNullable();
    table.double('humidity_pct').notNullable();
    table.unique(['sensor_id', 'heard_at']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('readings');
  await knex.schema.dropTable('sensors');
}
