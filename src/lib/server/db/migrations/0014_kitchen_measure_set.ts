import type { Knex } from 'knex';

/** The cups and spoons a kitchen measures with. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => {
		table.enum('measure_set', ['us', 'metric']).notNullable().defaultTo('us');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => table.dropColumn('measure_set'));
}
