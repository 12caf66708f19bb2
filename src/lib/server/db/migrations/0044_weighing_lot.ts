import type { Knex } from 'knex';
import { idColumn } from '../columns.ts';

/** The lot a reading was taken from, where somebody said so. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('weighings', (table) => {
		idColumn(table, 'lot_id');
		table.foreign(['kitchen_id', 'lot_id'], LOT).references(['kitchen_id', 'id']).inTable('lots');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('weighings', (table) => {
		table.dropForeign(['kitchen_id', 'lot_id'], LOT);
		table.dropColumn('lot_id');
	});
}

const LOT = 'weighings_lot';
