import type { Knex } from 'knex';
import { newId, type Row } from '../../rows.ts';
import { whileItMayChange } from '../triggers.ts';

const TABLES = ['weighings', 'batch_events'] as const;

/**
 * Every entry of a batch has its number: the order in which the server kept them, which clocks of devices have no
 * part in. Those that are here already get theirs in the order of their ids, as they were taken so far.
 */
export async function up(knex: Knex): Promise<void> {
	await countPacksGone(knex);
	for (const table of TABLES)
		await whileItMayChange(knex, table, async () => {
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
	const rows = await knex<Row, Row[]>('batches')
		.whereNull('closed_at')
		.whereNull('packs_counted')
		.whereRaw('packs_sold + packs_given > 0')
		.select('id', 'kitchen_id', 'packs_made', 'updated_at');
	if (rows.length === 0) return;
	await knex.batchInsert(
		'batch_events',
		rows.map((row) => ({
			id: newId(),
			kitchen_id: row.kitchen_id,
			batch_id: row.id,
			name: 'counted',
			data: JSON.stringify({ of: 'packs', count: row.packs_made }),
			happened_at: row.updated_at,
			received_at: row.updated_at
		})),
		500
	);
}

export async function down(knex: Knex): Promise<void> {
	for (const table of TABLES)
		await knex.raw('ALTER TABLE ?? DROP INDEX ??, DROP COLUMN number', [table, `${table}_number`]);
}
