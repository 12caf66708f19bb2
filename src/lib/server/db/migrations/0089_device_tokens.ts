import type { Knex } from 'knex';
import { timeColumn } from '../columns.ts';

const HASH = 'CHAR(64) CHARACTER SET ascii COLLATE ascii_bin';

/** A device's token is changed when it is used from elsewhere; the one before counts until the new one is used. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('devices', (table) => {
		table.specificType('previous_hash', HASH).index();
		timeColumn(table, 'previous_ends_at');
		// A digest of the address it was last seen from; empty until it is seen.
		table.string('seen_from', 64).notNullable().defaultTo('');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('devices', (table) =>
		table.dropColumns('previous_hash', 'previous_ends_at', 'seen_from')
	);
}
