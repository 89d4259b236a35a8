import type { Knex } from 'knex';

/** Tables whose rows stay for 30 days after they are deleted. */
const KEPT = ['log_entries', 'shelf_moves', 'offcuts', 'pictures'];

/** People with their own passphrases, invitations, sessions that can be told apart, a record of access, and what is deleted kept for a while. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('people', (table) => {
    table.uuid('id').primary();
    table.text('name').notNullable();
    table.text('role').notNullable();
    table.text('hash').notNullable();
    table.timestamp('created_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.check("role in ('owner', 'builder', 'guest')", [], 'people_role_known');
  });
  await knex.raw('create unique index people_name on people (lower(name))');
  await knex.schema.createTable('invitations', (table) => {
    table.text('token_hash').primary();
    table.uuid('id').notNullable().unique();
    table.text('role').notNullable();
    table.text('made_by').nullable();
    table.timestamp('ends_at', { useTz: true }).notNullable();
    table.check("role in ('owner', 'builder', 'guest')", [], 'invitations_role_known');
  });
  await knex.schema.alterTable('sessions', (table) => {
    table.uuid('id').notNullable().unique().defaultTo(knex.raw('gen_random_uuid()'));
    /** Null for whoever came in with the passphrase of the server itself. */
    table.uuid('person_id').nullable().references('id').inTable('people').onDelete('CASCADE');
    table.timestamp('begun_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.text('device').notNullable().defaultTo('');
    table.text('address').notNullable().defaultTo('');
  });
  await knex.schema.createTable('access_record', (table) => {
    table.bigIncrements('id');
    table.timestamp('at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.text('what').notNullable();
    table.text('person').nullable();
    table.text('about').notNullable().defaultTo('');
    table.text('address').notNullable().defaultTo('');
    table.index(['at']);
  });
  for (const name of KEPT)
    await knex.schema.alterTable(name, (table) => {
      table.timestamp('deleted_at', { useTz: true }).nullable();
      table.text('deleted_by').nullable();
    });
  // What a card of the list of boards shows of a plan; computed when a plan is saved, or when a list is asked for that lacks it.
  await knex.schema.alterTable('boards', (table) => {
    table.jsonb('card').nullable();
  });
  // Pictures that a revision shows, so that whoever lists pictures need not read every plan there ever was.
  await knex.schema.createTable('revision_pictures', (table) => {
    table.uuid('board_id').notNullable();
    table.integer('revision').notNullable();
    table.text('picture_id').notNullable();
    table.primary(['picture_id', 'board_id', 'revision']);
    table.foreign(['board_id', 'revision']).references(['board_id', 'revision']).inTable('board_revisions').onDelete('CASCADE');
  });
  await knex.raw(`
    insert into revision_pictures (board_id, revision, picture_id)
    select board_id, revision, plan #>> '{underlay,imageId}' from board_revisions where plan #>> '{underlay,imageId}' is not null
    union
    select board_id, revision, piece ->> 'imageId' from board_revisions
      cross join jsonb_array_elements(case jsonb_typeof(plan -> 'testPieces') when 'array' then plan -> 'testPieces' else '[]' end) as piece
      where piece ->> 'imageId' is not null`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('revision_pictures');
  await knex.schema.alterTable('boards', (table) => table.dropColumn('card'));
  for (const name of KEPT) await knex.schema.alterTable(name, (table) => table.dropColumns('deleted_at', 'deleted_by'));
  await knex.schema.dropTable('access_record');
  await knex.schema.alterTable('sessions', (table) => table.dropColumns('id', 'person_id', 'begun_at', 'device', 'address'));
  await knex.schema.dropTable('invitations');
  await knex.schema.dropTable('people');
}
