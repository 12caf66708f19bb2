import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, kitchenTable, refers } from '../columns.ts';

/** A mix of the maker's own is an ingredient with lines; its portion is what goes into one jar. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.alterTable('ingredients', (table) => {
		table.string('reference_id', 40);
		table.boolean('is_mix').notNullable().defaultTo(false);
		gramsColumn(table, 'portion_g');
	});
	await check(knex, 'ingredients', 'ingredients_portion', 'portion_g IS NULL OR portion_g > 0');
	await knex.schema.createTable('mix_lines', (table) => {
		kitchenTable(table);
		idColumn(table, 'mix_id').notNullable();
		idColumn(table, 'ingredient_id').notNullable();
		table.integer('position').unsigned().notNullable();
		gramsColumn(table, 'grams').notNullable();
		refers(table, 'mix_id', 'ingredients');
		refers(table, 'ingredient_id', 'ingredients');
		table.unique(['mix_id', 'position']);
	});
	await check(knex, 'mix_lines', 'mix_lines_grams', 'grams > 0');
	await check(knex, 'mix_lines', 'mix_lines_itself', 'mix_id <> ingredient_id');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('mix_lines');
	await knex.raw('ALTER TABLE ingredients DROP CONSTRAINT ingredients_portion');
	await knex.schema.alterTable('ingredients', (table) =>
		table.dropColumns('reference_id', 'is_mix', 'portion_g')
	);
}
