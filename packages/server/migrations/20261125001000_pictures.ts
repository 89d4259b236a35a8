import type { Knex } from 'knex';

/** Photos and sketches laid under a plan. A picture never changes; a plan names it by its id. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('pictures', (table) => {
    table.uuid('id').primary();
    table.text('media_type').notNullable();
    table.integer('width_px').notNullable();
    table.integer('height_px').notNullable();
    table.binary('body').notNullable();
    table.timestamp('created_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
    table.check("media_type in ('image/png', 'image/jpeg')", [], 'pictures_media_type_known');
    table.check('width_px >= 1 and height_px >= 1', [], 'pictures_have_a_size');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('pictures');
}
