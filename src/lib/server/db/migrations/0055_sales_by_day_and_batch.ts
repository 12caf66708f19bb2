import type { Knex } from 'knex';

/** Totals of a month are kept beside the entries: by day is read for profit, which goes by batch. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('sales', (table) => {
		table.index(
			['kitchen_id', 'sold_on', 'channel', 'batch_id', 'is_given', 'packs', 'price'],
			'sales_by_day_and_batch'
		);
		table.dropIndex([], 'sales_by_day');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('sales', (table) => {
		table.index(
			['kitchen_id', 'sold_on', 'channel', 'paid_by', 'is_given', 'packs', 'price'],
			'sales_by_day'
		);
		table.dropIndex([], 'sales_by_day_and_batch');
	});
}
