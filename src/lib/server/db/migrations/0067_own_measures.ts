import type { Knex } from 'knex';
import { check, gramsColumn, kitchenTable, timeColumn } from '../columns.ts';
import { countChanges } from '../counted.ts';

/** The maker's own spoon, glass or scoop: what it holds, or what it weighs full of a kind of ingredient. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('own_measures', (table) => {
		kitchenTable(table);
		table.string('name', 40).notNullable();
		// Empty where it is given by what it holds.
		table.string('kind', 20).notNullable();
		table.decimal('millilitres', 9, 3);
		gramsColumn(table, 'grams');
		timeColumn(table, 'created_at').notNullable();
		table.unique(['kitchen_id', 'name', 'kind']);
	});
	await check(
		knex,
		'own_measures',
		'own_measures_one_of_both',
		"(kind = '' AND millilitres > 0 AND grams IS NULL) OR (kind <> '' AND grams > 0 AND millilitres IS NULL)"
	);
	await countChanges(knex, 'own_measures');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('own_measures');
}
