import type { Knex } from 'knex';
import { check, idColumn, jsonColumn, refers } from '../columns.ts';

/**
 * How each batch stands, as its entries were folded when the last of them was kept: what lists show of it. Never
 * evidence itself: it can be made anew from the entries at any time, and is where it is missing.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('batch_standings', (table) => {
		table.charset('utf8mb4');
		table.collate('utf8mb4_unicode_520_ci');
		idColumn(table, 'batch_id').primary();
		idColumn(table, 'kitchen_id').notNullable();
		jsonColumn(table, 'standing').notNullable();
		refers(table, 'batch_id', 'batches');
	});
	await check(knex, 'batch_standings', 'batch_standings_json', 'JSON_VALID(standing)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('batch_standings');
}
