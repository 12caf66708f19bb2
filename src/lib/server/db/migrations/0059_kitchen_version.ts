import type { Knex } from 'knex';

/** A kitchen's settings tell a stale save, like every record two people may have open. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => {
		table.integer('version').unsigned().notNullable().defaultTo(1);
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('kitchens', (table) => table.dropColumn('version'));
}
