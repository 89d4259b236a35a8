import type { Knex } from 'knex';

/** Who saved a revision, and what the builder calls it. Which pictures earlier versions show is asked often enough for an index. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('board_revisions', (table) => {
    table.text('saved_by');
    table.text('title');
  });
  await knex.raw(`create index board_revisions_picture on board_revisions ((plan #>> '{underlay,imageId}'))`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop index board_revisions_picture');
  await knex.schema.alterTable('board_revisions', (table) => {
    table.dropColumns('saved_by', 'title');
  });
}
