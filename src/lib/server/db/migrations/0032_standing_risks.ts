import type { Knex } from 'knex';
import { kitchenTable, timeColumn } from '../columns.ts';

/** Allergens that are about in the kitchen whatever is made, and why; ended ones stay for what was decided of them. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('standing_risks', (table) => {
		kitchenTable(table);
		table.string('allergen', 60).notNullable();
		table.string('why', 200).notNullable();
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'ended_at');
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('standing_risks');
}
