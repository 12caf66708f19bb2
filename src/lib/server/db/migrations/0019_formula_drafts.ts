import type { Knex } from 'knex';
import { check, jsonColumn, timeColumn } from '../columns.ts';

/** What is being typed in a formula's sheet, kept as it stands; a version is made of it on purpose. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('formulas', (table) => {
		jsonColumn(table, 'draft');
		timeColumn(table, 'archived_at');
	});
	await check(knex, 'formulas', 'formulas_draft', 'draft IS NULL OR JSON_VALID(draft)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.raw('ALTER TABLE formulas DROP CONSTRAINT formulas_draft');
	await knex.schema.alterTable('formulas', (table) => table.dropColumns('draft', 'archived_at'));
}
