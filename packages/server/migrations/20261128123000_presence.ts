import type { Knex } from 'knex';

/** Which tabs have a board open now, whichever server they ask. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('presence', (table) => {
    table.uuid('board_id').notNullable().references('id').inTable('boards').onDelete('CASCADE');
    table.text('tab').notNullable();
    table.text('person');
    table.text('device').notNullable();
    table.timestamp('seen_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.primary(['board_id', 'tab']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('presence');
}
