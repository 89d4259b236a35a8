import type { Knex } from 'knex';

/** What a server needs that is reached from beyond its machine: one passphrase, who has signed in, and how often it was tried. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('passphrase', (table) => {
    table.integer('id').primary();
    table.text('hash').notNullable();
    table.timestamp('set_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.check('id = 1', [], 'passphrase_is_one');
  });
  await knex.schema.createTable('sessions', (table) => {
    table.text('token_hash').primary();
    table.text('person').notNullable();
    table.timestamp('seen_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
  await knex.schema.createTable('sign_in_attempts', (table) => {
    table.text('key').primary();
    table.integer('hits').notNullable();
    table.timestamp('resets_at', { useTz: true }).notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('sign_in_attempts');
  await knex.schema.dropTable('sessions');
  await knex.schema.dropTable('passphrase');
}
