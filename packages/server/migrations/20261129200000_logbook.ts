import type { Knex } from 'knex';

/** What was really done on each board, and what of it is not to be learnt from. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('log_entries', (table) => {
    table.uuid('id').primary();
    table.bigIncrements('turn', { primaryKey: false });
    table.uuid('board_id').notNullable().references('id').inTable('boards').onDelete('CASCADE');
    table.jsonb('entry').notNullable();
    table.index(['board_id', 'turn']);
  });
  await knex.schema.createTable('hand_refused', (table) => {
    table.text('path').primary();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('hand_refused');
  await knex.schema.dropTable('log_entries');
}
