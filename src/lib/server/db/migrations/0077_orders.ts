import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, moneyColumn, refers, timeColumn } from '../columns.ts';
import { countChanges } from '../counted.ts';
import { mayChange, neverChanges } from '../triggers.ts';
import { up as guardSales } from './0075_customers_erased.ts';

/**
 * Packs asked for ahead: for whom, what, when and where they are fetched, paid or owed. What was done to an order is
 * kept beside it and never edited. A sale that an order became points at it.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('orders', (table) => {
		kitchenTable(table);
		table.string('customer', 120).notNullable().defaultTo('');
		table.date('fetched_on').notNullable();
		table.string('place', 60).notNullable();
		table.string('note', 300).notNullable().defaultTo('');
		table.enum('state', ['open', 'fetched', 'cancelled']).notNullable().defaultTo('open');
		// How and when it was paid ahead; null while it is owed.
		table.enum('paid_by', ['cash', 'card']);
		table.date('paid_on');
		// Orders that follow each other week by week bear the id of the first.
		idColumn(table, 'series_id');
		table.integer('version').unsigned().notNullable().defaultTo(1);
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'updated_at').notNullable();
		table.index(['kitchen_id', 'state', 'fetched_on']);
	});
	await check(knex, 'orders', 'orders_place', "TRIM(place) <> ''");
	await check(knex, 'orders', 'orders_paid', '(paid_by IS NULL) = (paid_on IS NULL)');
	await knex.schema.createTable('order_lines', (table) => {
		kitchenTable(table);
		idColumn(table, 'order_id').notNullable();
		idColumn(table, 'product_id').notNullable();
		table.integer('position').unsigned().notNullable();
		table.integer('packs').unsigned().notNullable();
		moneyColumn(table, 'price').notNullable();
		refers(table, 'order_id', 'orders');
		refers(table, 'product_id', 'products');
		table.unique(['order_id', 'product_id']);
	});
	await check(knex, 'order_lines', 'order_lines_packs', 'packs > 0');
	await check(knex, 'order_lines', 'order_lines_price', 'price >= 0');
	await knex.schema.createTable('order_changes', (table) => {
		kitchenTable(table);
		idColumn(table, 'order_id').notNullable();
		table.string('what', 500).notNullable();
		timeColumn(table, 'changed_at').notNullable();
		idColumn(table, 'deed_id');
		refers(table, 'order_id', 'orders');
		table.index(['kitchen_id', 'order_id', 'id']);
	});
	await knex.raw(
		`CREATE TRIGGER order_changes_done_by BEFORE INSERT ON order_changes FOR EACH ROW
		SET NEW.deed_id = COALESCE(NEW.deed_id, @deed)`
	);
	await neverChanges(knex, 'order_changes', 'what was done to an order is never edited');
	for (const table of ['orders', 'order_lines', 'order_changes']) await countChanges(knex, table);
	await knex.schema.alterTable('sales', (table) => {
		idColumn(table, 'order_id');
		refers(table, 'order_id', 'orders');
	});
	// Which order a sale was is no more to be edited than the rest of it.
	await guardSales(knex);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('sales', (table) => {
		table.dropForeign(['kitchen_id', 'order_id']);
	});
	await knex.schema.alterTable('sales', (table) => table.dropColumn('order_id'));
	await guardSales(knex);
	await mayChange(knex, 'order_changes');
	await knex.schema.dropTable('order_changes');
	await knex.schema.dropTable('order_lines');
	await knex.schema.dropTable('orders');
}
