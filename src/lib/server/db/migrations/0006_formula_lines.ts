import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, kitchenTable, refers } from '../columns.ts';

export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('formula_lines', (table) => {
		kitchenTable(table);
		idColumn(table, 'version_id').notNullable();
		idColumn(table, 'ingredient_id').notNullable();
		table.integer('position').unsigned().notNullable();
		table
			.enum('use_as', ['dough', 'dusting', 'layering', 'brushing', 'bowl', 'griddle', 'garnish'])
			.notNullable();
		table.string('stage', 60).notNullable().defaultTo('');
		gramsColumn(table, 'grams');
		gramsColumn(table, 'consumed_g');
		gramsColumn(table, 'uptake_g');
		refers(table, 'version_id', 'formula_versions');
		refers(table, 'ingredient_id', 'ingredients');
		table.unique(['version_id', 'position']);
	});
	await check(
		knex,
		'formula_lines',
		'formula_lines_use',
		`(use_as = 'dough' AND grams IS NOT NULL AND grams >= 0 AND consumed_g IS NULL AND uptake_g IS NULL)
		OR (use_as <> 'dough' AND grams IS NULL AND consumed_g IS NOT NULL AND consumed_g >= 0)`
	);
	await check(
		knex,
		'formula_lines',
		'formula_lines_uptake',
		'uptake_g IS NULL OR (uptake_g >= 0 AND uptake_g <= consumed_g)'
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('formula_lines');
}
