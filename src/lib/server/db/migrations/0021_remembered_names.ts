import type { Knex } from 'knex';
import { idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

/** What a name in a line means in this kitchen, once somebody has said so. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('remembered_names', (table) => {
		kitchenTable(table);
		table.string('name', 160).notNullable();
		idColumn(table, 'ingredient_id').notNullable();
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'ingredient_id', 'ingredients');
		table.unique(['kitchen_id', 'name']);
	});
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('remembered_names');
}
