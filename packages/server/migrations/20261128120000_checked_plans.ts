import type { Knex } from 'knex';

/**
 * A stored plan carries the mark of the check it passed, or what is wrong with it; it is not checked again as long as the mark holds. A plan that is
 * changed without a new mark, by hand say, loses it.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('boards', (table) => {
    table.text('checked');
    table.jsonb('faults');
  });
  await knex.raw(`
    create function boards_unchecked() returns trigger language plpgsql as $$
    begin
      new.checked := null;
      return new;
    end $$`);
  await knex.raw(`
    create trigger boards_unchecked before update on boards for each row
    when (old.plan is distinct from new.plan and old.checked is not distinct from new.checked)
    execute function boards_unchecked()`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop trigger boards_unchecked on boards');
  await knex.raw('drop function boards_unchecked');
  await knex.schema.alterTable('boards', (table) => {
    table.dropColumns('checked', 'faults');
  });
}
