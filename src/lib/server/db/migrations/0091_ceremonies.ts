import type { Knex } from 'knex';

/** A challenge counts for what it was asked for, and for the browser it was given to. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('challenges', (table) => {
		table.string('ceremony', 20).notNullable().defaultTo('');
		table
			.specificType('given_to', 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin')
			.notNullable()
			.defaultTo('');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('challenges', (table) => table.dropColumns('ceremony', 'given_to'));
}
