import type { Knex } from 'knex';

/** Whose words names are said in, the day a week begins with, and pictures of what is in the catalogue. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('workshop', (table) => {
    table.text('terms').notNullable().defaultTo('british');
    table.integer('week_starts_on').notNullable().defaultTo(1);
  });
  await knex.schema.createTable('entry_pictures', (table) => {
    table.text('kind').notNullable();
    table.text('id').notNullable();
    table.uuid('picture_id').notNullable().references('id').inTable('pictures').onDelete('CASCADE');
    table.primary(['kind', 'id']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('entry_pictures');
  await knex.schema.alterTable('workshop', (table) => {
    table.dropColumn('terms');
    table.dropColumn('week_starts_on');
  });
}
