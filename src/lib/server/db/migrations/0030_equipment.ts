import type { Knex } from 'knex';
import { idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

/** What batches are made on, and which batch touched what. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('equipment', (table) => {
		kitchenTable(table);
		table.string('name', 80).notNullable();
		// Kept for the batches that were made on it.
		timeColumn(table, 'retired_at');
		timeColumn(table, 'created_at').notNullable();
		table.unique(['kitchen_id', 'name']);
	});
	await knex.schema.createTable('batch_equipment', (table) => {
		kitchenTable(table);
		idColumn(table, 'batch_id').notNullable();
		idColumn(table, 'equipment_id').notNullable();
		refers(table, 'batch_id', 'batches');
		refers(table, 'equipment_id', 'equipment');
		table.unique(['batch_id', 'equipment_id']);
	});
	await knex.schema.alterTable('batches', (table) => {
		table.time('began_at');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('batches', (table) => table.dropColumn('began_at'));
	await knex.schema.dropTable('batch_equipment');
	await knex.schema.dropTable('equipment');
}
