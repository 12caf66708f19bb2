import type { Knex } from 'knex';

/**
 * How batches stand says from now on what they took by feel, what went into them and which allergens that holds. It
 * follows from the batches: it is worked out anew where it is missing.
 */
export async function up(knex: Knex): Promise<void> {
	await knex('batch_standings').delete();
}

export const down = up;
