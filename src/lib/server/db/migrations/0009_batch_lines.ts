import type { Knex } from 'knex';
import { check, gramsColumn, idColumn, kitchenTable, refers } from '../columns.ts';

/** The formula's lines as planned for one batch, each with the composition in force that day. */
export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('batch_lines', (table) => {
		kitchenTable(table);
		idColumn(table, 'batch_id').notNullable();
		idColumn(table, 'ingredient_id').notNullable();
		idColumn(table, 'composition_id').notNullable();
		table.integer('position').unsigned().notNullable();
		table
			.enum('use_as', ['dough', 'dusting', 'layering', 'brushing', 'bowl', 'griddle', 'garnish'])
			.notNullable();
		table.string('stage', 60).notNullable().defaultTo('');
		gramsColumn(table, 'planned_g').notNullable();
		gramsColumn(table, 'planned_uptake_g');
		refers(table, 'batch_id', 'batches');
		refers(table, 'ingredient_id', 'ingredients');
		refers(table, 'composition_id', 'ingredient_compositions');
		table.unique(['batch_id', 'position']);
	});
	await check(knex, 'batch_lines', 'batch_lines_planned', 'planned_g >= 0');
	await check(
		knex,
		'batch_lines',
		'batch_lines_uptake',
		"planned_uptake_g IS NULL OR (use_as <> 'dough' AND planned_uptake_g BETWEEN 0 AND planned_g)"
	);
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('batch_lines');
}
