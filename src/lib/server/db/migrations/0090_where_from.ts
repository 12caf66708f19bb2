import type { Knex } from 'knex';

/** Of coming in, and of trying to: the address it was from. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('deeds', (table) => {
		table.string('from_where', 64).notNullable().defaultTo('');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('deeds', (table) => table.dropColumn('from_where'));
}
