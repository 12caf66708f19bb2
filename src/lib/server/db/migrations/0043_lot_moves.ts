import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { neverChanges } from '../triggers.ts';

/** What came into a lot and left it, append-only: into it above zero, out of it below. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('lot_moves', (table) => {
		kitchenTable(table);
		idColumn(table, 'lot_id').notNullable();
		table.enum('kind', ['received', 'drawn', 'counted', 'taken back']).notNullable();
		gramsColumn(table, 'amount').notNullable();
		idColumn(table, 'batch_id');
		table.string('reason', 300).notNullable().defaultTo('');
		timeColumn(table, 'moved_at').notNullable();
		refers(table, 'lot_id', 'lots');
		refers(table, 'batch_id', 'batches');
		table.index(['kitchen_id', 'lot_id', 'id']);
		table.index(['kitchen_id', 'batch_id', 'lot_id']);
	});
	await check(knex, 'lot_moves', 'lot_moves_amount', 'amount <> 0');
	await check(knex, 'lot_moves', 'lot_moves_batch', "(kind = 'drawn') = (batch_id IS NOT NULL)");
	await check(
		knex,
		'lot_moves',
		'lot_moves_reason',
		"kind NOT IN ('counted', 'taken back') OR TRIM(reason) <> ''"
	);
	await neverChanges(knex, 'lot_moves', 'a move of a lot is never edited: count the lot');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('lot_moves');
}
