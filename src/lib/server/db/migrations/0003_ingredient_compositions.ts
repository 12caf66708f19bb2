import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

// Written out and not taken from core: a migration says what the table was on its day.
const GRAMS = [
	'water_g',
	'protein_g',
	'fat_g',
	'saturates_g',
	'transFat_g',
	'carbohydrate_g',
	'fibre_g',
	'sugars_g',
	'addedSugars_g',
	'ash_g'
];
const OTHERS = [
	'energy_kcal',
	'cholesterol_mg',
	'sodium_mg',
	'calcium_mg',
	'iron_mg',
	'potassium_mg',
	'vitaminD_ug'
];

/** Append-only: a change of composition is a new row, and what used the old one still shows it. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('ingredient_compositions', (table) => {
		kitchenTable(table);
		idColumn(table, 'ingredient_id').notNullable();
		for (const column of [...GRAMS, ...OTHERS]) table.decimal(column, 14, 6);
		table.enum('source', ['specification', 'pack', 'reference', 'estimate']).notNullable();
		table.string('source_note', 200).notNullable().defaultTo('');
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'ingredient_id', 'ingredients');
		table.index(['kitchen_id', 'ingredient_id', 'id'], 'compositions_newest');
	});
	for (const column of GRAMS)
		await check(knex, 'ingredient_compositions', `compositions_${column}`, `\`${column}\` BETWEEN 0 AND 100`);
	for (const column of OTHERS)
		await check(knex, 'ingredient_compositions', `compositions_${column}`, `\`${column}\` >= 0`);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('ingredient_compositions');
}
