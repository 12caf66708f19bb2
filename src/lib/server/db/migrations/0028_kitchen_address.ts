import type { Knex } from 'knex';

/** Where the maker is found: it stands on every label. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => {
		table.string('address', 200).notNullable().defaultTo('');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => table.dropColumn('address'));
}
