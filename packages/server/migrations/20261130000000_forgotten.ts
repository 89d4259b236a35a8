import type { Knex } from 'knex';

/** What was learnt of a value and is to be learnt anew: readings up to a turn of the log count no more. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('hand_forgotten', (table) => {
    table.text('path').primary();
    table.bigInteger('up_to').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('hand_forgotten');
}
