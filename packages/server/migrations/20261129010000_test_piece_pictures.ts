import type { Knex } from 'knex';

const TABLES = ['boards', 'board_revisions'] as const;

/** Test pieces carry photos: which plans show a picture is asked of their test pieces as well. */
export async function up(knex: Knex): Promise<void> {
  for (const table of TABLES)
    await knex.raw(`create index ${table}_test_pieces on ${table} using gin ((plan -> 'testPieces') jsonb_path_ops)`);
}

export async function down(knex: Knex): Promise<void> {
  for (const table of TABLES) await knex.raw(`drop index ${table}_test_pieces`);
}
