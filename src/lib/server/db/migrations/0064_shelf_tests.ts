import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { countChanges } from '../counted.ts';
import { mayChange, neverChanges } from '../triggers.ts';

/** The maker's own tests of how long something keeps, and what was found each day: evidence, so append-only. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('shelf_tests', (table) => {
		kitchenTable(table);
		idColumn(table, 'product_id').notNullable();
		table.enum('of_what', ['baked', 'dough', 'premix']).notNullable();
		table.date('made_on').notNullable();
		table.string('kept_how', 200).notNullable();
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'product_id', 'products');
	});
	await knex.schema.createTable('shelf_test_days', (table) => {
		kitchenTable(table);
		idColumn(table, 'test_id').notNullable();
		table.integer('day').notNullable();
		table.boolean('is_good').notNullable();
		table.string('found', 400).notNullable();
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'test_id', 'shelf_tests');
	});
	await check(knex, 'shelf_test_days', 'shelf_test_days_day', 'day >= 0');
	for (const table of ['shelf_tests', 'shelf_test_days']) {
		await neverChanges(knex, table, 'a shelf-life test is never edited: note what was found again');
		await countChanges(knex, table);
	}
}

export async function down(knex: Knex): Promise<void> {
	for (const table of ['shelf_test_days', 'shelf_tests']) {
		await mayChange(knex, table);
		await knex.schema.dropTable(table);
	}
}
