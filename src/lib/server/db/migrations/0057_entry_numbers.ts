import type { Knex } from 'knex';
import { newId } from '../../rows.ts';
import { whileItMayChange } from '../triggers.ts';

const TABLES = {
	weighings: 'a weighing is never edited: add a correction',
	batch_events: 'what happened is never edited: take it back by another'
} as const;

/**
 * Every entry of a batch has its number: the order in which the server kept them, which clocks of devices have no
 * part in. Those that are here already get theirs in the order of their ids, as they were taken so far.
 */
export async function up(knex: Knex): Promise<void> {
	await countPacksGone(knex);
	for (const [table, message] of Object.entries(TABLES))
		await whileItMayChange(knex, table, message, async () => {
			await knex.raw('ALTER TABLE ?? ADD COLUMN number INT UNSIGNED NOT NULL DEFAULT 0', [table]);
			await knex.raw(
				`UPDATE ?? t JOIN (
					SELECT id, ROW_NUMBER() OVER (PARTITION BY batch_id ORDER BY id) AS number
					FROM (SELECT id, batch_id FROM weighings UNION ALL SELECT id, batch_id FROM batch_events) e
				) n ON n.id = t.id SET t.number = n.number`,
				[table]
			);
			await knex.raw('ALTER TABLE ?? ALTER COLUMN number DROP DEFAULT', [table]);
			await knex.raw('ALTER TABLE ?? ADD UNIQUE INDEX ?? (batch_id, number)', [table, `${table}_number`]);
		});
}

/**
 * Packs of an open batch that nobody counted are none from now on. Where some of them are gone already they were
 * there, so what was planned then stands as a count.
 */
async function countPacksGone(knex: Knex): Promise<void> {
	await knex.raw(
		`INSERT IGNORE INTO batch_events (id, kitchen_id, batch_id, name, data, happened_at, received_at)
		SELECT CONCAT(?, UPPER(LEFT(MD5(CONCAT(id, 'packs')), 16))), kitchen_id, id, 'counted',
			CONCAT('{"of":"packs","count":', packs_made, '}'), updated_at, updated_at
		FROM batches WHERE closed_at IS NULL AND packs_counted IS NULL AND packs_sold + packs_given > 0`,
		[newId().slice(0, 10)]
	);
}

export async function down(knex: Knex): Promise<void> {
	for (const table of Object.keys(TABLES))
		await knex.raw('ALTER TABLE ?? DROP INDEX ??, DROP COLUMN number', [table, `${table}_number`]);
}
