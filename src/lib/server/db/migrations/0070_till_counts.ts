import type { Knex } from 'knex';
import { check, kitchenTable, moneyColumn, timeColumn } from '../columns.ts';
import { countChanges } from '../counted.ts';
import { neverChanges } from '../triggers.ts';

/** What was in the till at the close of a selling day, beside what the sales of it come to. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('till_counts', (table) => {
		kitchenTable(table);
		table.date('counted_on').notNullable();
		table.string('channel', 60).notNullable();
		// What was in it before the first sale.
		moneyColumn(table, 'change_brought').notNullable();
		moneyColumn(table, 'cash').notNullable();
		moneyColumn(table, 'card').notNullable();
		moneyColumn(table, 'cash_sold').notNullable();
		moneyColumn(table, 'card_sold').notNullable();
		table.string('note', 300).notNullable().defaultTo('');
		timeColumn(table, 'created_at').notNullable();
		table.index(['kitchen_id', 'counted_on', 'channel', 'id']);
	});
	await check(knex, 'till_counts', 'till_counts_money', 'change_brought >= 0 AND cash >= 0 AND card >= 0');
	await neverChanges(knex, 'till_counts', 'a count of the till is never edited: count it again');
	await countChanges(knex, 'till_counts');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('till_counts');
}
