import type { Knex } from 'knex';

/** What an entry comes to, kept by the database, so that the largest of ten years are read off an index. */
export async function up(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE sales ADD COLUMN total DECIMAL(24, 4) AS (packs * price) STORED');
	await knex.schema.alterTable('sales', (table) => {
		table.index(['kitchen_id', 'total', 'id'], 'sales_by_total');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('sales', (table) => {
		table.dropIndex([], 'sales_by_total');
		table.dropColumn('total');
	});
}
