import type { Knex } from 'knex';
import { check, idColumn, jsonColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { neverChanges } from '../triggers.ts';

/** Columns of a batch that are evidence: fixed once it is closed. */
const FIXED = [
	'made_on',
	'began_at',
	'ball_weight_g',
	'ball_count',
	'rejects',
	'serving_pieces',
	'note',
	'sellable_counted',
	'packs_counted',
	'loose_counted'
];

/**
 * Closings of a batch, append-only: the first fixes what was measured with its facts, each later one is a
 * correction that stands beside it. The database itself keeps a closed batch and its weighings as they are.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('batch_closings', (table) => {
		kitchenTable(table);
		idColumn(table, 'batch_id').notNullable();
		table.integer('number').notNullable();
		jsonColumn(table, 'input').notNullable();
		jsonColumn(table, 'recipe').notNullable();
		jsonColumn(table, 'facts').notNullable();
		jsonColumn(table, 'stages').notNullable();
		// Why it was closed though it does not square, or why it is corrected.
		table.string('reason', 500).notNullable();
		timeColumn(table, 'closed_at').notNullable();
		refers(table, 'batch_id', 'batches');
		table.unique(['batch_id', 'number']);
	});
	for (const column of ['input', 'recipe', 'facts', 'stages'])
		await check(knex, 'batch_closings', `batch_closings_${column}`, `JSON_VALID(${column})`);
	await check(knex, 'batch_closings', 'batch_closings_number', 'number >= 1');
	await check(knex, 'batch_closings', 'batch_closings_reason', "number = 1 OR reason <> ''");
	await neverChanges(knex, 'batch_closings', 'a closing is never edited: correct the batch by another');
	await knex.schema.alterTable('batches', (table) => {
		timeColumn(table, 'closed_at');
	});
	await knex.raw(
		`CREATE TRIGGER batches_closed_stay BEFORE UPDATE ON batches FOR EACH ROW
		IF OLD.closed_at IS NOT NULL AND NOT (NEW.closed_at <=> OLD.closed_at AND ${FIXED.map(
			(column) => `NEW.${column} <=> OLD.${column}`
		).join(' AND ')}) THEN
			SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'a closed batch is never edited: record a correction';
		END IF`
	);
	await knex.raw(
		`CREATE TRIGGER weighings_not_after_close BEFORE INSERT ON weighings FOR EACH ROW
		IF (SELECT closed_at FROM batches WHERE id = NEW.batch_id) IS NOT NULL THEN
			SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the batch is closed: record a correction';
		END IF`
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('DROP TRIGGER weighings_not_after_close');
	await knex.raw('DROP TRIGGER batches_closed_stay');
	await knex.schema.alterTable('batches', (table) => table.dropColumn('closed_at'));
	await knex.schema.dropTable('batch_closings');
}
