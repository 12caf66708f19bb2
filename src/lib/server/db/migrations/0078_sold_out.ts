import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { countChanges } from '../counted.ts';

/** The hours a place sells, and when it had nothing left of a product: such a day shows less than was wanted. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('place_hours', (table) => {
		kitchenTable(table);
		table.string('place', 60).notNullable();
		table.time('opens_at').notNullable();
		table.time('closes_at').notNullable();
		timeColumn(table, 'updated_at').notNullable();
		table.unique(['kitchen_id', 'place']);
	});
	await check(knex, 'place_hours', 'place_hours_order', 'opens_at < closes_at');
	await knex.schema.createTable('sold_outs', (table) => {
		kitchenTable(table);
		table.string('place', 60).notNullable();
		idColumn(table, 'product_id').notNullable();
		table.date('sold_out_on').notNullable();
		timeColumn(table, 'sold_out_at').notNullable();
		// Taken back where it was said by mistake.
		timeColumn(table, 'taken_back_at');
		timeColumn(table, 'created_at').notNullable();
		idColumn(table, 'deed_id');
		refers(table, 'product_id', 'products');
		table.index(['kitchen_id', 'sold_out_on']);
	});
	await knex.raw(
		`CREATE TRIGGER sold_outs_done_by BEFORE INSERT ON sold_outs FOR EACH ROW
		SET NEW.deed_id = COALESCE(NEW.deed_id, @deed)`
	);
	for (const table of ['place_hours', 'sold_outs']) await countChanges(knex, table);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('sold_outs');
	await knex.schema.dropTable('place_hours');
}
