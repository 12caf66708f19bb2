import type { Knex } from 'knex';
import type { Database } from '../db/connection.ts';

/**
 * The id of the label revision that is on a batch's bags, of a row of `batches as b`: the one printed or taken for it last, else the
 * one it was packed under.
 */
export const labelOfBatch = (db: Database): Knex.Raw =>
	db.raw(
		`COALESCE((SELECT j.label_revision_id FROM print_jobs AS j
			WHERE j.kitchen_id = b.kitchen_id AND j.batch_id = b.id AND j.printed > 0
			ORDER BY j.created_at DESC, j.id DESC LIMIT 1), b.label_revision_id)`
	);
