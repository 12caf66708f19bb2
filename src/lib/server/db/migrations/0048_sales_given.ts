import type { Knex } from 'knex';
import { mayChange, neverChanges } from '../triggers.ts';

const MESSAGE = 'a sale is never edited: void it';

/**
 * Whether packs of a row count as given rather than sold, so that totals need not look up what a void is
 * of; and indexes that totals can be read from alone.
 */
export async function up(knex: Knex): Promise<void> {
	await mayChange(knex, 'sales');
	await knex.schema.alterTable('sales', (table) => {
		table.boolean('is_given').notNullable().defaultTo(false);
	});
	await knex.raw(
		`UPDATE sales AS s LEFT JOIN sales AS o ON o.id = s.voids_id SET s.is_given = TRUE
		WHERE COALESCE(o.kind, s.kind) IN ('gift', 'sample', 'written off')`
	);
	await knex.schema.alterTable('sales', (table) => {
		table.index(
			['kitchen_id', 'sold_on', 'channel', 'paid_by', 'is_given', 'packs', 'price'],
			'sales_by_day'
		);
		table.index(['kitchen_id', 'batch_id', 'sold_on', 'is_given', 'packs', 'price'], 'sales_by_batch');
	});
	await neverChanges(knex, 'sales', MESSAGE);
}

export async function down(knex: Knex): Promise<void> {
	await mayChange(knex, 'sales');
	await knex.schema.alterTable('sales', (table) => {
		table.dropIndex([], 'sales_by_day');
		table.dropIndex([], 'sales_by_batch');
		table.dropColumn('is_given');
	});
	await neverChanges(knex, 'sales', MESSAGE);
}
