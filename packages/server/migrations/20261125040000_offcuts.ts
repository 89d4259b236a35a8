import type { Knex } from 'knex';

/** Pieces left over from sheets, kept for the next job. Each piece of a sheet that a board has cut is there once: a second tick changes nothing. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('offcuts', (table) => {
    table.uuid('id').primary();
    table.text('material_id').notNullable();
    table.double('thickness_mm').notNullable();
    table.double('width_mm').notNullable();
    table.double('depth_mm').notNullable();
    table.uuid('board_id').references('id').inTable('boards').onDelete('SET NULL');
    table.text('cut_sheet_id');
    table.integer('piece');
    table.timestamp('created_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.unique(['board_id', 'cut_sheet_id', 'piece']);
    table.check('thickness_mm > 0 and width_mm > 0 and depth_mm > 0', [], 'offcuts_have_a_size');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('offcuts');
}
