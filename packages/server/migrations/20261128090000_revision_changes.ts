import type { Knex } from 'knex';

/** A revision says by name what was done since the one before it. Of those stored earlier nobody knows. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('board_revisions', (table) => {
    table.jsonb('changes').notNullable().defaultTo('[]');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('board_revisions', (table) => {
    table.dropColumn('changes');
  });
}
