import type { Knex } from 'knex';

/** What was done at the bench, deed by deed; which tasks that leaves done; and which lines of the ledger came of it. Ticks that stood in plans become deeds. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('deeds', (table) => {
    table.uuid('id').primary();
    table.bigIncrements('turn', { primaryKey: false });
    table.uuid('board_id').notNullable().references('id').inTable('boards').onDelete('CASCADE');
    table.jsonb('deed').notNullable();
    table.index(['board_id', 'turn']);
  });
  await knex.schema.alterTable('boards', (table) => table.jsonb('done_tasks').notNullable().defaultTo('{}'));
  await knex.schema.alterTable('shelf_moves', (table) => table.text('task_id'));
  await knex.raw(`
    insert into deeds (id, board_id, deed)
    select ticked.id, board_id, jsonb_build_object('id', ticked.id, 'device', ticked.id, 'seen', 0, 'atMs', 0, 'day', done ->> 'day',
      'act', jsonb_build_object('kind', 'tick', 'taskId', task_id, 'name', task_id,
        'task', jsonb_build_object('at', done, 'part', null, 'by', '', 'workedMin', null, 'uses', '[]'::jsonb)))
    from (select gen_random_uuid() as id, boards.id as board_id, task ->> 'taskId' as task_id, task -> 'done' as done
      from boards, jsonb_array_elements(plan #> '{calendar,tasks}') as task
      where jsonb_typeof(plan #> '{calendar,tasks}') = 'array' and jsonb_typeof(task -> 'done') = 'object') as ticked`);
  await knex.raw(`
    update boards set done_tasks = own.tasks
    from (select board_id, jsonb_object_agg(deed #>> '{act,taskId}', deed #> '{act,task}') as tasks from deeds group by board_id) as own
    where own.board_id = boards.id`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.alterTable('shelf_moves', (table) => table.dropColumn('task_id'));
  await knex.schema.alterTable('boards', (table) => table.dropColumn('done_tasks'));
  await knex.schema.dropTable('deeds');
}
