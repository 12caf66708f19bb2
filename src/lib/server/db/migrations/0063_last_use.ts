import type { Knex } from 'knex';

/**
 * When a batch last used its equipment, as somebody notes it. Where nobody does, how the batch stands says it from its
 * entries: that is worked out anew where it is missing.
 */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('batches', (table) => {
		table.time('used_until');
	});
	await knex.raw(
		`CREATE TRIGGER batches_use_stays BEFORE UPDATE ON batches FOR EACH ROW
		IF OLD.closed_at IS NOT NULL AND NOT (NEW.used_until <=> OLD.used_until) THEN
			SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'a closed batch is never edited: correct it by another closing';
		END IF`
	);
	await knex('batch_standings').delete();
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('DROP TRIGGER batches_use_stays');
	await knex.schema.alterTable('batches', (table) => table.dropColumn('used_until'));
	await knex('batch_standings').delete();
}
