import type { Knex } from 'knex';
import { check, jsonColumn } from '../columns.ts';

/** Which of an ingredient's allergens come from a highly refined oil: each rule set exempts what it does. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('ingredients', (table) => {
		jsonColumn(table, 'refined');
	});
	await check(knex, 'ingredients', 'ingredients_refined', 'refined IS NULL OR JSON_VALID(refined)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE ingredients DROP CONSTRAINT ingredients_refined');
	await knex.schema.alterTable('ingredients', (table) => table.dropColumn('refined'));
}
