import type { Knex } from 'knex';
import { check, jsonColumn } from '../columns.ts';

/** Allergens that the pack of a bought ingredient says it may contain. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('ingredients', (table) => {
		jsonColumn(table, 'may_contain');
	});
	await check(
		knex,
		'ingredients',
		'ingredients_may_contain',
		'may_contain IS NULL OR JSON_VALID(may_contain)'
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE ingredients DROP CONSTRAINT ingredients_may_contain');
	await knex.schema.alterTable('ingredients', (table) => table.dropColumn('may_contain'));
}
