import type { Knex } from 'knex';

/** A label taken as a file for a batch is printed elsewhere, and is that batch's label like one off the label printer. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('print_jobs', (table) => {
		table.enum('went_to', ['label printer', 'file']).notNullable().defaultTo('label printer');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('print_jobs', (table) => {
		table.dropColumn('went_to');
	});
}
