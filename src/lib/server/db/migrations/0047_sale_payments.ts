import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, moneyColumn, timeColumn } from '../columns.ts';
import { neverChanges } from '../triggers.ts';

/** What was owed and is paid, append-only: one row settles what one customer owed. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('sale_payments', (table) => {
		kitchenTable(table);
		idColumn(table, 'checkout_id').notNullable();
		moneyColumn(table, 'amount').notNullable();
		table.enum('paid_by', ['cash', 'card']).notNullable();
		table.date('paid_on').notNullable();
		timeColumn(table, 'created_at').notNullable();
		table.unique(['kitchen_id', 'checkout_id']);
		table.index(['kitchen_id', 'paid_on']);
	});
	await check(knex, 'sale_payments', 'sale_payments_amount', 'amount >= 0');
	await neverChanges(knex, 'sale_payments', 'a payment is never edited');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('sale_payments');
}
