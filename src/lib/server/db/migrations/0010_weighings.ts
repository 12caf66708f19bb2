import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

/**
 * One reading each, never edited. A correction is a new row that points at the one it takes the place
 * of; without grams it withdraws it.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('weighings', (table) => {
		kitchenTable(table);
		idColumn(table, 'batch_id').notNullable();
		idColumn(table, 'line_id');
		table.enum('what', ['line', 'consumed', 'uptake', 'dough', 'ball', 'leftover', 'finished']).notNullable();
		gramsColumn(table, 'grams');
		idColumn(table, 'corrects_id');
		timeColumn(table, 'taken_at').notNullable();
		refers(table, 'batch_id', 'batches');
		refers(table, 'line_id', 'batch_lines');
		refers(table, 'corrects_id', 'weighings');
		// A reading is corrected once; the correction is what may be corrected next.
		table.unique(['corrects_id']);
		table.index(['kitchen_id', 'batch_id', 'id']);
	});
	await check(knex, 'weighings', 'weighings_grams', 'grams >= 0');
	await check(knex, 'weighings', 'weighings_withdrawn', 'grams IS NOT NULL OR corrects_id IS NOT NULL');
	await check(
		knex,
		'weighings',
		'weighings_line',
		"(what IN ('line', 'consumed', 'uptake')) = (line_id IS NOT NULL)"
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('weighings');
}
