import type { Knex } from 'knex';
import { check, jsonColumn, kitchenTable, timeColumn } from '../columns.ts';

/** What the kitchen's own authority asks, as its maker noted it. One a kitchen. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('local_profiles', (table) => {
		kitchenTable(table);
		table.integer('version').notNullable().defaultTo(1);
		jsonColumn(table, 'profile').notNullable();
		timeColumn(table, 'updated_at').notNullable();
		table.unique(['kitchen_id']);
	});
	await check(knex, 'local_profiles', 'local_profiles_profile', 'JSON_VALID(profile)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('local_profiles');
}
