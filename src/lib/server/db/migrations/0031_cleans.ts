import type { Knex } from 'knex';
import { idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { neverChanges } from '../triggers.ts';

/** Cleans of equipment between batches: evidence, so append-only; a mistaken one is taken back by another row. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('cleans', (table) => {
		kitchenTable(table);
		idColumn(table, 'equipment_id').notNullable();
		table.date('cleaned_on').notNullable();
		table.time('cleaned_at').notNullable();
		table.string('how', 200).notNullable();
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'equipment_id', 'equipment');
		table.index(['kitchen_id', 'cleaned_on']);
	});
	await knex.schema.createTable('clean_voids', (table) => {
		kitchenTable(table);
		idColumn(table, 'clean_id').notNullable();
		table.string('reason', 200).notNullable();
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'clean_id', 'cleans');
		table.unique(['clean_id']);
	});
	await neverChanges(knex, 'cleans', 'a clean is never edited: void it with a reason');
	await neverChanges(knex, 'clean_voids', 'a voided clean stays voided');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('clean_voids');
	await knex.schema.dropTable('cleans');
}
