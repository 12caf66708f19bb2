import type { Knex } from 'knex';
import { check, jsonColumn, kitchenTable, timeColumn } from '../columns.ts';

/** Families of one's own: a name and its windows in percent of flour. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('families', (table) => {
		kitchenTable(table);
		table.string('name', 60).notNullable();
		jsonColumn(table, 'windows').notNullable();
		timeColumn(table, 'created_at').notNullable();
		table.unique(['kitchen_id', 'name']);
	});
	await check(knex, 'families', 'families_windows', 'JSON_VALID(windows)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('families');
}
