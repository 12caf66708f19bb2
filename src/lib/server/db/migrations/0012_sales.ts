import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, moneyColumn, refers, timeColumn } from '../columns.ts';

/** Append-only. A sale entered by mistake is voided by a row that points at it and gives its packs back. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('sales', (table) => {
		kitchenTable(table);
		idColumn(table, 'batch_id').notNullable();
		table.date('sold_on').notNullable();
		table.string('channel', 60).notNullable();
		table.integer('packs').notNullable();
		moneyColumn(table, 'price').notNullable();
		idColumn(table, 'voids_id');
		table.string('reason', 300).notNullable().defaultTo('');
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'batch_id', 'batches');
		refers(table, 'voids_id', 'sales');
		table.unique(['voids_id']);
		table.index(['kitchen_id', 'sold_on']);
	});
	await check(
		knex,
		'sales',
		'sales_packs',
		'(voids_id IS NULL AND packs > 0) OR (voids_id IS NOT NULL AND packs < 0)'
	);
	await check(knex, 'sales', 'sales_price', 'price >= 0');
	await check(knex, 'sales', 'sales_channel', "TRIM(channel) <> ''");
	await check(knex, 'sales', 'sales_reason', "voids_id IS NULL OR TRIM(reason) <> ''");
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('sales');
}
