import type { Knex } from 'knex';

/** The shelf as a ledger of what happened to it, and shops with what each of them asks for what. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('shelf_moves', (table) => {
    table.uuid('id').primary();
    table.bigIncrements('turn', { primaryKey: false });
    table.text('stock_id').notNullable();
    table.text('kind').notNullable();
    table.double('amount').notNullable();
    table.text('day').notNullable();
    // A board that is gone for good leaves its lines behind: the glue is used all the same.
    table.uuid('board_id');
    table.text('note').notNullable();
  });
  await knex.schema.createTable('shops', (table) => {
    table.text('id').primary();
    table.text('name').notNullable();
    table.integer('delivery_minor').notNullable();
    table.integer('free_from_minor');
    table.integer('days').notNullable();
    table.boolean('is_simulated').notNullable();
    table.text('plays').notNullable().defaultTo('none');
    table.timestamp('asked_at', { useTz: true });
    table.timestamp('heard_at', { useTz: true });
    table.text('fault');
    table.timestamp('created_at', { useTz: true }).notNullable().defaultTo(knex.fn.now());
  });
  await knex.schema.createTable('offers', (table) => {
    table.text('shop_id').notNullable().references('id').inTable('shops').onDelete('CASCADE');
    table.text('stock_id').notNullable();
    table.double('amount').notNullable();
    table.integer('price_minor').notNullable();
    table.integer('was_minor');
    table.jsonb('steps').notNullable();
    table.integer('stock');
    table.timestamp('seen_at', { useTz: true }).notNullable();
    table.primary(['shop_id', 'stock_id', 'amount']);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('offers');
  await knex.schema.dropTable('shops');
  await knex.schema.dropTable('shelf_moves');
}
