import type { Knex } from 'knex';
import { check, idColumn, kitchenTable, refers, timeColumn } from '../columns.ts';

export async function up(knex: Knex): Promise<void> {
	await knex.schema.createTable('formulas', (table) => {
		kitchenTable(table);
		table.string('name', 160).notNullable();
		table.integer('version').unsigned().notNullable().defaultTo(1);
		timeColumn(table, 'created_at').notNullable();
		timeColumn(table, 'updated_at').notNullable();
		table.unique(['kitchen_id', 'name']);
	});
	await check(knex, 'formulas', 'formulas_name', "TRIM(name) <> ''");
	// A version that a batch was made from is never changed again: the next save makes a new one.
	await knex.schema.createTable('formula_versions', (table) => {
		kitchenTable(table);
		idColumn(table, 'formula_id').notNullable();
		table.integer('number').unsigned().notNullable();
		table.enum('mix_gap', ['residue', 'evaporation']).notNullable();
		timeColumn(table, 'created_at').notNullable();
		refers(table, 'formula_id', 'formulas');
		table.unique(['formula_id', 'number']);
	});
	await check(knex, 'formula_versions', 'formula_versions_number', 'number >= 1');
}

export async function down(knex: Knex): Promise<void> {
	await knex.schema.dropTable('formula_versions');
	await knex.schema.dropTable('formulas');
}
