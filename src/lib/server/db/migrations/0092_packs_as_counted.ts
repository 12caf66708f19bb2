import type { Knex } from 'knex';
import { newId } from '../../rows.ts';

/**
 * Packs of an open batch are what its entries count. Of one that was recorded without a count what was planned stood as
 * its packs, and was sold from: where some are gone, there were at least so many, which becomes a count of its own;
 * where none is, none were counted, which is written where lists and the stall read it once how it stands is noted anew.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.raw(
		`INSERT IGNORE INTO batch_events (id, kitchen_id, batch_id, name, data, happened_at, received_at, number)
		SELECT CONCAT(?, UPPER(LEFT(MD5(CONCAT(b.id, 'packs there were')), 16))), b.kitchen_id, b.id, 'counted',
			CONCAT('{"of":"packs","count":', b.packs_made, '}'), b.updated_at, b.updated_at,
			1 + GREATEST(
				(SELECT COALESCE(MAX(w.number), 0) FROM weighings AS w WHERE w.batch_id = b.id),
				(SELECT COALESCE(MAX(e.number), 0) FROM batch_events AS e WHERE e.batch_id = b.id)
			)
		FROM batches AS b
		WHERE b.closed_at IS NULL AND b.packs_counted IS NULL AND b.packs_sold + b.packs_given > 0`,
		[newId().slice(0, 10)]
	);
	await knex.raw(
		`DELETE FROM batch_standings WHERE batch_id IN (
			SELECT id FROM batches WHERE closed_at IS NULL AND packs_made > 0
		)`
	);
}

/** How batches stand is noted anew wherever it is missing. */
export async function down(): Promise<void> {
	// A count stays: it is evidence.
}
