import type { Knex } from 'knex';

/**
 * Short packs are told by how a batch stands, which is noted anew wherever it is missing; and a batch that was corrected
 * after it was closed has those again that its correction left out.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.raw(
		`DELETE FROM batch_standings WHERE batch_id IN (
			SELECT batch_id FROM batch_events WHERE name = 'short pack'
		)`
	);
}

/** How batches stand is noted anew wherever it is missing. */
export async function down(): Promise<void> {
	// Nothing was taken away that is not written again.
}
