import type { Knex } from 'knex';
import { idColumn, timeColumn } from '../columns.ts';

/** What a kitchen takes of its installation: what it keeps, counted now and then, and what it asks in a minute. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('kitchen_usage', (table) => {
		idColumn(table, 'kitchen_id').primary();
		table.bigInteger('rows_kept').unsigned().notNullable();
		table.bigInteger('bytes_kept').unsigned().notNullable();
		timeColumn(table, 'counted_at').notNullable();
	});
	// Of a kitchen, of somebody in, or of an address nobody came in from: added up by every process, for minutes.
	await knex.schema.createTable('request_counts', (table) => {
		table.specificType('of_whom', 'VARCHAR(60) CHARACTER SET ascii COLLATE ascii_bin').notNullable();
		timeColumn(table, 'minute').notNullable();
		table.integer('number').unsigned().notNullable();
		table.primary(['of_whom', 'minute']);
		table.index(['minute']);
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('request_counts');
	await knex.schema.dropTable('kitchen_usage');
}
