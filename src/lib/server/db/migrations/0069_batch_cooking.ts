import type { Knex } from 'knex';

/** How a batch is cooked where it is otherwise than its formula says; empty where it is as the formula. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('batches', (table) => {
		table.string('cooking', 40).notNullable().defaultTo('');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.alterTable('batches', (table) => table.dropColumn('cooking'));
}
