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
	await knex.schema.createTable('kitchen_requests', (table) => {
		idColumn(table, 'kitchen_id').notNullable();
		timeColumn(table, 'minute').notNullable();
		table.integer('number').unsigned().notNullable();
		table.primary(['kitchen_id', 'minute']);
		table.index(['minute']);
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('kitchen_requests');
	await knex.schema.dropTable('kitchen_usage');
}
