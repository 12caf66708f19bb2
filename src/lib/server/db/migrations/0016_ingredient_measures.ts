import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, jsonColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

/** Grams of a household measure of an ingredient, in the kitchen's own cups and spoons. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('ingredient_measures', (table) => {
		kitchenTable(table);
		idColumn(table, 'ingredient_id').notNullable();
		table.string('measure', 16).notNullable();
		gramsColumn(table, 'grams').notNullable();
		gramsColumn(table, 'low_g').notNullable();
		gramsColumn(table, 'high_g').notNullable();
		table.enum('basis', ['reference', 'typed', 'weighed']).notNullable();
		// The maker's own readings, where they weighed the measure.
		jsonColumn(table, 'readings');
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'ingredient_id', 'ingredients');
		table.unique(['ingredient_id', 'measure']);
	});
	await check(
		knex,
		'ingredient_measures',
		'measures_grams',
		'low_g > 0 AND low_g <= grams AND grams <= high_g'
	);
	await check(knex, 'ingredient_measures', 'measures_readings', 'readings IS NULL OR JSON_VALID(readings)');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('ingredient_measures');
}
