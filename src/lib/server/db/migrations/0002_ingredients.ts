import type { Knex } from 'knex';
import { check, kitchenTable, timeColumn } from '../columns.ts';

export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('ingredients', (table) => {
		kitchenTable(table);
		table.string('name', 160).notNullable();
		table.string('kind', 16).notNullable();
		table.string('label_us', 500);
		table.string('label_eu', 500);
		table.specificType('parts', 'LONGTEXT');
		// A list of tags; nobody vouches for it until the day in allergens_confirmed_on.
		table.specificType('allergens', 'LONGTEXT').notNullable();
		table.date('allergens_confirmed_on');
		table.string('allergens_evidence', 200).notNullable().defaultTo('');
		table.integer('version').unsigned().notNullable().defaultTo(1);
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'updated_at').notNullable();
		table.unique(['kitchen_id', 'name']);
	});
	await check(knex, 'ingredients', 'ingredients_name', "TRIM(name) <> ''");
	await check(knex, 'ingredients', 'ingredients_parts', 'parts IS NULL OR JSON_VALID(parts)');
	await check(knex, 'ingredients', 'ingredients_allergens', 'JSON_VALID(allergens)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('ingredients');
}
