import type { Knex } from 'knex';
import { newId } from '../../rows.ts';
import { check, idColumn, jsonColumn, kitchenTable, refers, timeColumn } from '../columns.ts';
import { neverChanges } from '../triggers.ts';

/** Counts of a batch that were typed before counts were kept as they happen, by the name they have now. */
const COUNTS = {
	balls: 'ball_count',
	rejects: 'rejects',
	sellable: 'sellable_counted',
	packs: 'packs_counted',
	loose: 'loose_counted'
} as const;

/**
 * What happens to a batch beside weighings, append-only: steps, pieces, rejects, counts, notes. One that is
 * taken back is voided by a row that points at it.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('batch_events', (table) => {
		kitchenTable(table);
		idColumn(table, 'batch_id').notNullable();
		table.string('name', 30).notNullable();
		jsonColumn(table, 'data').notNullable();
		idColumn(table, 'voids_id');
		timeColumn(table, 'happened_at').notNullable();
		timeColumn(table, 'received_at').notNullable();
		refers(table, 'batch_id', 'batches');
		refers(table, 'voids_id', 'batch_events');
		table.unique(['voids_id']);
		table.index(['kitchen_id', 'batch_id', 'id']);
		table.index(['kitchen_id', 'name', 'received_at']);
	});
	await check(knex, 'batch_events', 'batch_events_data', 'JSON_VALID(data)');
	await check(knex, 'batch_events', 'batch_events_void', "(name = 'void') = (voids_id IS NOT NULL)");
	await countsSoFar(knex);
	await neverChanges(knex, 'batch_events', 'what happened is never edited: take it back by another');
	await knex.raw(
		`CREATE TRIGGER batch_events_not_after_close BEFORE INSERT ON batch_events FOR EACH ROW
		IF (SELECT closed_at FROM batches WHERE id = NEW.batch_id) IS NOT NULL THEN
			SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'the batch is closed: record a correction';
		END IF`
	);
}

/**
 * Counts of batches still open, so that what is tapped from now on is added to them. One statement: all of them or none,
 * however often it is begun. Their ids begin with the moment, as every entry's does.
 */
async function countsSoFar(knex: Knex): Promise<void> {
	for (const [of, column] of Object.entries(COUNTS))
		await knex.raw(
			`INSERT IGNORE INTO batch_events (id, kitchen_id, batch_id, name, data, happened_at, received_at)
			SELECT CONCAT(?, UPPER(LEFT(MD5(CONCAT(id, ?)), 16))), kitchen_id, id, 'counted',
				CONCAT('{"of":"', ?, '","count":', ??, '}'), updated_at, updated_at
			FROM batches WHERE closed_at IS NULL AND COALESCE(??, 0) <> 0`,
			[newId().slice(0, 10), of, of, column, column]
		);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('batch_events');
}
