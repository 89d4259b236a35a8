import type { Knex } from 'knex';

/**
 * What was really done on a board stands beside its plan, not in it. Sheets that were ticked off in plans of version 3 are brought here; the plans keep
 * what they say of them, unread from now on. A plan that is damaged has none.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('cut_sheets', (table) => {
    table.uuid('board_id').notNullable().references('id').inTable('boards').onDelete('CASCADE');
    table.text('id').notNullable();
    table.text('material_id').notNullable();
    table.double('thickness_mm').notNullable();
    table.integer('number').notNullable();
    table.double('width_mm').notNullable();
    table.double('depth_mm').notNullable();
    table.text('offcut_id');
    table.jsonb('places').notNullable();
    table.timestamp('cut_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.primary(['board_id', 'id']);
  });
  await knex.raw(`
    insert into cut_sheets (board_id, id, material_id, thickness_mm, number, width_mm, depth_mm, offcut_id, places, cut_at)
    select
      boards.id,
      sheet ->> 'id',
      regexp_replace(sheet ->> 'jobKey', '-[0-9.]+$', ''),
      substring(sheet ->> 'jobKey' from '[0-9.]+$')::double precision,
      (sheet ->> 'number')::integer,
      (sheet ->> 'widthMm')::double precision,
      (sheet ->> 'depthMm')::double precision,
      sheet ->> 'offcutId',
      (
        select coalesce(jsonb_agg((place - 'liesWideMm' - 'liesDeepMm')
          || jsonb_build_object('boxWidthMm', place -> 'liesWideMm', 'boxDepthMm', place -> 'liesDeepMm') order by nr), '[]')
        from jsonb_array_elements(sheet -> 'places') with ordinality as listed(place, nr)
      ),
      boards.saved_at
    from boards
    cross join lateral jsonb_array_elements(
      case jsonb_typeof(boards.plan #> '{cutting,cut}') when 'array' then boards.plan #> '{cutting,cut}' else '[]' end
    ) as sheet
    where jsonb_typeof(sheet -> 'places') = 'array' and sheet ->> 'jobKey' ~ '-[0-9.]+$' and sheet ->> 'id' is not null
    on conflict do nothing`);
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('cut_sheets');
}
