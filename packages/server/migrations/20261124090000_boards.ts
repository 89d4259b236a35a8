import type { Knex } from 'knex';

/** Boards, every revision of their plans, and the catalogue. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('boards', (table) => {
    table.uuid('id').primary();
    table.text('name').notNullable();
    table.integer('revision').notNullable();
    table.jsonb('plan').notNullable();
    table.timestamp('created_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.timestamp('saved_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.timestamp('removed_at', { useTz: true });
    table.check('revision >= 1', [], 'boards_revision_counts_from_one');
  });
  await knex.schema.createTable('board_revisions', (table) => {
    table.uuid('board_id').notNullable().references('id').inTable('boards').onDelete('CASCADE');
    table.integer('revision').notNullable();
    table.jsonb('plan').notNullable();
    table.timestamp('saved_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.primary(['board_id', 'revision']);
  });
  await knex.schema.createTable('catalogue', (table) => {
    table.integer('id').primary();
    table.jsonb('body').notNullable();
    table.check('id = 1', [], 'catalogue_is_one');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('catalogue');
  await knex.schema.dropTable('board_revisions');
  await knex.schema.dropTable('boards');
}
